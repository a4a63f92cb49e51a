import type { Design } from '@hashira/core';
import { slipShed } from '../../testing/slip-shed';
import {
  nothingScheduled,
  pace,
  schedule,
  type Pool,
  type Scheduled,
  type SchedulerAction,
  type SchedulerEvent,
} from './scheduler';

const design = slipShed();
const ids = design.alternatives.map(({ id }) => id);
const wanted = (version: number, selected = 'fixed', of: Design = design): SchedulerEvent => ({
  kind: 'wanted',
  wanted: { version, design: of, selected },
});
const told = (
  version: number,
  alternative: string,
  stage: 'frame' | 'forces' | 'later' = 'later',
  more: { shownFirst?: boolean; checksFollow?: boolean } = {},
): SchedulerEvent => ({
  kind: 'told',
  version,
  alternative,
  stage,
  shownFirst: false,
  checksFollow: false,
  ...more,
});

/** Events one after the other, each at its time, ms; the actions of the last. */
function after(pool: Pool, ...events: readonly (readonly [now: number, event: SchedulerEvent])[]): Scheduled {
  let scheduled: Scheduled = { state: nothingScheduled, actions: [] };
  for (const [now, event] of events) scheduled = schedule(scheduled.state, event, pool, now);
  return scheduled;
}

const sentTo = (actions: readonly SchedulerAction[]) =>
  actions.flatMap((one) =>
    one.kind === 'calculate' ? [[one.assignment.worker, ...one.assignment.alternatives]] : [],
  );
const all = (now: number, version: number, stage?: 'forces' | 'later') =>
  ids.map((id) => [now, told(version, id, stage)] as const);

describe('the schedule of calculations', () => {
  const roomy: Pool = { size: 2, spare: true, begun: new Set([0, 1]) };
  const scarce: Pool = { size: 2, spare: false, begun: new Set([0]) };

  it('deals alternatives out by their place in the design, the selected one first', () => {
    const { actions } = after(roomy, [0, wanted(1, 'haunched')]);
    expect(actions[0]!.kind).toBe('begin');
    expect(sentTo(actions)).toEqual([
      [0, 'fixed', 'three-hinges'],
      [1, 'haunched', 'pinned'],
    ]);
  });

  it('keeps the latest design waiting until all have their forces', () => {
    const busy = after(roomy, [0, wanted(1)], [1, wanted(2)], [2, wanted(3)]);
    expect(busy.actions).toEqual([]);
    expect(busy.state.waiting!.version).toBe(3);
    const done = after(roomy, [0, wanted(1)], [1, wanted(2)], [2, wanted(3)], ...all(5, 1));
    expect(done.actions[0]).toEqual(
      jasmine.objectContaining({ kind: 'begin', sent: jasmine.objectContaining({ version: 3 }) }),
    );
    expect(done.state.waiting).toBeUndefined();
  });

  it('waits a little for checks, as often as the table says, and then goes on without them', () => {
    const waits = after(roomy, [0, wanted(1)], ...all(10, 1, 'forces'), [20, wanted(2)]);
    expect(waits.actions).toEqual([{ kind: 'await patience', for: pace.patience - 20 }]);
    const ended = schedule(waits.state, { kind: 'patience ended' }, roomy, pace.patience);
    expect(sentTo(ended.actions).length).toBe(2);
    // So soon after they were given up they are not waited for again
    const next = [...ids.map((id) => told(2, id, 'forces')), wanted(3)].reduce(
      (so, event) => schedule(so.state, event, roomy, pace.patience + 30),
      ended,
    );
    expect(sentTo(next.actions).length).toBe(2);
  });

  it('lets pictures of a slow frame go ahead of all numbers, for a time', () => {
    const pictured = [20, told(1, 'fixed', 'frame', { shownFirst: true })] as const;
    expect(sentTo(after(roomy, [0, wanted(1)], pictured, [50, wanted(2)]).actions).length).toBe(2);
    const late = pace.answeredEvery + 1;
    expect(after(roomy, [0, wanted(1)], pictured, [late, wanted(2)]).actions).toEqual([]);
  });

  it('begins with the worker of what is shown where threads are scarce, and with the others when that is painted', () => {
    const begun = after(scarce, [0, wanted(1)]);
    expect(sentTo(begun.actions)).toEqual([[0, 'fixed', 'three-hinges']]);
    const shown = schedule(begun.state, told(1, 'fixed', 'forces'), scarce, 40);
    expect(shown.actions).toEqual([{ kind: 'await painting', version: 1 }]);
    const painted = schedule(shown.state, { kind: 'painted', version: 1 }, scarce, 50);
    expect(sentTo(painted.actions)).toEqual([[1, 'pinned', 'haunched']]);
    expect(schedule(painted.state, { kind: 'painted', version: 1 }, scarce, 60).actions).toEqual([]);
  });

  it('lets the others wait for checks that follow', () => {
    const begun = after(scarce, [0, wanted(1)]);
    const follow = schedule(begun.state, told(1, 'fixed', 'forces', { checksFollow: true }), scarce, 40);
    expect(follow.actions).toEqual([]);
    expect(schedule(follow.state, told(1, 'fixed'), scarce, 900).actions.length).toBe(1);
  });

  it('passes over what is told of another state, or painted of one', () => {
    const begun = after(roomy, [0, wanted(2)]);
    expect(schedule(begun.state, told(1, 'fixed'), roomy, 1).state).toBe(begun.state);
    expect(schedule(begun.state, { kind: 'painted', version: 1 }, roomy, 1).actions).toEqual([]);
  });

  it('goes on with the next design when a state is given up', () => {
    const given = after(roomy, [0, wanted(1)], [1, wanted(2)], [2, { kind: 'given up' }]);
    expect(given.actions[0]).toEqual(
      jasmine.objectContaining({ kind: 'begin', sent: jasmine.objectContaining({ version: 2 }) }),
    );
    expect(after(roomy, [0, { kind: 'given up' }]).actions).toEqual([]);
  });
});
