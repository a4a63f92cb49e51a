import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const haunch = (fields: object): Step => ({
  id: 'h',
  edit: 'haunch',
  members: 'role == "rafter"',
  end: 'eaves',
  length: '1.5 m',
  depth: '300 mm',
  ...fields,
});

describe('haunch', () => {
  it('is deeper at the eaves by its depth, and no deeper beyond its length', () => {
    const { model, geometry } = built(designWith([portal, haunch({})]));
    expect(model.members.length).toBe(2 + 4);
    const tapered = model.members.filter(({ endSection }) => endSection !== undefined);
    expect(tapered.length).toBe(2);
    const rafters = [...geometry.lines.values()].filter(({ members }) => members.length === 2);
    expect(rafters.length).toBe(2);
    // IPE 300 and 300 mm more at the eaves, IPE 300 where the haunch ends
    const deep = model.sections.find(({ shape }) => shape !== undefined)!;
    expect((deep.shape as { h: number }).h).toBeCloseTo(0.6, 12);
    const ends = tapered.map(({ start, section, endSection }) =>
      start.startsWith('p.eaves') ? [section, endSection] : [endSection, section],
    );
    for (const [eaves, inner] of ends) expect([eaves, inner]).toEqual([deep.id, 'IPE 300 S355']);
  });

  it('longer than its member is refused', () => {
    expect(problemsOf(designWith([portal, haunch({ length: '7 m' })]))[0]!.where['step']).toBe('h');
    expect(problemsOf(designWith([portal, haunch({ end: 'valley' })]))[0]!.where['step']).toBe('h');
  });
});
