import { Injectable, inject, type OnDestroy } from '@angular/core';
import type { Design, Questions } from '@hashira/core';
import { BehaviorSubject } from 'rxjs';
import {
  AFTER_PICTURE,
  CALCULATION_WORKER,
  POOL_SIZE,
  SHARED_SIGNS,
  THREADS_TO_SPARE,
} from './calculation-tokens';
import type { CalculationState } from './calculation-state';
import { carriedOver } from './carried-over';
import type { Show, WorkDone, WorkerAnswer, WorkerRequest } from './protocol';
import { longestSilence, lookEvery, WorkerWatch } from './worker-watch';

type Calculate = Extract<WorkerRequest, { kind: 'calculate' }>;

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
  /** Whether what is shown of the selected alternative was drawn before the others answered. */
  pictured: boolean;
  /** Whether anything of what is shown has come. */
  answered: boolean;
  /** Requests to workers that wait until what is shown is on the page. */
  held: readonly { readonly k: number; readonly request: Calculate }[];
}

/** While a hand drags, checks are waited for as often as this, and so long, before the next design is sent, ms. */
const checkedEvery = 300;
const patience = 60;
/**
 * While a hand drags a frame whose forces take long, pictures follow it; the selected alternative's numbers are waited for as often as
 * the first, those of all alternatives as often as the second, ms.
 */
const answeredEvery = 400;
const allAnsweredEvery = 1000;

/** A frame whose forces take longer than this has them on the page before its other alternatives begin, where threads are scarce, ms. */
const quick = 12;

/**
 * Shares the alternatives of a design over a pool of workers, the selected one first, and gathers what they tell. While they work only
 * the latest design waits. Results stay in the workers and are asked about.
 */
@Injectable()
export class Calculation implements OnDestroy {
  private readonly makeWorker = inject(CALCULATION_WORKER);
  private readonly size = inject(POOL_SIZE);
  private readonly spare = inject(THREADS_TO_SPARE);
  private readonly afterPicture = inject(AFTER_PICTURE);
  private readonly subject = new BehaviorSubject<CalculationState>({ alternatives: new Map(), version: 0 });
  /** Those that have begun, by number. */
  private readonly workers = new Map<number, Worker>();
  /** Which alternative the first worker has, by its number in the design. */
  private offset: number | undefined;
  private readonly home = new Map<string, number>();
  private sent: Sent | undefined;
  private waiting: Wanted | undefined;
  private show: Show = { result: '', diagram: 'none' };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly asked = new Map<number, { worker: number; resolve: (answer: unknown) => void }>();
  private lastAsked = 0;
  /** When all alternatives were last checked, or the checks were given up for newer numbers. */
  private lastChecked = -Infinity;
  /** Since when not all alternatives have answered, and since when not even the selected one has. */
  private behindSince = -Infinity;
  private ownBehindSince = -Infinity;
  /** Whether what was shown last took long to be worked out. */
  private slow = true;
  private broken = false;
  private readonly signs = inject(SHARED_SIGNS);
  /** Workers wait until what they told is on the page. */
  private holding = false;

  private readonly watch = new WorkerWatch();
  private lastLooked = performance.now();
  private readonly looking = setInterval(() => this.look(), lookEvery);
  private readonly working = new BehaviorSubject<WorkDone | undefined>(undefined);

  readonly state$ = this.subject.asObservable();
  /** How far work is that takes over a second. */
  readonly progress$ = this.working.asObservable();

  constructor() {
    // Code is read while the design is on its way; where threads are scarce the first picture does not wait for all of it
    for (let k = 0; k < (this.spare ? this.size : 1); k++) this.worker(k);
  }

  /** Asks for a state of the design; `selected` is worked out first. */
  request(version: number, design: Design, selected: string): void {
    this.waiting = { version, design, selected };
    this.next();
  }

  /** Chooses what drawings show; they are drawn anew. */
  setShow(show: Show): void {
    if (JSON.stringify(show) === JSON.stringify(this.show)) return;
    this.show = show;
    if (this.sent) for (const worker of this.workers.values()) post(worker, { kind: 'show', show });
  }

  /** Asks about an alternative's results; undefined where it has none. */
  ask<Q extends keyof Questions>(
    alternative: string,
    question: Q,
    ask: Questions[Q]['ask'],
  ): Promise<Questions[Q]['answer'] | undefined> {
    const k = this.home.get(alternative) ?? -1;
    const worker = this.workers.get(k);
    if (!worker || this.broken) return Promise.resolve(undefined);
    const id = ++this.lastAsked;
    this.watch.owes(k, answerOf(id));
    post(worker, { kind: 'ask', id, alternative, question, ask });
    return new Promise((resolve) =>
      this.asked.set(id, { worker: k, resolve: resolve as (answer: unknown) => void }),
    );
  }

  /** Stops what is being worked out; what is on the screen stays, and is said to be of an earlier state. */
  stop(): void {
    const { sent } = this;
    if (!sent || this.broken) return;
    for (const k of [...this.workers.keys()]) this.dismiss(k);
    this.failed(sent, 'The calculation was stopped. Change the design, or calculate it again.');
  }

  /** Works out again what was stopped or given up. */
  again(): void {
    const { sent } = this;
    if (sent) this.request(sent.version, sent.design, sent.selected);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    clearInterval(this.looking);
    this.end();
  }

  /** Nothing goes out any more: what waits for a picture neither. */
  private end(): void {
    this.sent = undefined;
    for (const worker of this.workers.values()) worker.terminate();
  }

  private next(): void {
    const wanted = this.waiting;
    if (!wanted || this.broken) return;
    if (this.sent && !this.mayFollow(this.sent)) return;
    this.waiting = undefined;
    this.distribute(wanted);
  }

  /** Whether a newer design may go out already; where only checks are wanting it is tried again when patience ends. */
  private mayFollow({ unanswered, unchecked, since, pictured, selected }: Sent): boolean {
    const now = performance.now();
    if (unanswered.has(selected) && !(pictured && now - this.ownBehindSince < answeredEvery)) return false;
    if (unanswered.size > 0) return this.slow && now - this.behindSince < allAnsweredEvery;
    if (unchecked.size === 0) return true;
    const late = now - since;
    if (late >= patience) this.lastChecked = now;
    else if (now - this.lastChecked >= checkedEvery) {
      clearTimeout(this.timer);
      this.timer = setTimeout(() => this.next(), patience - late);
      return false;
    }
    return true;
  }

  private distribute(wanted: Wanted): void {
    const ids = wanted.design.alternatives.map(({ id }) => id);
    const ordered = [
      ...ids.filter((id) => id === wanted.selected),
      ...ids.filter((id) => id !== wanted.selected),
    ];
    if (this.subject.value.failure !== undefined) {
      const { failure: _, ...state } = this.subject.value;
      this.subject.next(state);
    }
    const unanswered = this.sent?.unanswered;
    const checksFirst = !unanswered || unanswered.size === 0;
    if (checksFirst) this.behindSince = performance.now();
    if (!unanswered?.has(this.sent!.selected)) this.ownBehindSince = performance.now();
    this.sent = {
      ...wanted,
      unanswered: new Set(ids),
      unchecked: new Set(ids),
      since: performance.now(),
      pictured: false,
      answered: false,
      held: [],
    };
    this.signs?.setNewest(wanted.version);
    // An alternative stays with its worker, whose code is warm for it
    this.offset ??= this.spare ? 0 : Math.max(0, ids.indexOf(wanted.selected));
    const { size, offset } = this;
    ids.forEach((id, i) => this.home.set(id, (((i - offset) % size) + size) % size));
    const requests = Array.from({ length: size }, (_, k): Sent['held'][number] => {
      const alternatives = ordered.filter((id) => this.home.get(id) === k);
      const { version, design, selected } = wanted;
      const request: Calculate = {
        kind: 'calculate',
        version,
        design,
        alternatives,
        selected,
        checksFirst,
        show: this.show,
      };
      return { k, request };
    }).filter(({ k, request }) => request.alternatives.length > 0 || this.workers.has(k));
    const isFirst = ({ request }: Sent['held'][number]) => request.alternatives.includes(wanted.selected);
    const first = this.spare || !this.slow || !requests.some(isFirst) ? requests : requests.filter(isFirst);
    this.working.next(undefined);
    for (const { k, request } of first) this.calculate(k, request);
    this.sent.held = requests.filter((one) => !first.includes(one));
  }

  /** What is shown has come: when it is on the page the other workers begin, unless its checks are to have the machine alone. */
  private seen(sent: Sent, checksFollow: boolean): void {
    if (!sent.answered) this.slow = performance.now() - sent.since > quick;
    sent.answered = true;
    if (sent.held.length > 0 && !checksFollow) this.afterPicture(() => this.release(sent));
  }

  /** The page has something to paint: where threads are scarce the workers wait for it. */
  private giveWay(): void {
    if (this.spare || this.holding || !this.signs) return;
    this.holding = true;
    this.signs.hold();
    this.afterPicture(() => {
      this.holding = false;
      this.signs!.release();
    });
  }

  private release(sent: Sent): void {
    if (sent !== this.sent) return;
    for (const { k, request } of sent.held) this.calculate(k, { ...request, show: this.show });
    sent.held = [];
  }

  private calculate(k: number, request: Calculate): void {
    this.watch.owes(k, calculation);
    post(this.worker(k), request);
  }

  /** Gives up workers that say nothing any more. */
  private look(): void {
    const now = performance.now();
    const silent = this.watch.look(now - this.lastLooked);
    this.lastLooked = now;
    const { sent } = this;
    for (const k of silent) {
      const titles = (sent?.design.alternatives ?? [])
        .filter(({ id }) => this.home.get(id) === k)
        .map(({ title }) => `"${title}"`);
      this.dismiss(k);
      if (sent)
        this.failed(
          sent,
          `The calculation of ${titles.join(', ')} gave no sign for ${longestSilence / 1000} s and was given up. ` +
            'Undo the last change, or calculate again; nothing that was saved is lost.',
        );
    }
  }

  /** Ends a worker; another takes its place when something is asked of it. */
  private dismiss(k: number): void {
    this.workers.get(k)?.terminate();
    this.workers.delete(k);
    this.watch.forget(k);
    for (const [id, { worker, resolve }] of this.asked) {
      if (worker !== k) continue;
      this.asked.delete(id);
      resolve(undefined);
    }
  }

  /** The worker of a number, which begins when it is needed. */
  private worker(k: number): Worker {
    const known = this.workers.get(k);
    if (known) return known;
    const worker = this.makeWorker();
    this.workers.set(k, worker);
    if (this.signs) post(worker, { kind: 'share', memory: this.signs.memory });
    worker.onmessage = ({ data }: MessageEvent<WorkerAnswer>) => this.hear(k, data);
    worker.onerror = (event) => {
      event.preventDefault();
      this.fail(event.message || 'the worker could not be loaded');
    };
    return worker;
  }

  private hear(k: number, answer: WorkerAnswer): void {
    this.watch.heard(k);
    if (answer.kind === 'answer') {
      this.watch.given(k, answerOf(answer.id));
      this.asked.get(answer.id)?.resolve(answer.answer);
      this.asked.delete(answer.id);
      return;
    }
    const { sent } = this;
    if (answer.version !== sent?.version) return;
    if (answer.kind === 'done' || answer.kind === 'broken') {
      this.watch.given(k, calculation);
      if (
        this.working.value?.alternative !== undefined &&
        this.home.get(this.working.value.alternative) === k
      )
        this.working.next(undefined);
    }
    if (answer.kind === 'done') return;
    if (answer.kind === 'progress') {
      this.working.next(answer);
      return;
    }
    this.giveWay();
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
    if (answer.kind === 'summary' && answer.shownFirst && id === sent.selected) sent.pictured = true;
    if (id === sent.selected && (sent.pictured || summary.stage !== 'frame'))
      this.seen(sent, answer.kind === 'summary' && answer.checksFollow === true);
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
    this.failed(
      sent,
      `This state of the design could not be calculated (${reason}). Undo the last change; nothing that was saved is lost.`,
    );
  }

  private failed(sent: Sent, failure: string): void {
    sent.unanswered.clear();
    sent.unchecked.clear();
    sent.held = [];
    this.working.next(undefined);
    this.subject.next({ ...this.subject.value, failure });
    this.next();
  }

  /** A worker that breaks is said once and not started again for ever: the page can be loaded anew. */
  private fail(reason: string): void {
    if (this.broken) return;
    this.broken = true;
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

function post(worker: Worker, request: WorkerRequest): void {
  worker.postMessage(request);
}
