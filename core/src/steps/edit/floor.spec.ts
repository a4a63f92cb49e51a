import { built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

describe('floor', () => {
  it('makes one rigid floor a storey', () => {
    const tower: Step = { id: 's', make: 'storey-frame', baysX: ['6 m'], baysY: ['4 m'], storeys: '3 * 3 m' };
    const floor: Step = { id: 'f', edit: 'floor', nodes: 'place == "joint"', kind: 'rigid' };
    const { model } = built(designWith([tower, floor]));
    expect(model.rigidGroups!.map(({ kind, nodes }) => [kind, nodes.length])).toEqual([
      ['body', 4],
      ['body', 4],
      ['body', 4],
    ]);
  });
});
