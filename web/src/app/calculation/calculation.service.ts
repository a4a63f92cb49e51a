import { Injectable, InjectionToken, inject, type OnDestroy } from '@angular/core';
import type { AlternativeSummary, Design, DrawnScene } from '@hashira/core';
import { BehaviorSubject } from 'rxjs';
import { carriedOver } from './carried-over';
import type { Questions, Show, WorkerAnswer, WorkerRequest } from './protocol';

/** Makes a worker; tests put another in its place. */
export const CALCULATION_WORKER = new InjectionToken<() => Worker>('calculation worker', {
  providedIn: 'root',
  factory: () => () => new Worker(new URL('./calculation.worker', import.meta.url), { type: 'module' }),
});

/** How many workers share the alternatives: as many as the machine has threads for, two to four. */
export const POOL_SIZE = new InjectionToken<number>('size of the pool', {
  providedIn: 'root',
  factory: () => Math.min(4, Math.max(2, navigator.hardwareConcurrency || 2)),
});

/** What is known of one alternative, and of which state of the design. */
export interface KnownAlternative {
  readonly version: number;
  readonly summary: AlternativeSummary;
  readonly scene?: DrawnScene;
}

/** What is known of the numbers on the screen. */
export interface CalculationState {
  readonly alternatives: ReadonlyMap<string, KnownAlternative>;
  /** Latest version of which every alternative's forces are known. */
  readonly version: number;
  /** Why there can be no answer, in words. */
  readonly failure?: string;
}

interface Wanted {
  readonly version: number;
  readonly design: Design;
  readonly selected: string;
}

/** A design that is on its way: which alternatives have not answered, and which have not been checked. */
interface Sent extends Wanted {
  readonly unanswered: Set<string>;
  readonly unchecked: Set<string>;
  readonly since: number;
}

/** While a hand drags, checks are waited for as often as this, and so long, before the next design is sent, ms. */
const checkedEvery = 300;
const patience = 60;

/**
 * Shares the alternatives of a design over a pool of workers, the selected one first, and gathers what they tell. While they work only
 * the latest design waits. Results stay in the workers and are asked about.
 */
@Injectable()
export class Calculation implements OnDestroy {
  private readonly makeWorker = inject(CALCULATION_WORKER);
  private readonly size = inject(POOL_SIZE);
  private readonly subject = new BehaviorSubject<CalculationState>({ alternatives: new Map(), version: 0 });
  private workers: Worker[] | undefined;
  private readonly home = new Map<string, number>();
  private sent: Sent | undefined;
  private waiting: Wanted | undefined;
  private show: Show = { result: '', diagram: 'none' };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly asked = new Map<number, (answer: unknown) => void>();
  private lastAsked = 0;
  /** When all alternatives were last checked, or the checks were given up for newer numbers. */
  private lastChecked = -Infinity;
  private broken = false;
  /** The version of the newest design, for workers to see in the middle of their work; only a page apart from others may share memory. */
  private readonly newest = globalThis.crossOriginIsolated
    ? new Int32Array(new SharedArrayBuffer(4))
    : undefined;

  readonly state$ = this.subject.asObservable();

  /** Asks for a state of the design; `selected` is worked out first. */
  request(version: number, design: Design, selected: string): void {
    this.waiting = { version, design, selected };
    this.next();
  }

  /** Chooses what drawings show; they are drawn anew. */
  setShow(show: Show): void {
    if (JSON.stringify(show) === JSON.stringify(this.show)) return;
    this.show = show;
    if (this.sent) for (const worker of this.workers ?? []) post(worker, { kind: 'show', show });
  }

  /** Asks about an alternative's results; undefined where it has none. */
  ask<Q extends keyof Questions>(
    alternative: string,
    question: Q,
    ask: Questions[Q]['ask'],
  ): Promise<Questions[Q]['answer'] | undefined> {
    const worker = this.workers?.[this.home.get(alternative) ?? -1];
    if (!worker || this.broken) return Promise.resolve(undefined);
    const id = ++this.lastAsked;
    post(worker, { kind: 'ask', id, alternative, question, ask });
    return new Promise((resolve) => this.asked.set(id, resolve as (answer: unknown) => void));
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    for (const worker of this.workers ?? []) worker.terminate();
  }

  private next(): void {
    const wanted = this.waiting;
    if (!wanted || this.broken) return;
    if (this.sent) {
      const { unanswered, unchecked, since } = this.sent;
      const late = performance.now() - since;
      if (unanswered.size > 0) return;
      const hurried = performance.now() - this.lastChecked < checkedEvery;
      if (unchecked.size > 0 && !hurried && late < patience) {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.next(), patience - late);
        return;
      }
    }
    if (this.sent && this.sent.unchecked.size > 0 && performance.now() - this.sent.since >= patience)
      this.lastChecked = performance.now();
    this.waiting = undefined;
    this.distribute(wanted);
  }

  private distribute(wanted: Wanted): void {
    this.workers ??= Array.from({ length: this.size }, () => this.start());
    const ids = wanted.design.alternatives.map(({ id }) => id);
    const ordered = [
      ...ids.filter((id) => id === wanted.selected),
      ...ids.filter((id) => id !== wanted.selected),
    ];
    if (this.subject.value.failure !== undefined) {
      const { failure: _, ...state } = this.subject.value;
      this.subject.next(state);
    }
    this.sent = { ...wanted, unanswered: new Set(ids), unchecked: new Set(ids), since: performance.now() };
    if (this.newest) Atomics.store(this.newest, 0, wanted.version);
    // An alternative stays with its worker, whose code is warm for it
    ids.forEach((id, i) => this.home.set(id, i % this.size));
    this.workers.forEach((worker, k) => {
      const own = ordered.filter((id) => this.home.get(id) === k);
      post(worker, {
        kind: 'calculate',
        version: wanted.version,
        design: wanted.design,
        alternatives: own,
        show: this.show,
      });
    });
  }

  private start(): Worker {
    const worker = this.makeWorker();
    if (this.newest) post(worker, { kind: 'share', newest: this.newest });
    worker.onmessage = ({ data }: MessageEvent<WorkerAnswer>) => this.hear(data);
    worker.onerror = (event) => {
      event.preventDefault();
      this.fail(event.message || 'the worker could not be loaded');
    };
    return worker;
  }

  private hear(answer: WorkerAnswer): void {
    if (answer.kind === 'answer') {
      this.asked.get(answer.id)?.(answer.answer);
      this.asked.delete(answer.id);
      return;
    }
    if (answer.kind === 'done') return;
    const { sent } = this;
    if (answer.version !== sent?.version) return;
    if (answer.kind === 'broken') {
      this.giveUp(sent, answer.reason);
      return;
    }
    const { alternatives, version } = this.subject.value;
    const id = answer.kind === 'summary' ? answer.summary.id : answer.alternative;
    const known = alternatives.get(id);
    const summary = answer.kind === 'summary' ? carriedOver(answer.summary, known?.summary) : known?.summary;
    if (!summary) return;
    // A frame that cannot be calculated leaves the last good drawing on the sheet
    const scene = answer.scene ?? known?.scene;
    const next = new Map(
      [...alternatives].filter(([one]) => sent.design.alternatives.some((a) => a.id === one)),
    );
    next.set(id, { version: sent.version, summary, ...(scene ? { scene } : {}) });
    if (summary.stage !== 'frame') sent.unanswered.delete(id);
    if (summary.stage !== 'forces' && summary.stage !== 'frame') {
      sent.unchecked.delete(id);
      if (sent.unchecked.size === 0) this.lastChecked = performance.now();
    }
    const { failure } = this.subject.value;
    this.subject.next({
      alternatives: next,
      version: sent.unanswered.size === 0 ? sent.version : version,
      ...(failure === undefined ? {} : { failure }),
    });
    this.next();
  }

  /** One state cannot be worked out; the next one is tried anew. */
  private giveUp(sent: Sent, reason: string): void {
    sent.unanswered.clear();
    sent.unchecked.clear();
    const failure = `This state of the design could not be calculated (${reason}). Undo the last change; nothing that was saved is lost.`;
    this.subject.next({ ...this.subject.value, failure });
    this.next();
  }

  /** A worker that breaks is said once and not started again for ever: the page can be loaded anew. */
  private fail(reason: string): void {
    if (this.broken) return;
    this.broken = true;
    for (const worker of this.workers ?? []) worker.terminate();
    for (const resolve of this.asked.values()) resolve(undefined);
    this.asked.clear();
    this.subject.next({
      ...this.subject.value,
      failure: `The calculation stopped unexpectedly (${reason}). Reload the page; what was saved is safe.`,
    });
  }
}

function post(worker: Worker, request: WorkerRequest): void {
  worker.postMessage(request);
}
