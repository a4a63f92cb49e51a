import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const truss = (fields: object): Step => ({
  id: 't',
  make: 'truss',
  span: '18 m',
  depth: '2 m',
  panels: 6,
  ...fields,
});
const of = (fields: object) => built(designWith([truss(fields)]));
const roles = (fields: object) => {
  const out = new Map<string, number>();
  for (const { tags } of of(fields).geometry.members.values())
    out.set(String(tags['role']), (out.get(String(tags['role'])) ?? 0) + 1);
  return Object.fromEntries(out);
};

describe('truss', () => {
  it('pratt and howe: posts at every node and a diagonal a panel, leaning opposite ways', () => {
    for (const pattern of ['pratt', 'howe'])
      expect(roles({ pattern })).toEqual({ 'top-chord': 6, 'bottom-chord': 6, post: 7, diagonal: 6 });
    const inner = (pattern: string) => {
      const { model, geometry } = of({ pattern });
      const node = new Map(model.nodes.map((n) => [n.id, n]));
      const diagonal = [...geometry.members.values()].filter(({ tags }) => tags['role'] === 'diagonal')[1]!;
      const [a, b] = [node.get(diagonal.start)!, node.get(diagonal.end)!];
      return Math.sign((b.z - a.z) * (b.x - a.x));
    };
    expect(inner('pratt')).toBe(-1);
    expect(inner('howe')).toBe(1);
  });

  it('warren: no posts; vierendeel: posts only', () => {
    expect(roles({ pattern: 'warren' })['post']).toBeUndefined();
    expect(roles({ pattern: 'vierendeel' })['diagonal']).toBeUndefined();
  });

  it('bow: the top chord on a parabola over its depth', () => {
    const { model, geometry } = of({ top: 'bow', rise: '1.5 m' });
    const tops = [...geometry.members.values()]
      .filter(({ tags }) => tags['role'] === 'top-chord')
      .map(({ start }) => start);
    for (const { x, z } of model.nodes.filter(({ id }) => tops.includes(id)))
      expect(z).toBeCloseTo(2 + 4 * 1.5 * (x / 18) * (1 - x / 18), 9);
  });

  it('refuses a depth of zero', () => {
    expect(problemsOf(designWith([truss({ depth: '0 m' })]))[0]!.where['step']).toBe('t');
  });
});
