import { at, built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const of = (...steps: Step[]) => built(designWith([portal, ...steps]));

describe('move', () => {
  it('moves nodes by a vector or to a height', () => {
    const up: Step = { id: 'm', edit: 'move', nodes: 'place == "apex"', by: ['0 m', '0 m', '0.5 m'] };
    const apex = 5 + 6 * Math.tan(Math.PI / 18);
    expect(at(of(up), 'p.apex.1')[2]).toBeCloseTo(apex + 0.5, 12);
    const to: Step = { id: 'm', edit: 'move', nodes: 'place == "base"', z: '-1 m + x / 12' };
    expect(at(of(to), 'p.base.1')[2]).toBeCloseTo(-1, 12);
    expect(at(of(to), 'p.base.2')[2]).toBeCloseTo(0, 12);
  });
});
