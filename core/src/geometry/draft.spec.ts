import { Draft } from './draft.js';
import { emptyGeometry } from './geometry.js';
import type { Point } from './vector.js';

/** A beam of 6 m in three pieces, a post under its first joint, and a brace from the post's foot to its end. */
function draft(): Draft {
  const made = new Draft(emptyGeometry, 's');
  const places: Record<string, Point> = {
    a: [0, 0, 3],
    b: [2, 0, 3],
    c: [4, 0, 3],
    d: [6, 0, 3],
    foot: [2, 0, 0],
  };
  for (const [id, at] of Object.entries(places)) made.addNode(id, at, {});
  made.addLine('beam', ['a', 'b', 'c', 'd'], (piece) => ({ role: 'beam', bay: piece + 1 }));
  made.addLine('post', ['foot', 'b'], () => ({ role: 'column' }));
  made.addLine('brace', ['foot', 'd'], () => ({ role: 'brace' }));
  return made;
}
const ends = (of: Draft, id: string) => {
  const { start, end } = of.members.get(id)!;
  return [start, end];
};

describe('a draft', () => {
  it('numbers the pieces of a line, and gives each its tags', () => {
    const made = draft();
    expect(made.lines.get('beam')!.members).toEqual(['beam.1', 'beam.2', 'beam.3']);
    expect(made.lines.get('post')!.members).toEqual(['post']);
    expect(made.members.get('beam.2')!.tags).toEqual({ role: 'beam', bay: 2 });
    expect(made.stations('beam')).toEqual([
      { node: 'a', x: 0 },
      { node: 'b', x: 2 },
      { node: 'c', x: 4 },
      { node: 'd', x: 6 },
    ]);
  });

  it('leaves what came before as it was', () => {
    const before = draft().finish();
    const after = new Draft(before, 't');
    after.removeNode('b');
    after.mergeNodes('c', 'd');
    expect(before.nodes.size).toBe(5);
    expect(before.lines.get('beam')!.members.length).toBe(3);
    expect(after.finish().nodes.size).toBe(3);
  });

  it('refuses names that are taken', () => {
    const made = draft();
    expect(() => made.addNode('a', [0, 0, 0], {})).toThrowError(/two nodes called "a"/);
    expect(() => made.setMember({ id: 'post', start: 'a', end: 'b', tags: {}, line: 'other' })).toThrowError(
      /two members called "post"/,
    );
  });

  it('puts a node on a line, where one is already takes that', () => {
    const made = draft();
    const make = () => ({ id: 'new', tags: { place: 'purlin' } });
    expect(made.nodeOn('beam', 4.00005, make)).toBe('c');
    expect(made.nodeOn('beam', 5, make)).toBe('new');
    expect(made.at('new')).toEqual([5, 0, 3]);
    expect(made.lines.get('beam')!.members).toEqual(['beam.1', 'beam.2', 'beam.3.1', 'beam.3.2']);
    expect([ends(made, 'beam.3.1'), ends(made, 'beam.3.2')]).toEqual([
      ['c', 'new'],
      ['new', 'd'],
    ]);
    expect([...made.meetingAt('d')].sort()).toEqual(['beam.3.2', 'brace']);
  });

  it('shares a taper and the cuts of ends out where it divides', () => {
    const made = draft();
    const taper = { fractions: [0, 1] as const, kind: 'haunch' };
    made.setMember({
      ...made.members.get('post')!,
      taper,
      cuts: { start: { cut: 1 }, end: { cut: 2 } },
    } as never);
    made.addNode('mid', [2, 0, 0.75], {});
    made.dividePiece('post', 'mid');
    const [lower, upper] = ['post.1', 'post.2'].map((id) => made.members.get(id)!);
    expect([lower!.taper!.fractions, upper!.taper!.fractions]).toEqual([
      [0, 0.25],
      [0.25, 1],
    ]);
    expect([lower!.cuts, upper!.cuts]).toEqual([{ start: { cut: 1 } }, { end: { cut: 2 } }] as never);
  });

  it('lets a line fall into two where a piece in its middle goes', () => {
    const made = draft();
    made.removeMember('beam.2');
    expect([...made.lines].filter(([id]) => id.startsWith('beam')).map(([, line]) => line.members)).toEqual([
      ['beam.1'],
      ['beam.3'],
    ]);
    const { line } = made.members.get('beam.3')!;
    expect(made.lines.get(line)!.members).toEqual(['beam.3']);
    made.removeMember('post');
    expect(made.lines.has('post')).toBeFalse();
  });

  it('takes the members of a node away with it, and the node from floors', () => {
    const made = draft();
    made.floors = [{ id: 'f', nodes: ['a', 'b', 'd'], kind: 'plane', normal: [0, 0, 1] }];
    made.removeNode('b');
    expect([...made.members.keys()]).toEqual(['beam.3', 'brace']);
    expect(made.floors[0]!.nodes).toEqual(['a', 'd']);
    expect([...made.meetingAt('foot')]).toEqual(['brace']);
  });

  it('merges nodes: members follow, those that shrink to nothing go, the old name leads to the new', () => {
    const made = draft();
    made.floors = [{ id: 'f', nodes: ['c', 'd'], kind: 'plane', normal: [0, 0, 1] }];
    made.mergeNodes('d', 'c');
    expect(made.members.has('beam.3')).toBeFalse();
    expect(ends(made, 'brace')).toEqual(['foot', 'c']);
    expect(made.floors[0]!.nodes).toEqual(['c']);
    expect(made.finish().aliases.get('d')).toBe('c');
  });

  it('turns a line round, piece by piece, tapers and cuts with it', () => {
    const made = draft();
    made.setMember({
      ...made.members.get('beam.1')!,
      taper: { fractions: [0.2, 0.6] },
      cuts: { start: { cut: 1 } },
    } as never);
    made.reverse('beam');
    expect(made.lines.get('beam')!.members).toEqual(['beam.3', 'beam.2', 'beam.1']);
    expect(ends(made, 'beam.1')).toEqual(['b', 'a']);
    expect(made.stations('beam').map(({ node }) => node)).toEqual(['d', 'c', 'b', 'a']);
    const { taper, cuts } = made.members.get('beam.1')!;
    expect([taper!.fractions, cuts]).toEqual([[0.6, 0.2], { end: { cut: 1 } }] as never);
  });
});
