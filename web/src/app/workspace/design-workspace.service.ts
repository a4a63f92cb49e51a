import { Injectable, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Alternative, Design } from '@hashira/core';
import { BehaviorSubject, combineLatest, distinctUntilChanged, map } from 'rxjs';
import type { AlternativeResult } from './calculation.messages';
import { Calculation } from './calculation.service';
import { History } from './history';
import { Saving } from './saving.service';

/** One state of the open design. */
export interface DesignState {
  readonly design: Design;
  /** Grows with every change, undo and redo. */
  readonly version: number;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** The calculated alternatives, and whether they belong to the design on the screen. */
export interface ResultState {
  readonly alternatives: ReadonlyMap<string, AlternativeResult>;
  /** The design that the results belong to. */
  readonly design?: Design;
  readonly current: boolean;
  readonly duration: number;
  readonly failure?: string;
}

const nothingYet: ResultState = { alternatives: new Map(), current: false, duration: 0 };

/** The open design: its states, its results, and which alternative is looked at. */
@Injectable()
export class DesignWorkspace {
  private readonly calculation = inject(Calculation);
  private readonly saving = inject(Saving);
  private history: History<Design> | undefined;
  private version = 0;
  private readonly sent = new Map<number, Design>();
  private readonly stateSubject = new BehaviorSubject<DesignState | undefined>(undefined);
  private readonly selectedSubject = new BehaviorSubject<string>('');

  readonly state$ = this.stateSubject.asObservable();
  readonly results$ = combineLatest([this.state$, this.calculation.state$]).pipe(
    map(([state, { answer, failure }]): ResultState => {
      const design = answer && this.sent.get(answer.version);
      return {
        alternatives: new Map(answer?.alternatives.map((a) => [a.id, a])),
        ...(design ? { design } : {}),
        current: failure === undefined && answer?.version === state?.version,
        duration: answer?.duration ?? 0,
        ...(failure === undefined ? {} : { failure }),
      };
    }),
  );

  /** The design on the screen. */
  readonly state = toSignal(this.state$);
  readonly results: Signal<ResultState> = toSignal(this.results$, { initialValue: nothingYet });
  /** Id of the alternative that is looked at. */
  readonly selected = toSignal(this.selectedSubject.pipe(distinctUntilChanged()), { initialValue: '' });
  readonly savingState = toSignal(this.saving.state$, { requireSync: true });
  id = '';

  /** Opens a design as the server has it. */
  open(id: string, revision: number, design: Design): void {
    this.id = id;
    this.history = new History(design);
    this.saving.begin(id, revision, design);
    this.select(design.reference);
    this.publish();
  }

  /** Changes the design by a function of the core; changes of one `gesture` undo together. */
  apply(change: (design: Design) => Design, gesture?: string): void {
    if (!this.history) return;
    const before = this.history.current;
    this.history.push(change(before), gesture);
    if (this.history.current === before) return;
    this.publish();
    this.saving.changed(this.history.current);
  }

  endGesture(): void {
    this.history?.endGesture();
  }

  undo(): void {
    this.step((history) => history.undo());
  }

  redo(): void {
    this.step((history) => history.redo());
  }

  select(alternative: string): void {
    this.selectedSubject.next(alternative);
  }

  /** The alternative that is looked at; the first one if the selected one is gone. */
  selectedAlternative(design: Design): Alternative {
    return design.alternatives.find((a) => a.id === this.selected()) ?? design.alternatives[0]!;
  }

  private step(move: (history: History<Design>) => void): void {
    if (!this.history) return;
    const before = this.history.current;
    move(this.history);
    if (this.history.current === before) return;
    this.publish();
    this.saving.changed(this.history.current);
  }

  private publish(): void {
    const history = this.history!;
    const design = history.current;
    this.version++;
    this.sent.set(this.version, design);
    for (const version of this.sent.keys()) if (version < this.version - 200) this.sent.delete(version);
    if (!design.alternatives.some((a) => a.id === this.selectedSubject.value))
      this.select(design.alternatives[0]!.id);
    this.stateSubject.next({
      design,
      version: this.version,
      canUndo: history.canUndo,
      canRedo: history.canRedo,
    });
    this.calculation.request(this.version, design);
  }
}
