import { built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const beam: Step = {
  id: 'l',
  make: 'line',
  points: [
    ['0 m', '0 m', '3 m'],
    ['6 m', '0 m', '3 m'],
  ],
};
const of = (fields: object) => built(designWith([beam, { id: 'o', edit: 'set-out', ...fields }])).model;

describe('set-out', () => {
  // IPE 300: h = 300 mm, b = 150 mm
  it('hangs a member below its line by half its depth, and leaves the nodes', () => {
    const { nodes, members } = of({ point: 'top centre' });
    expect(nodes.map(({ z }) => z)).toEqual([3, 3]);
    const { start, end } = members[0]!.offsets!;
    [0, 0, -0.15].forEach((value, k) => {
      expect(start![k]).toBeCloseTo(value, 9);
      expect(end![k]).toBeCloseTo(value, 9);
    });
  });

  it('left is +y looking along the member: its left edge on the line moves the axis to the right', () => {
    expect(of({ point: 'middle left' }).members[0]!.offsets!.start![1]).toBeCloseTo(-0.075, 9);
  });

  it('in the middle moves nothing', () => {
    expect(of({ point: 'middle centre' }).members[0]!.offsets).toBeUndefined();
  });
});
