import { built, designWith } from '../../testing/designs.js';
import { alikeTo } from './alike.js';

/** A storey frame of two bays by one, two storeys: 6 columns and 7 beams a storey. */
const frame = built(
  designWith(
    [
      {
        id: 'f',
        make: 'storey-frame',
        title: 'Tower',
        baysX: '2 * 6 m',
        baysY: '5 m',
        storeys: { count: 2, each: '3 m' },
      },
    ],
    { rules: [{ id: 'posts', title: 'Posts', members: 'role == "column"', section: 'HEB 300' }] },
  ),
);
const column = [...frame.geometry.members.values()].find(
  ({ tags }) => tags['role'] === 'column' && tags['storey'] === 1,
)!;
const titled = (ids: readonly string[], of: 'members' | 'nodes' = 'members') =>
  new Map(alikeTo(frame, of, ids).map(({ title, ids: all }) => [title, all]));

describe('more of the same', () => {
  it('of a column are those of its line, its kind, its storey, its step, its rules', () => {
    const wider = titled([column.id]);
    expect(wider.get('all on this line')!.length).toBe(2);
    expect(wider.get('columns')!.length).toBe(12);
    expect(wider.get('columns of storey 1')!.length).toBe(6);
    expect(wider.get('members of storey 1')!.length).toBe(13);
    for (const ids of wider.values()) expect(ids).toContain(column.id);
  });

  it('names each set once: a rule that matches all columns is told as the columns', () => {
    expect([...titled([column.id]).keys()].some((title) => title.includes('Posts'))).toBeFalse();
    const sets = alikeTo(frame, 'members', [column.id]).map(({ ids }) => [...ids].sort().join());
    expect(new Set(sets).size).toBe(sets.length);
  });

  it('of several is what they have in common, and never less than they are', () => {
    const columns = titled([column.id]).get('columns')!;
    const wider = titled(columns);
    expect(wider.has('columns')).toBeFalse();
    for (const ids of wider.values()) expect(ids.length).toBeGreaterThan(12);
    expect(alikeTo(frame, 'members', ['nobody'])).toEqual([]);
  });

  it('of a base are the bases', () => {
    const base = [...frame.geometry.nodes.values()].find(({ tags }) => tags['place'] === 'base')!;
    expect(titled([base.id], 'nodes').get('bases')!.length).toBe(6);
  });
});
