import { Injectable, inject, type OnDestroy } from '@angular/core';
import type { Design, Questions } from '@hashira/core';
import { BehaviorSubject, Subject, interval, switchMap, timer } from 'rxjs';
import type { CalculationState } from './calculation-state';
import {
  AFTER_PICTURE,
  CALCULATION_WORKER,
  POOL_SIZE,
  SHARED_SIGNS,
  THREADS_TO_SPARE,
} from './calculation-tokens';
import { carriedOver } from './worker/carried-over';
import type { Show, WorkDone, WorkerAnswer } from './protocol';
import {
  nothingScheduled,
  schedule,
  type SchedulerAction,
  type SchedulerEvent,
  type SchedulerState,
  type Sent,
} from './scheduler';
import { WorkerPool, type PoolEvent } from './worker-pool';
import { longestSilence, lookEvery, WorkerWatch } from './worker-watch';

/** What is known of an alternative: a summary, a drawing, or both. */
type Told = Extract<WorkerAnswer, { kind: 'summary' | 'scene' }>;

/**
 * Calculates the design in a pool of workers: `schedule` says what goes to which worker and when, the pool sends it, and what comes back is
 * gathered here. Results stay in the workers and are asked about.
 */
@Injectable()
export class Calculation implements OnDestroy {
  private readonly size = inject(POOL_SIZE);
  private readonly spare = inject(THREADS_TO_SPARE);
  private readonly afterPicture = inject(AFTER_PICTURE);
  private readonly signs = inject(SHARED_SIGNS);
  private readonly pool = new WorkerPool(inject(CALCULATION_WORKER), this.signs);
  private readonly subject = new BehaviorSubject<CalculationState>({ alternatives: new Map(), version: 0 });
  private readonly working = new BehaviorSubject<WorkDone | undefined>(undefined);
  private readonly patience = new Subject<number>();
  private readonly watch = new WorkerWatch();
  private readonly asked = new Map<number, { worker: number; resolve: (answer: unknown) => void }>();
  private scheduled: SchedulerState = nothingScheduled;
  private show: Show = { result: '', diagram: 'none' };
  private lastAsked = 0;
  private lastLooked = performance.now();
  /** Nothing is calculated any more: a worker broke, or the page has been left. */
  private ended = false;
  /** Workers wait until what they told is on the page. */
  private holding = false;

  readonly state$ = this.subject.asObservable();
  /** How far work is that takes over a second. */
  readonly progress$ = this.working.asObservable();

  private readonly subscriptions = [
    this.pool.events$.subscribe((event) => this.onEvent(event)),
    this.patience
      .pipe(switchMap((wait) => timer(wait)))
      .subscribe(() => this.dispatch({ kind: 'patience ended' })),
    interval(lookEvery).subscribe(() => this.giveUpSilent()),
  ];

  constructor() {
    // Code is read while the design is on its way; where threads are scarce the first picture does not wait for all of it
    for (let number = 0; number < (this.spare ? this.size : 1); number++) this.pool.begin(number);
  }

  /** Asks for a state of the design; `selected` is calculated first. */
  request(version: number, design: Design, selected: string): void {
    this.dispatch({ kind: 'wanted', wanted: { version, design, selected } });
  }

  /** Chooses what drawings show; they are drawn anew. */
  setShow(show: Show): void {
    if (JSON.stringify(show) === JSON.stringify(this.show)) return;
    this.show = show;
    if (this.scheduled.sent) this.pool.postToAll({ kind: 'show', show });
  }

  /** Asks about an alternative's results; undefined where it has none. */
  ask<Q extends keyof Questions>(
    alternative: string,
    question: Q,
    ask: Questions[Q]['ask'],
  ): Promise<Questions[Q]['answer'] | undefined> {
    const worker = this.scheduled.workerOf.get(alternative) ?? -1;
    if (this.ended || !this.pool.begun.has(worker)) return Promise.resolve(undefined);
    const id = ++this.lastAsked;
    this.watch.owes(worker, answerOf(id));
    this.pool.post(worker, { kind: 'ask', id, alternative, question, ask });
    return new Promise((resolve) => this.asked.set(id, { worker, resolve: resolve }));
  }

  /** Stops what is being calculated; what is on the screen stays, and is said to be outdated. */
  stop(): void {
    if (!this.scheduled.sent || this.ended) return;
    for (const worker of this.pool.begun) this.dismiss(worker);
    this.fail('The calculation was stopped. Change the design, or calculate it again.');
  }

  /** Calculates again what was stopped or given up. */
  again(): void {
    const { sent } = this.scheduled;
    if (sent) this.request(sent.version, sent.design, sent.selected);
  }

  ngOnDestroy(): void {
    this.end();
    for (const one of this.subscriptions) one.unsubscribe();
  }

  /** Nothing goes out any more: what waits for a picture neither. */
  private end(): void {
    this.ended = true;
    this.pool.end();
  }

  private dispatch(event: SchedulerEvent): void {
    if (this.ended) return;
    const { size, spare, pool } = this;
    const next = schedule(this.scheduled, event, { size, spare, begun: pool.begun }, performance.now());
    this.scheduled = next.state;
    for (const action of next.actions) this.perform(action);
  }

  private perform(action: SchedulerAction): void {
    switch (action.kind) {
      case 'begin':
        this.begin(action.sent);
        return;
      case 'calculate': {
        const { sent, assignment } = action;
        const { version, design, selected, checksFirst } = sent;
        const { worker, alternatives } = assignment;
        this.watch.owes(worker, calculation);
        const { show } = this;
        this.pool.post(worker, {
          kind: 'calculate',
          version,
          design,
          alternatives,
          selected,
          checksFirst,
          show,
        });
        return;
      }
      case 'await painting':
        this.afterPicture(() => this.dispatch({ kind: 'painted', version: action.version }));
        return;
      case 'await patience':
        this.patience.next(action.for);
    }
  }

  private begin({ version }: Sent): void {
    this.signs?.setNewest(version);
    this.working.next(undefined);
    if (this.subject.value.failure === undefined) return;
    const { failure: _, ...state } = this.subject.value;
    this.subject.next(state);
  }

  private onEvent(event: PoolEvent): void {
    if (event.kind === 'broken') this.onBroken(event.reason);
    else this.onAnswer(event.worker, event.answer);
  }

  private onAnswer(worker: number, answer: WorkerAnswer): void {
    this.watch.heard(worker);
    if (answer.kind === 'answer') {
      this.watch.given(worker, answerOf(answer.id));
      this.asked.get(answer.id)?.resolve(answer.answer);
      this.asked.delete(answer.id);
      return;
    }
    const { sent } = this.scheduled;
    if (answer.version !== sent?.version) return;
    if (answer.kind === 'progress') {
      this.working.next(answer);
      return;
    }
    if (answer.kind === 'done' || answer.kind === 'broken') this.onEnd(worker);
    if (answer.kind === 'done') return;
    this.holdForPainting();
    // One state cannot be calculated; the next one is tried anew
    if (answer.kind === 'broken')
      this.fail(
        `This state of the design could not be calculated (${answer.reason}). Undo the last change; nothing that was saved is lost.`,
      );
    else this.onTold(answer, sent);
  }

  /** A worker has nothing more to calculate of what it was sent. */
  private onEnd(worker: number): void {
    this.watch.given(worker, calculation);
    const told = this.working.value?.alternative;
    if (told !== undefined && this.scheduled.workerOf.get(told) === worker) this.working.next(undefined);
  }

  private onTold(answer: Told, { version, design }: Sent): void {
    const state = this.subject.value;
    const id = answer.kind === 'summary' ? answer.summary.id : answer.alternative;
    const known = state.alternatives.get(id);
    const summary = answer.kind === 'summary' ? carriedOver(answer.summary, known?.summary) : known?.summary;
    if (!summary) return;
    // A frame that cannot be calculated leaves the last good drawing on the sheet
    const scene = answer.scene ?? known?.scene;
    const alternatives = new Map(
      [...state.alternatives].filter(([one]) => design.alternatives.some((a) => a.id === one)),
    );
    alternatives.set(id, { version, summary, ...(scene ? { scene } : {}) });
    const { stage } = summary;
    const before = this.scheduled.sent;
    const event: SchedulerEvent = {
      kind: 'told',
      version,
      alternative: id,
      stage: stage === 'frame' || stage === 'forces' ? stage : 'later',
      shownFirst: answer.kind === 'summary' && answer.shownFirst === true,
      checksFollow: answer.kind === 'summary' && answer.checksFollow === true,
    };
    const allAnswered = [...(before?.unanswered ?? [])].every((one) => one === id && stage !== 'frame');
    this.subject.next({ ...state, alternatives, version: allAnswered ? version : state.version });
    this.dispatch(event);
  }

  /** The page has something to paint: where threads are scarce the workers wait for it. */
  private holdForPainting(): void {
    if (this.spare || this.holding || !this.signs) return;
    this.holding = true;
    this.signs.hold();
    this.afterPicture(() => {
      this.holding = false;
      this.signs!.release();
    });
  }

  /** Gives up workers that owe something and say nothing any more. */
  private giveUpSilent(): void {
    const now = performance.now();
    const silent = this.watch.look(now - this.lastLooked);
    this.lastLooked = now;
    const { sent, workerOf } = this.scheduled;
    for (const worker of silent) {
      const titles = (sent?.design.alternatives ?? [])
        .filter(({ id }) => workerOf.get(id) === worker)
        .map(({ title }) => `"${title}"`);
      this.dismiss(worker);
      if (sent)
        this.fail(
          `The calculation of ${titles.join(', ')} gave no sign for ${longestSilence / 1000} s and was given up. ` +
            'Undo the last change, or calculate again; nothing that was saved is lost.',
        );
    }
  }

  private dismiss(worker: number): void {
    this.pool.dismiss(worker);
    this.watch.forget(worker);
    for (const [id, one] of this.asked) {
      if (one.worker !== worker) continue;
      this.asked.delete(id);
      one.resolve(undefined);
    }
  }

  private fail(failure: string): void {
    this.working.next(undefined);
    this.subject.next({ ...this.subject.value, failure });
    this.dispatch({ kind: 'given up' });
  }

  /** A worker that breaks is said once and not started again for ever: the page can be loaded anew. */
  private onBroken(reason: string): void {
    if (this.ended) return;
    this.end();
    for (const { resolve } of this.asked.values()) resolve(undefined);
    this.asked.clear();
    this.subject.next({
      ...this.subject.value,
      failure: `The calculation stopped unexpectedly (${reason}). Reload the page; what was saved is safe.`,
    });
  }
}

/** What a worker owes: the design that it was sent last, or the answer to a question. */
const calculation = 'calculation';
const answerOf = (id: number) => `answer ${id}`;
