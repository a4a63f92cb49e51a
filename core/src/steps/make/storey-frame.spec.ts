import { at, built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const frame = (fields: object): Step => ({
  id: 's',
  make: 'storey-frame',
  baysX: ['6 m', '5 m'],
  baysY: ['4 m'],
  storeys: '3 * 3.5 m',
  ...fields,
});
const of = (fields: object = {}) => built(designWith([frame(fields)]));

describe('storey frame', () => {
  it('has columns a storey, and beams both ways a floor', () => {
    const roles = [...of().geometry.members.values()].map(({ tags }) => tags['role']);
    const count = (role: string) => roles.filter((one) => one === role).length;
    expect([count('column'), count('beam-x'), count('beam-y')]).toEqual([6 * 3, 2 * 2 * 3, 3 * 3]);
    expect(Math.max(...of().model.nodes.map(({ z }) => z))).toBe(10.5);
  });

  it('turns each floor about the plan’s centre by storey × twist', () => {
    const still = of();
    const turned = of({ twist: '10 deg' });
    const top = still.model.nodes.filter(({ z }) => z === 10.5);
    for (const { id } of top) {
      const [a, b] = [at(still, id), at(turned, id)];
      const angle = Math.atan2(b[1] - 2, b[0] - 5.5) - Math.atan2(a[1] - 2, a[0] - 5.5);
      expect((((angle * 180) / Math.PI + 540) % 360) - 180).toBeCloseTo(30, 9);
    }
  });

  it('steps in by the setback on each side, and refuses one that leaves nothing', () => {
    const xs = of({ setback: '0.5 m' })
      .model.nodes.filter(({ z }) => z === 7)
      .map(({ x }) => x);
    expect(Math.min(...xs)).toBeCloseTo(1, 9);
    expect(Math.max(...xs)).toBeCloseTo(10, 9);
    expect(problemsOf(designWith([frame({ setback: '1 m' })]))[0]!.where['step']).toBe('s');
  });
});
