import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const trim = (by: string): Step => ({
  id: 'c',
  edit: 'trim',
  members: 'role == "rafter"',
  by,
  corner: 'mitre',
});

describe('trim', () => {
  it('keeps the axes of the analysis', () => {
    const plain = built(designWith([portal])).model;
    expect(built(designWith([portal, trim('role == "column"')])).model).toEqual(plain);
  });

  it('notes at the physical end by what a member is cut, and how', () => {
    const { geometry } = built(designWith([portal, trim('role == "column"')]));
    const left = geometry.members.get('p.rafter.1.left')!;
    expect(left.cuts).toEqual({
      start: jasmine.objectContaining({ corner: 'mitre', to: 'p.column.1', gap: 0 }),
    });
    expect(geometry.members.get('p.column.1')!.cuts).toBeUndefined();
  });

  it('by what is not there is said', () => {
    expect(problemsOf(designWith([portal, trim('role == "brace"')]))[0]!.where['step']).toBe('c');
  });
});
