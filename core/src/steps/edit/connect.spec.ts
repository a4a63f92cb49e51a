import { built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const of = (...steps: Step[]) => built(designWith([portal, ...steps]));

describe('connect', () => {
  it('joins each node to the nearest of the others', () => {
    const frame = of({
      id: 'k',
      edit: 'connect',
      nodes: 'place == "base"',
      to: 'place == "apex"',
      role: 'strut',
    });
    const struts = [...frame.geometry.members.values()].filter(({ tags }) => tags['role'] === 'strut');
    expect(struts.length).toBe(2);
    for (const { start, end } of struts) expect([start, end]).toContain('p.apex.1');
  });
});
