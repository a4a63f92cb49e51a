import { at, built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal = (fields: object): Step => ({
  id: 'p',
  make: 'portal',
  bays: ['22 m'],
  eaves: '6.4 m',
  ...fields,
});
const of = (fields: object) => built(designWith([portal(fields)]));

describe('portal', () => {
  it('stands where its parameters say, columns up, rafters left to right', () => {
    const frame = of({ pitch: '9 deg' });
    expect(at(frame, 'p.apex.1')).toEqual([11, 0, jasmine.any(Number)]);
    expect(at(frame, 'p.apex.1')[2]).toBeCloseTo(6.4 + 11 * Math.tan(Math.PI / 20), 12);
    expect(frame.model.members.map((m) => [m.id, m.start, m.end])).toEqual([
      ['p.column.1', 'p.base.1', 'p.eaves.1'],
      ['p.column.2', 'p.base.2', 'p.eaves.2'],
      ['p.rafter.1.left', 'p.eaves.1', 'p.apex.1'],
      ['p.rafter.1.right', 'p.apex.1', 'p.eaves.2'],
    ]);
  });

  it('keeps the names of what stays when bays are added', () => {
    const one = of({ pitch: '9 deg' }).model.members;
    const three = of({ pitch: '9 deg', bays: ['22 m', '11 m', '8 m'] });
    const ids = new Set(three.model.members.map(({ id }) => id));
    for (const { id } of one) expect(ids.has(id)).withContext(id).toBeTrue();
    expect(three.model.members.length).toBe(4 + 6);
    expect(at(three, 'p.valley.3')[0]).toBe(33);
  });

  it('can be flat, or rise over all bays, or be curved through its rise', () => {
    const flat = of({ roof: 'flat', bays: ['10 m', '12 m'] });
    expect(flat.model.nodes.filter(({ z }) => z > 0).map(({ z }) => z)).toEqual([6.4, 6.4, 6.4]);
    const mono = of({ roof: 'mono', bays: ['10 m', '12 m'], pitch: '9 deg' });
    const heights = mono.model.nodes
      .filter(({ z }) => z > 0)
      .map(({ x, z }) => z - 6.4 - x * Math.tan(Math.PI / 20));
    for (const off of heights) expect(off).toBeCloseTo(0, 12);
    const curved = of({ roof: 'curved', rise: '3 m', members: 6 });
    // All nodes of the roof on the circle through both eaves and the crown
    const r = (11 ** 2 + 3 ** 2) / (2 * 3);
    for (const { x, z } of curved.model.nodes.filter((n) => n.z > 6))
      expect(Math.hypot(x - 11, z - (6.4 + 3 - r))).toBeCloseTo(r, 9);
  });

  it('refuses a bay without width, a pitch of a right angle and a roof without height', () => {
    for (const [fields, field] of [
      [{ pitch: '9 deg', bays: ['0 m'] }, 'bays'],
      [{ pitch: '90 deg' }, 'pitch'],
      [{}, 'pitch'],
    ] as const)
      expect(problemsOf(designWith([portal(fields)]))[0]!.where['field']).toContain(field);
  });
});
