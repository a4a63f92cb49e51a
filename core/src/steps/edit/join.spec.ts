import { built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const of = (...steps: Step[]) => built(designWith([portal, ...steps]));

describe('join', () => {
  it('joins members where they cross', () => {
    const crossed: Step = {
      id: 'x',
      make: 'line',
      points: [
        ['0 m', '0 m', '2 m'],
        ['12 m', '0 m', '4 m'],
      ],
    };
    const other: Step = {
      id: 'y',
      make: 'line',
      points: [
        ['0 m', '0 m', '4 m'],
        ['12 m', '0 m', '2 m'],
      ],
    };
    const join: Step = { id: 'j', edit: 'join', members: 'step == "x" or step == "y"', crossings: true };
    const frame = of(crossed, other, join);
    const middle = frame.model.nodes.find(({ x, z }) => Math.abs(x - 6) < 1e-9 && Math.abs(z - 3) < 1e-9)!;
    expect(frame.model.members.filter(({ start, end }) => [start, end].includes(middle.id)).length).toBe(4);
  });
});
