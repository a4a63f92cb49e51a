import { Elimination, type PanelStructure, type Team } from './elimination.js';
import { sharedArena, type WasmMemory } from './kernels.js';
import type { Arena } from './kernels-types.js';
import type { Layout } from './layout.js';

/** Threads beside the caller's own that a platform gives for large factorizations. */
export interface Helpers {
  /** How many there are at most. */
  readonly count: number;
  /** Multiplications and additions from which on a factorization is worth their start. */
  readonly worth: number;
  /** Sends a job to each of them, which hands it to `helpFactorize`; returns at once. */
  send(job: FactorizationJob): void;
}

/** A factorization that several threads do together. Plain data and shared memory: it can be sent between threads. */
export interface FactorizationJob {
  readonly memory: WasmMemory;
  readonly structure: Omit<PanelStructure, 'rows'> & { readonly rowCount: number };
  readonly layout: Layout;
  readonly plan: ThreadPlan;
  /** {@link Control}. */
  readonly control: Int32Array;
}

/** What each thread does alone, and what all do together. */
export interface ThreadPlan {
  /** Panels from … to − 1 of subtrees of the elimination tree that do not touch one another, the longest first. */
  readonly tasks: readonly (readonly [from: number, to: number])[];
  /** The panels above them, in order. */
  readonly top: Int32Array;
}

/** Places in the control words that the threads share. */
const Control = {
  /** Helpers that have joined; from `closed` on nobody may. */
  joined: 0,
  /** Tasks taken. */
  taken: 1,
  /** Threads at the meeting place, and how many meetings there were. */
  waiting: 2,
  meetings: 3,
  /** Threads that take part, once it is known. */
  parts: 4,
  /** Set when the work is given up. */
  stopped: 5,
  /** Operations done, in millions. */
  done: 6,
  /** Suspicious pivots found by each thread, from here on. */
  found: 8,
} as const;

const closed = 1 << 20;
/** A thread that waits longer than this for another has lost it. ms */
const lost = 120_000;

export const makeControl = (threads: number): Int32Array =>
  new Int32Array(new SharedArrayBuffer(4 * (Control.found + threads)));

/** Thrown in a thread when another gave the work up. */
class Stopped extends Error {}

let current: Helpers | undefined;

/** Tells which helpers large factorizations may use; none without it. */
export function useHelpers(helpers: Helpers | undefined): void {
  current = helpers;
}

export const availableHelpers = (): Helpers | undefined => current;

/** Subtrees hold at most this share of the work of one thread, so that the last of them keeps nobody waiting long. */
const taskShare = 1 / 6;

/** Divides the elimination tree among threads. */
export function planThreads(structure: PanelStructure, threads: number): ThreadPlan {
  const { superStart, rowStart, rows, unknowns } = structure;
  const panels = superStart.length - 1;
  const panelOf = new Int32Array(unknowns);
  for (let s = 0; s < panels; s++) panelOf.fill(s, superStart[s], superStart[s + 1]);
  const parent = new Int32Array(panels).fill(-1);
  const first = Int32Array.from({ length: panels }, (_, s) => s);
  const work = new Float64Array(panels);
  for (let s = 0; s < panels; s++) {
    const width = superStart[s + 1]! - superStart[s]!;
    const count = rowStart[s + 1]! - rowStart[s]!;
    for (let j = 0; j < width; j++) work[s]! += (count - j) ** 2;
    if (count > width) parent[s] = panelOf[rows[rowStart[s]! + width]!]!;
    // Panels are in postorder: a subtree is all of them from its first one on
    const up = parent[s]!;
    if (up >= 0) {
      work[up]! += work[s]!;
      first[up] = Math.min(first[up]!, first[s]!);
    }
  }
  let all = 0;
  for (let s = 0; s < panels; s++) if (parent[s] === -1) all += work[s]!;
  const limit = (all / threads) * taskShare;
  const tasks: { from: number; to: number; work: number }[] = [];
  const top: number[] = [];
  for (let s = panels - 1; s >= 0;)
    if (work[s]! > limit) top.push(s--);
    else {
      tasks.push({ from: first[s]!, to: s + 1, work: work[s]! });
      s = first[s]! - 1;
    }
  tasks.sort((a, b) => b.work - a.work);
  return { tasks: tasks.map(({ from, to }) => [from, to]), top: Int32Array.from(top.reverse()) };
}

/** One thread's part in a job. */
class Share {
  private readonly elimination: Elimination;

  constructor(
    private readonly job: FactorizationJob,
    private readonly structure: PanelStructure,
    arena: Arena,
    private readonly index: number,
  ) {
    const { layout } = job;
    this.elimination = new Elimination(structure, arena, layout, layout.scratch[index]!);
  }

  /** Takes subtrees until none is left. */
  alone(report?: () => void): void {
    const { control, plan } = this.job;
    for (;;) {
      const next = Atomics.add(control, Control.taken, 1);
      if (next >= plan.tasks.length) return;
      const [from, to] = plan.tasks[next]!;
      for (let s = from; s < to; s++) {
        this.tell(this.elimination.panel(s));
        if (Atomics.load(control, Control.stopped)) throw new Stopped();
      }
      report?.();
    }
  }

  /** The panels on top, each by all threads. */
  together(parts: number, report?: () => void): void {
    const { control, plan, layout } = this.job;
    const team: Team = {
      part: this.index,
      parts,
      leaderWork: layout.scratch[0]!.work,
      meet: () => meet(control, parts),
    };
    team.meet();
    const { rowStart, rows, superStart } = this.structure;
    this.elimination.clear(plan.top);
    for (const [from, to] of plan.tasks) {
      // What lies beyond a subtree's own columns is on top
      const beyond = superStart[to]!;
      for (let d = from; d < to; d++) {
        let row = rowStart[d]!;
        while (row < rowStart[d + 1]! && rows[row]! < beyond) row++;
        this.elimination.hang(d, row - rowStart[d]!);
      }
    }
    for (const s of plan.top) {
      this.tell(this.elimination.panel(s, team));
      report?.();
    }
    Atomics.store(control, Control.found + this.index, this.elimination.found);
    team.meet();
  }

  private pending = 0;

  private tell(operations: number): void {
    this.pending += operations / 1e6;
    if (this.pending < 1) return;
    const whole = Math.floor(this.pending);
    Atomics.add(this.job.control, Control.done, whole);
    this.pending -= whole;
  }
}

/** Waits until all threads have come. */
function meet(control: Int32Array, parts: number): void {
  if (Atomics.load(control, Control.stopped)) throw new Stopped();
  if (parts === 1) return;
  const before = Atomics.load(control, Control.meetings);
  if (Atomics.add(control, Control.waiting, 1) === parts - 1) {
    Atomics.store(control, Control.waiting, 0);
    Atomics.add(control, Control.meetings, 1);
    Atomics.notify(control, Control.meetings);
  } else {
    // The others are mostly near: look for a while before sleeping
    for (let i = 0; i < 5000; i++) if (Atomics.load(control, Control.meetings) !== before) break;
    while (Atomics.load(control, Control.meetings) === before)
      if (Atomics.wait(control, Control.meetings, before, lost) === 'timed-out')
        throw new Error('A thread of the factorization does not answer any more.');
  }
  if (Atomics.load(control, Control.stopped)) throw new Stopped();
}

function stop(control: Int32Array): void {
  Atomics.store(control, Control.stopped, 1);
  Atomics.add(control, Control.meetings, 1);
  Atomics.notify(control, Control.meetings);
  Atomics.notify(control, Control.parts);
}

/**
 * Factors with the helpers that come in time. Blocks its thread, so not for the main thread of a browser.
 *
 * @param step called now and then with the operations done, in millions; throws to stop the work
 * @returns how many suspicious pivots each thread wrote to its list
 */
export function factorizeTogether(
  job: FactorizationJob,
  structure: PanelStructure,
  arena: Arena,
  step?: (millions: number) => void,
): Int32Array {
  const { control, layout } = job;
  const report = step && (() => step(Atomics.load(control, Control.done)));
  try {
    const leader = new Share(job, structure, arena, 0);
    leader.alone(report);
    const helpers = Math.min(layout.scratch.length - 1, Atomics.or(control, Control.joined, closed));
    Atomics.store(control, Control.parts, helpers + 1);
    Atomics.notify(control, Control.parts);
    leader.together(helpers + 1, report);
  } catch (error) {
    stop(control);
    throw error instanceof Stopped
      ? new Error('A helper thread failed in the factorization.', { cause: error })
      : error;
  }
  return control.slice(Control.found, Control.found + layout.scratch.length);
}

/** What a helper does with a job that it was sent: its share, unless it comes too late. */
export function helpFactorize(job: FactorizationJob): void {
  const { control, layout } = job;
  if (Atomics.load(control, Control.joined) >= layout.scratch.length - 1) return;
  // Before it has joined nobody counts on it: what fails here harms no one
  const arena = sharedArena(job.memory, layout.numbers, layout.integers);
  const rows = arena.integers.subarray(0, job.structure.rowCount);
  let index: number;
  for (;;) {
    const joined = Atomics.load(control, Control.joined);
    if (joined >= layout.scratch.length - 1) return;
    if (Atomics.compareExchange(control, Control.joined, joined, joined + 1) === joined) {
      index = joined + 1;
      break;
    }
  }
  try {
    const helper = new Share(job, { ...job.structure, rows }, arena, index);
    helper.alone();
    while (Atomics.load(control, Control.parts) === 0) {
      if (Atomics.load(control, Control.stopped)) return;
      Atomics.wait(control, Control.parts, 0, lost);
    }
    helper.together(Atomics.load(control, Control.parts));
  } catch (error) {
    if (error instanceof Stopped) return;
    stop(control);
    throw error;
  }
}
