import { Injectable, computed, inject, signal, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  duplicateAlternative,
  pickedOption,
  pickOption,
  changeShown,
  changeShownAlone,
  recordIntoOption,
  shownDesign,
  withOption,
  type Alternative,
  type Design,
} from '@hashira/core';
import { BehaviorSubject, combineLatest, distinctUntilChanged, map } from 'rxjs';
import type { KnownAlternative } from './calculation/calculation-state';
import { Calculation } from './calculation/calculation.service';
import { History } from './history';
import { Saving } from './saving/saving.service';

/** One state of the open design. */
export interface DesignState {
  readonly design: Design;
  /** Grows with every change, undo and redo. */
  readonly version: number;
  readonly canUndo: boolean;
  /** The state to which undo goes back. */
  readonly before?: Design;
  readonly canRedo: boolean;
}

/** What is known of the alternatives, and whether it belongs to the design on the screen. */
export interface ResultState {
  readonly alternatives: ReadonlyMap<string, KnownAlternative>;
  readonly current: boolean;
  readonly failure?: string;
}

const nothingYet: ResultState = { alternatives: new Map(), current: false };

/** The open design: its states, its results, and which alternative is looked at. */
@Injectable()
export class DesignWorkspace {
  private readonly calculation = inject(Calculation);
  private readonly saving = inject(Saving);
  private history: History<Design> | undefined;
  private version = 0;
  private preferred = '';
  private readonly stateSubject = new BehaviorSubject<DesignState | undefined>(undefined);
  private readonly selectedSubject = new BehaviorSubject<string>('');

  readonly state$ = this.stateSubject.asObservable();
  readonly results$ = combineLatest([this.state$, this.calculation.state$]).pipe(
    map(([state, { alternatives, version, failure }]): ResultState => ({
      alternatives,
      current: failure === undefined && version === state?.version,
      ...(failure === undefined ? {} : { failure }),
    })),
  );

  /** The design on the screen. */
  readonly state = toSignal(this.state$);
  readonly results: Signal<ResultState> = toSignal(this.results$, { initialValue: nothingYet });
  /** Id of the alternative that is looked at. */
  readonly selected = toSignal(this.selectedSubject.pipe(distinctUntilChanged()), { initialValue: '' });
  readonly savingState = toSignal(this.saving.state$, { requireSync: true });
  id = '';
  /** The option into which changes go, while one is recorded. */
  readonly recording = signal<{ readonly choice: string; readonly option: string } | undefined>(undefined);
  /** The design as leaves show and change it: with the option that is recorded, else as the shown alternative has it. */
  readonly edited = computed((): Design | undefined => {
    const design = this.state()?.design;
    return design && this.shownOf(design);
  });
  /** Whether changes reach all alternatives or the selected one alone. */
  readonly scope = signal<'all' | 'one'>('all');

  /** Opens a design as the server has it; `draft` is what was changed and never reached the server. */
  open(id: string, revision: number, design: Design, draft?: Design): void {
    this.id = id;
    this.history = new History(design);
    this.saving.begin(id, revision, design);
    const asked = design.alternatives.find(({ id: one }) => one === this.preferred);
    this.select(asked?.id ?? design.reference);
    this.publish();
    if (draft) this.replace(draft);
  }

  /** Puts a whole design in the place of this one: as it is, also while an option is recorded. */
  replace(design: Design, gesture?: string): void {
    this.push(() => design, gesture);
  }

  /**
   * Changes the design by a function of the core, which is given the design as it is edited, with the option that is recorded; what it
   * gives must be made of that one. Changes of one `gesture` undo together.
   */
  apply(change: (design: Design) => Design, gesture?: string): void {
    this.push((before) => this.recorded(before, change), gesture);
  }

  private push(change: (design: Design) => Design, gesture?: string): void {
    if (!this.history) return;
    const before = this.history.current;
    this.history.push(change(before), gesture);
    if (this.history.current === before) return;
    this.publish();
    this.saving.changed(this.history.current);
  }

  /** What an option can hold goes into the one that is recorded, or that holds it of the shown alternative; the rest changes the design. */
  private recorded(before: Design, change: (design: Design) => Design): Design {
    const into = this.recording();
    const seen = this.shownOf(before);
    const after = change(seen);
    if (after === seen) return before;
    const names = ({ parameters }: Design) => parameters.map(({ name }) => name).join(' ');
    // Names are the whole design's, and so is all that uses them
    if (names(after) !== names(before)) return change(before);
    if (!into) {
      const alternative = this.selectedAlternative(before);
      return this.scope() === 'one'
        ? changeShownAlone(before, alternative, after)
        : changeShown(before, alternative, after);
    }
    return recordIntoOption(before, after, into);
  }

  private shownOf(design: Design): Design {
    const into = this.recording();
    return into
      ? withOption(design, into.choice, into.option)
      : shownDesign(design, this.selectedAlternative(design));
  }

  /** Whether the alternative that is looked at picks the option that is recorded. */
  readonly recordingShown = computed((): boolean => {
    const design = this.state()?.design;
    const into = this.recording();
    if (!design || !into) return true;
    return pickedOption(design.choices, this.selectedAlternative(design), into.choice) === into.option;
  });

  /** Begins to record into an option, and shows an alternative that picks it: one that is there, else a copy of the shown one. */
  beginRecording(choice: string, option: string): void {
    this.recording.set({ choice, option });
    this.showRecorded();
  }

  /** Shows an alternative that picks the option that is recorded. */
  showRecorded(): void {
    const design = this.state()?.design;
    const into = this.recording();
    if (!design || !into || this.recordingShown()) return;
    const picking = design.alternatives.find(
      (one) => pickedOption(design.choices, one, into.choice) === into.option,
    );
    if (picking) {
      this.select(picking.id);
      return;
    }
    const title = design.choices
      .find(({ id }) => id === into.choice)!
      .options.find(({ id }) => id === into.option)!.title;
    const made = duplicateAlternative(design, this.selectedAlternative(design).id, title);
    this.replace(pickOption(made.design, made.id, into.choice, into.option));
    this.select(made.id);
  }

  endRecording(): void {
    this.recording.set(undefined);
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

  /** Which alternative to look at first when a design is opened. */
  prefer(alternative: string): void {
    this.preferred = alternative;
  }

  select(alternative: string): void {
    this.selectedSubject.next(alternative);
  }

  /** The alternative that is looked at; the first one if the selected one is gone. */
  selectedAlternative(design: Design): Alternative {
    return design.alternatives.find((a) => a.id === this.selected()) ?? design.alternatives[0]!;
  }

  /** Whether what is known of an alternative is not of the design on the screen. */
  isBehind(alternative: string): boolean {
    const { alternatives, failure } = this.results();
    return failure !== undefined || alternatives.get(alternative)?.version !== this.state()?.version;
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
    if (!design.alternatives.some((a) => a.id === this.selectedSubject.value))
      this.select(design.alternatives[0]!.id);
    this.stateSubject.next({
      design,
      version: this.version,
      canUndo: history.canUndo,
      ...(history.previous ? { before: history.previous } : {}),
      canRedo: history.canRedo,
    });
    this.calculation.request(this.version, design, this.selectedSubject.value);
  }
}
