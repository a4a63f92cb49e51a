import { built, slipShed } from '../testing/designs.js';
import { findOutOfRange } from './magnitudes.js';
import type { FrameModel } from './types.js';

/** The Slip shed's model with one more member, load and combination that can be damaged. */
function model(): FrameModel {
  const { model: shed } = built(slipShed());
  return structuredClone(shed);
}
const pathsOf = (damaged: FrameModel) => findOutOfRange(damaged).map(({ where }) => where['path']);

describe('numbers of a built model', () => {
  it('of a frame are nothing to tell, and those beyond any frame are told with what they may be', () => {
    expect(findOutOfRange(model())).toEqual([]);
    const far = model();
    far.nodes[0]!.x = -2e12;
    far.combinations![0]!.factors['G'] = 1e-308;
    far.loadCases![1]!.loads = [{ kind: 'node', node: 'n', F: [0, 0, 1e150] }];
    far.sections[0]!.properties = { A: 1e308, Iy: 1 };
    expect(findOutOfRange(far).map(({ message }) => message)).toEqual([
      'The number 1e+308 is out of range: it may be 0, or from 1e-60 to 1e18 (/sections/0/properties/A)',
      'The number -2000000000000 is out of range: coordinates and arms may be up to 100 000 m (/nodes/0/x)',
      'The number 1e+150 is out of range: loads may be up to 1e12 N, or N/m (/loadCases/1/loads/0/F/2)',
      'The number 1e-308 is out of range: factors are 0, or from 1e-6 to 1e6 (/combinations/0/factors/G)',
    ]);
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
    expect(findOutOfRange(damaged)[0]!.message).toContain('not finite');
  });
});
