import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const bed = (fields: object): Step => ({
  id: 'm',
  make: 'machine-frame',
  length: '2.4 m',
  width: '1.1 m',
  levels: ['0.2 m', '0.9 m'],
  ...fields,
});
const of = (fields: object = {}) => built(designWith([bed(fields)]));
const count = (fields: object, role: string) =>
  [...of(fields).geometry.lines.values()].filter(
    ({ members }) => of(fields).geometry.members.get(members[0]!)!.tags['role'] === role,
  ).length;

describe('machine frame', () => {
  it('has a leg a corner, rails and cross members a level', () => {
    expect([count({}, 'leg'), count({}, 'rail'), count({}, 'cross')]).toEqual([4, 4, 4]);
    expect(count({ legs: ['0 m', '1.2 m', '2.4 m'] }, 'leg')).toBe(6);
    expect(count({ crossMembers: { 2: ['0.8 m', '1.6 m'] } }, 'cross')).toBe(6);
  });

  it('stands on the floor with legs up to the top level', () => {
    const { model } = of({ inset: '0.1 m' });
    const feet = model.nodes.filter(({ z }) => z === 0);
    expect(feet.map(({ x, y }) => [x, y]).sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!)).toEqual([
      [0.1, 0.1],
      [0.1, 1],
      [2.3, 0.1],
      [2.3, 1],
    ]);
    expect(Math.max(...model.nodes.map(({ z }) => z))).toBe(0.9);
  });

  it('has a ring of rails at the floor where a level is 0: joined to the feet, without braces below it', () => {
    for (const inset of ['0 m', '0.1 m']) {
      const fields = { levels: ['0 m', '0.9 m'], inset, bracing: { long: 'diagonal' } };
      const { geometry, model } = of(fields);
      expect([
        count(fields, 'leg'),
        count(fields, 'rail'),
        count(fields, 'cross'),
        count(fields, 'brace'),
      ]).toEqual([4, 4, 4, 2]);
      // No two nodes at one place, no member without length, and one frame that hangs together
      const places = model.nodes.map(({ x, y, z }) => [x, y, z].map((c) => c!.toFixed(4)).join());
      expect(new Set(places).size).toBe(places.length);
      const ends = new Map(model.nodes.map(({ id }) => [id, id]));
      const root = (id: string): string => (ends.get(id) === id ? id : root(ends.get(id)!));
      for (const { start, end } of model.members) ends.set(root(start), root(end));
      expect(new Set(model.nodes.map(({ id }) => root(id))).size).toBe(1);
      // Legs belong to the level that they reach
      const leg = [...geometry.members.values()].find(({ tags }) => tags['role'] === 'leg')!;
      expect(leg.tags['storey']).toBe(2);
    }
    expect(problemsOf(designWith([bed({ levels: ['-0.1 m', '0.9 m'] })]))[0]!.message).toContain(
      'at least 0',
    );
  });

  it('braces its faces as asked', () => {
    expect(count({ bracing: { long: 'diagonal' } }, 'brace')).toBe(4);
    expect(count({ bracing: { short: 'cross' } }, 'brace')).toBe(8);
    expect(problemsOf(designWith([bed({ legs: ['3 m', '4 m'] })]))[0]!.where['step']).toBe('m');
  });
});
