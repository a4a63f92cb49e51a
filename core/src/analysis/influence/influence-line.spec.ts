import type { FrameModel } from '../../model/types.js';
import { ProblemError } from '../../base/problem.js';
import { forceAt } from '../../results/index.js';
import { clamp, modelOf, solved } from '../../testing/models.js';
import {
  factorFrame,
  influenceAt,
  influenceLine,
  prepareEquations,
  prepareFrame,
  trainExtremes,
  type InfluenceTarget,
} from '../index.js';

/** A bent bridge in space: two spans that turn in plan and rise, hinged to a post. */
const bridge = (): FrameModel =>
  modelOf(
    'solid',
    { a: [0, 0, 0], b: [5, 1, 0.5], c: [9, 4, 0.5], p: [5, 1, -4] },
    [
      { id: '1', start: 'a', end: 'b' },
      { id: '2', start: 'c', end: 'b', hinges: { end: { My: 3e6 } } },
      { id: 'post', start: 'p', end: 'b', hinges: { end: { My: 'free', Mz: 'free' } } },
    ],
    [clamp('a'), clamp('c'), clamp('p')],
    [],
  );
const lineOf = (target: InfluenceTarget) => {
  const prepared = prepareEquations(prepareFrame(bridge()));
  return influenceLine(prepared, factorFrame(prepared), target, {
    members: [{ id: '1' }, { id: '2', reversed: true }],
  });
};

describe('influence lines', () => {
  // Against the plain analysis with the force itself at the place: two ways that share no dislocation
  for (const name of ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'] as const)
    it(`of ${name} are what a force at each place brings`, () => {
      const line = lineOf({ kind: 'force', member: '1', x: 2, name });
      const first = Math.hypot(5, 1, 0.5);
      for (const [member, at, s] of [
        ['1', 0.2, 0.2 * first],
        ['1', 0.9, 0.9 * first],
        ['2', 0.3, first + 0.7 * 5],
      ] as const) {
        const model = bridge();
        model.loadCases = [{ id: 'L', loads: [{ kind: 'point', member, at, F: [0, 0, -1] }] }];
        const { state } = solved(model);
        const expected = forceAt(state.field(0), name, 2);
        expect(Math.abs(influenceAt(line, s) - expected))
          .withContext(`${member} at ${at}`)
          .toBeLessThan(1e-10);
      }
    });

  it('of reactions are what a force at each place brings', () => {
    const line = lineOf({ kind: 'reaction', node: 'p', freedom: 2 });
    const model = bridge();
    model.loadCases = [{ id: 'L', loads: [{ kind: 'point', member: '1', at: 0.6, F: [0, 0, -1] }] }];
    const { frame, state } = solved(model);
    const expected = state.reactions[6 * frame.nodeIndex.get('p')! + 2]!;
    expect(Math.abs(influenceAt(line, 0.6 * Math.hypot(5, 1, 0.5)) - expected)).toBeLessThan(1e-10);
  });

  it('are zero beside the line', () => {
    const line = lineOf({ kind: 'displacement', node: 'b', freedom: 2 });
    expect(influenceAt(line, -1)).toBe(0);
    expect(influenceAt(line, 1e3)).toBe(0);
  });

  it('a train is nowhere beyond the extremes that were found', () => {
    const line = lineOf({ kind: 'force', member: '1', x: 3, name: 'My' });
    const train = [
      { force: 1, behind: 0 },
      { force: 2, behind: 1.3 },
      { force: 1, behind: 4 },
    ];
    const { min, max } = trainExtremes(line, train);
    const effect = (s: number) =>
      train.reduce((sum, { force, behind }) => sum + force * influenceAt(line, s - behind), 0);
    for (let s = 0.05; s < 15; s += 0.0371) {
      expect(effect(s)).toBeLessThanOrEqual(max.value + 1e-9);
      expect(effect(s)).toBeGreaterThanOrEqual(min.value - 1e-9);
    }
    expect(Math.abs(effect(max.at) - max.value)).toBeLessThan(1e-9);
  });

  it('of what is not there say so', () => {
    for (const target of [
      { kind: 'force', member: 'x', x: 0, name: 'N' },
      { kind: 'force', member: '1', x: 99, name: 'N' },
      { kind: 'reaction', node: 'b', freedom: 2 },
      { kind: 'displacement', node: 'x', freedom: 2 },
    ] as InfluenceTarget[])
      expect(() => lineOf(target)).toThrowError(ProblemError);
  });
});
