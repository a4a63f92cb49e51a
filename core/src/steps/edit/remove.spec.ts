import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const of = (...steps: Step[]) => built(designWith([portal, ...steps]));

describe('remove', () => {
  it('takes members away with the nodes that only they had', () => {
    const frame = of({ id: 'r', edit: 'remove', members: 'role == "column" and side == "right"' });
    expect(frame.model.members.length).toBe(3);
    expect(frame.model.nodes.some(({ id }) => id === 'p.base.2')).toBeFalse();
  });

  it('with nothing left is said', () => {
    expect(
      problemsOf(designWith([portal, { id: 'r', edit: 'remove', members: 'true' }])).length,
    ).toBeGreaterThan(0);
  });
});
