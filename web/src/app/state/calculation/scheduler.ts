import type { Design } from '@hashira/core';

/** How long what waits for what, ms. */
export const pace = {
  /** While a hand drags, all checks are waited for as often as this … */
  checkedEvery: 300,
  /** … and so long before the next design is sent. */
  patience: 60,
  /** While a hand drags a frame whose forces take long, the selected alternative's numbers are waited for as often as this … */
  answeredEvery: 400,
  /** … and those of all alternatives as often as this; pictures follow the hand. */
  allAnsweredEvery: 1000,
  /** Where threads are scarce, a frame whose forces take longer is on the page before its other alternatives begin. */
  quick: 12,
} as const;

/** A state of the design that is to be calculated. */
export interface Wanted {
  readonly version: number;
  readonly design: Design;
  /** The alternative on the stage. */
  readonly selected: string;
}

/** What one worker is to calculate of a state. */
export interface Assignment {
  readonly worker: number;
  readonly alternatives: readonly string[];
}

/** A state that is being calculated. */
export interface Sent extends Wanted {
  /** Alternatives without forces, and without checks. */
  readonly unanswered: ReadonlySet<string>;
  readonly unchecked: ReadonlySet<string>;
  readonly since: number;
  /** What is shown of the selected alternative was drawn before the others answered. */
  readonly pictured: boolean;
  /** Something of what is shown has come. */
  readonly answered: boolean;
  /** A large frame on the stage is checked before the other alternatives begin. */
  readonly checksFirst: boolean;
  /** What waits until what is shown is on the page. */
  readonly deferred: readonly Assignment[];
}

export interface SchedulerState {
  readonly sent?: Sent;
  /** The latest design; older ones that were not sent are left out. */
  readonly waiting?: Wanted;
  /** The number, in the design, of the alternative that the first worker has. */
  readonly offset?: number;
  /** Which worker has which alternative. */
  readonly workerOf: ReadonlyMap<string, number>;
  /** When all alternatives were last checked, or the checks were given up for newer numbers. */
  readonly lastChecked: number;
  /** Since when not all alternatives have answered, and since when not even the selected one has. */
  readonly behindSince: number;
  readonly selectedBehindSince: number;
  /** What was shown last took long to be calculated. */
  readonly slow: boolean;
}

export const nothingScheduled: SchedulerState = {
  workerOf: new Map(),
  lastChecked: -Infinity,
  behindSince: -Infinity,
  selectedBehindSince: -Infinity,
  slow: true,
};

/** The machine's workers. */
export interface Pool {
  readonly size: number;
  /** There are threads for all workers beside the page and its painting. */
  readonly spare: boolean;
  /** Workers that have begun. */
  readonly begun: ReadonlySet<number>;
}

export type SchedulerEvent =
  | { readonly kind: 'wanted'; readonly wanted: Wanted }
  /** A worker has told what is known of an alternative of the state that was sent. */
  | {
      readonly kind: 'told';
      readonly version: number;
      readonly alternative: string;
      readonly stage: 'frame' | 'forces' | 'later';
      /** Its forces of what is shown are there, and no others. */
      readonly shownFirst: boolean;
      /** Its checks come next, before anything of the other alternatives. */
      readonly checksFollow: boolean;
    }
  /** What is shown of a state is on the page. */
  | { readonly kind: 'painted'; readonly version: number }
  /** The time that checks were waited for has passed. */
  | { readonly kind: 'patience ended' }
  /** The state that was sent cannot be calculated, or was stopped. */
  | { readonly kind: 'given up' };

export type SchedulerAction =
  /** A new state is calculated: what is of older ones is overtaken. */
  | { readonly kind: 'begin'; readonly sent: Sent }
  | { readonly kind: 'calculate'; readonly sent: Sent; readonly assignment: Assignment }
  /** Tell when what is shown is on the page. */
  | { readonly kind: 'await painting'; readonly version: number }
  /** Tell when so much time has passed, ms. */
  | { readonly kind: 'await patience'; readonly for: number };

export interface Scheduled {
  readonly state: SchedulerState;
  readonly actions: readonly SchedulerAction[];
}

/** What is to be done when something has happened: plain data in, plain data out. `now` in ms. */
export function schedule(state: SchedulerState, event: SchedulerEvent, pool: Pool, now: number): Scheduled {
  switch (event.kind) {
    case 'wanted':
      return sendNext({ ...state, waiting: event.wanted }, pool, now);
    case 'patience ended':
      return sendNext(state, pool, now);
    case 'painted':
      return release(state, event.version);
    case 'given up': {
      const { sent } = state;
      if (!sent) return { state, actions: [] };
      const over = { ...sent, unanswered: new Set<string>(), unchecked: new Set<string>(), deferred: [] };
      return sendNext({ ...state, sent: over }, pool, now);
    }
    case 'told':
      return told(state, event, pool, now);
  }
}

function release(state: SchedulerState, version: number): Scheduled {
  const { sent } = state;
  if (sent?.version !== version) return { state, actions: [] };
  return {
    state: { ...state, sent: { ...sent, deferred: [] } },
    actions: sent.deferred.map((assignment) => ({ kind: 'calculate', sent, assignment })),
  };
}

function told(
  state: SchedulerState,
  event: Extract<SchedulerEvent, { kind: 'told' }>,
  pool: Pool,
  now: number,
): Scheduled {
  if (state.sent?.version !== event.version) return { state, actions: [] };
  const { alternative, stage } = event;
  const actions: SchedulerAction[] = [];
  let { slow, lastChecked } = state;
  let sent = state.sent;
  const isSelected = alternative === sent.selected;
  if (isSelected && event.shownFirst) sent = { ...sent, pictured: true };
  if (isSelected && (sent.pictured || stage !== 'frame')) {
    if (!sent.answered) slow = now - sent.since > pace.quick;
    sent = { ...sent, answered: true };
    // The other workers begin when it is on the page, unless its checks are to have the machine alone
    if (sent.deferred.length > 0 && !event.checksFollow)
      actions.push({ kind: 'await painting', version: sent.version });
  }
  if (stage !== 'frame') sent = { ...sent, unanswered: without(sent.unanswered, alternative) };
  if (stage === 'later') {
    sent = { ...sent, unchecked: without(sent.unchecked, alternative) };
    if (sent.unchecked.size === 0) lastChecked = now;
  }
  const next = sendNext({ ...state, sent, slow, lastChecked }, pool, now);
  return { state: next.state, actions: [...actions, ...next.actions] };
}

const without = (set: ReadonlySet<string>, one: string): ReadonlySet<string> =>
  set.has(one) ? new Set([...set].filter((other) => other !== one)) : set;

/** Sends the latest design if what was sent before is far enough. */
function sendNext(state: SchedulerState, pool: Pool, now: number): Scheduled {
  const { waiting, sent } = state;
  if (!waiting) return { state, actions: [] };
  if (!sent) return distribute(state, waiting, pool, now);
  if (!numbersAllow(state, sent, now)) return { state, actions: [] };
  if (sent.unanswered.size > 0 || sent.unchecked.size === 0) return distribute(state, waiting, pool, now);
  const late = now - sent.since;
  if (late < pace.patience && now - state.lastChecked >= pace.checkedEvery)
    return { state, actions: [{ kind: 'await patience', for: pace.patience - late }] };
  const lastChecked = late >= pace.patience ? now : state.lastChecked;
  return distribute({ ...state, lastChecked }, waiting, pool, now);
}

/** Whether a newer design may go out although some numbers are wanting. */
function numbersAllow(state: SchedulerState, { unanswered, pictured, selected }: Sent, now: number): boolean {
  if (unanswered.has(selected) && !(pictured && now - state.selectedBehindSince < pace.answeredEvery))
    return false;
  return unanswered.size === 0 || (state.slow && now - state.behindSince < pace.allAnsweredEvery);
}

/** Deals the alternatives out to the workers, the selected one first; an alternative stays with its worker, whose code is warm for it. */
function distribute(state: SchedulerState, wanted: Wanted, pool: Pool, now: number): Scheduled {
  const { size, spare, begun } = pool;
  const ids = wanted.design.alternatives.map(({ id }) => id);
  const before = state.sent?.unanswered;
  const checksFirst = !before || before.size === 0;
  const offset = state.offset ?? (spare ? 0 : Math.max(0, ids.indexOf(wanted.selected)));
  const workerOf = new Map(state.workerOf);
  ids.forEach((id, i) => workerOf.set(id, (((i - offset) % size) + size) % size));
  const ordered = [
    ...ids.filter((id) => id === wanted.selected),
    ...ids.filter((id) => id !== wanted.selected),
  ];
  const assignments = Array.from({ length: size }, (_, worker) => ({
    worker,
    alternatives: ordered.filter((id) => workerOf.get(id) === worker),
  })).filter(({ worker, alternatives }) => alternatives.length > 0 || begun.has(worker));
  const isFirst = ({ alternatives }: Assignment) => alternatives.includes(wanted.selected);
  const atOnce =
    spare || !state.slow || !assignments.some(isFirst) ? assignments : assignments.filter(isFirst);
  const sent: Sent = {
    ...wanted,
    unanswered: new Set(ids),
    unchecked: new Set(ids),
    since: now,
    pictured: false,
    answered: false,
    checksFirst,
    deferred: assignments.filter((one) => !atOnce.includes(one)),
  };
  const { waiting: _, ...rest } = state;
  return {
    state: {
      ...rest,
      sent,
      offset,
      workerOf,
      behindSince: checksFirst ? now : state.behindSince,
      selectedBehindSince: before?.has(state.sent!.selected) ? state.selectedBehindSince : now,
    },
    actions: [
      { kind: 'begin', sent },
      ...atOnce.map((assignment): SchedulerAction => ({ kind: 'calculate', sent, assignment })),
    ],
  };
}
