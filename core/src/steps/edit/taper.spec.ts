import { built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const of = (...steps: Step[]) => built(designWith([portal, ...steps]));

describe('taper', () => {
  it('runs from one depth to the section’s over the whole member', () => {
    const frame = of({ id: 't', edit: 'taper', members: 'role == "column"', end: 'end', depth: '600 mm' });
    expect(frame.model.members.filter(({ endSection }) => endSection !== undefined).length).toBe(2);
    const section: Step = {
      id: 't',
      edit: 'taper',
      members: 'role == "column"',
      end: 'end',
      section: 'IPE 600',
    };
    expect(of(section).model.members.filter(({ endSection }) => endSection !== undefined).length).toBe(2);
  });
});
