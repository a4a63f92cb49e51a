import { tower } from '../../bench/towers.js';
import { fail, ProblemError } from '../base/problem.js';
import { resultSelections } from '../results/index.js';
import { analyse, bucklingModes, prepareFrame, vibrationModes, type Progress } from './index.js';

describe('long work', () => {
  const model = tower(2, 2, 3);
  const frame = prepareFrame(model);
  const selections = resultSelections(model);
  const stop: Progress = { step: () => fail('stopped', 'Stopped by the user.') };

  it('tells how far it is, never beyond the whole', () => {
    const seen: number[] = [];
    const outcome = analyse(frame, selections, {
      secondOrder: true,
      progress: { step: (done) => seen.push(done) },
    });
    expect(outcome.ok).toBeTrue();
    expect(seen.length).toBeGreaterThan(selections.length);
    for (const done of seen) expect(done >= 0 && done <= 1).toBeTrue();
  });

  it('can be stopped: states, buckling and modes', () => {
    const stopped = analyse(frame, selections, { progress: stop, secondOrder: true });
    expect(stopped.ok).toBeFalse();
    if (!stopped.ok) expect(stopped.problems[0]!.code).toBe('stopped');
    const outcome = analyse(frame, selections);
    if (!outcome.ok) throw new Error('not analysed');
    const { prepared, states } = outcome.value;
    expect(() => bucklingModes(prepared, states.get('U')!, 1, { progress: stop })).toThrowError(ProblemError);
    expect(() => vibrationModes(prepared, 1, stop)).toThrowError(ProblemError);
  });
});
