import { built, slipShed } from '../testing/designs.js';
import { findNotFinite } from './finite.js';
import type { FrameModel } from './types.js';

/** The Slip shed's model with one more member, load and combination that can be damaged. */
function model(): FrameModel {
  const { model: shed } = built(slipShed());
  return structuredClone(shed);
}
const pathsOf = (damaged: FrameModel) => findNotFinite(damaged).map(({ where }) => where['path']);

describe('numbers of a built model', () => {
  it('that are finite are nothing to tell, however large', () => {
    const whole = model();
    whole.nodes[0]!.x = -1e308;
    whole.nodes[0]!.z = -1e308;
    expect(findNotFinite(whole)).toEqual([]);
  });

  const damages: readonly [string, (whole: FrameModel) => void, string][] = [
    ['a node', (m) => (m.nodes[1]!.x = Infinity), '/nodes/1/x'],
    ['a node across the plane', (m) => (m.nodes[2]!.y = NaN), '/nodes/2/y'],
    ['a roll', (m) => (m.members[0]!.roll = NaN), '/members/0/roll'],
    ['a hinge', (m) => (m.members[0]!.hinges = { end: { My: NaN } }), '/members/0/hinges/end/My'],
    ['an arm', (m) => (m.members[1]!.offsets = { start: [0, -Infinity, 0] }), '/members/1/offsets/start/1'],
    ['a length of the checks', (m) => (m.members[1]!.design = { LLT: NaN }), '/members/1/design/LLT'],
    ['a self weight', (m) => (m.loadCases![0]!.selfWeight = NaN), '/loadCases/0/selfWeight'],
    ['a support', (m) => (m.supports![0]!.ry = Infinity), '/supports/0/ry'],
    [
      'a line load',
      (m) => (m.loadCases![1]!.loads = [{ kind: 'distributed', member: 'm', direction: 'z', q: [1, NaN] }]),
      '/loadCases/1/loads/0/q/1',
    ],
    [
      'a place of a line load',
      (m) =>
        (m.loadCases![1]!.loads = [
          { kind: 'distributed', member: 'm', direction: 'z', q: [1, 1], from: NaN },
        ]),
      '/loadCases/1/loads/0/from',
    ],
    [
      'a point load',
      (m) => (m.loadCases![1]!.loads = [{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -Infinity] }]),
      '/loadCases/1/loads/0/F/2',
    ],
  ];
  for (const [what, damage, path] of damages)
    it(`of ${what} are told with their path`, () => {
      const damaged = model();
      damage(damaged);
      expect(pathsOf(damaged)).toEqual([path]);
    });

  it('are told in a sentence', () => {
    const damaged = model();
    damaged.nodes[0]!.x = NaN;
    expect(findNotFinite(damaged)[0]!.message).toContain('not finite');
  });
});
