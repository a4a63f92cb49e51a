import { at, built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const arch = (fields: object): Step => ({
  id: 'a',
  make: 'arch',
  span: '20 m',
  rise: '5 m',
  members: 10,
  ...fields,
});
const of = (fields: object = {}) => built(designWith([arch(fields)]));
const nodesOf = (fields: object) => of(fields).model.nodes.filter(({ id }) => !id.includes('deck'));
const lengths = (fields: object) => {
  const frame = of(fields);
  return frame.model.members.map(({ start, end }) => {
    const [a, b] = [at(frame, start), at(frame, end)];
    return Math.hypot(b[0] - a[0], b[2] - a[2]);
  });
};

describe('arch', () => {
  it('circular: on the circle through its springings and crown, in equal pieces', () => {
    const r = (10 ** 2 + 5 ** 2) / (2 * 5);
    for (const { x, z } of nodesOf({})) expect(Math.hypot(x - 10, z - 5 + r)).toBeCloseTo(r, 9);
    const all = lengths({});
    for (const one of all) expect(one / all[0]!).toBeCloseTo(1, 9);
  });

  it('parabolic at equal x: z = 4f(x/L)(1 − x/L)', () => {
    for (const { x, z } of nodesOf({ curve: 'parabolic', spacing: 'equal-x' })) {
      expect(z).toBeCloseTo(4 * 5 * (x / 20) * (1 - x / 20), 9);
      expect((x / 2) % 1).toBeCloseTo(0, 9);
    }
  });

  it('catenary: z + c = −a·cosh((x − L/2)/a), the same a all along', () => {
    const crown = nodesOf({ curve: 'catenary' });
    // a from the rise by bisection: a(cosh(L/2a) − 1) = f
    let [low, high] = [1, 100];
    for (let i = 0; i < 200; i++) {
      const a = (low + high) / 2;
      if (a * (Math.cosh(10 / a) - 1) > 5) low = a;
      else high = a;
    }
    for (const { x, z } of crown) expect(z).toBeCloseTo(5 + low - low * Math.cosh((x - 10) / low), 7);
  });

  it('elliptic and hyperbolic by their equations', () => {
    for (const { x, z } of nodesOf({ curve: 'elliptic' }))
      expect(((x - 10) / 10) ** 2 + (z / 5) ** 2).toBeCloseTo(1, 8);
    const k = Math.tan(Math.PI / 4);
    // z(0) = 0: √(A² + k²·100) = f + A, so A = (100k² − f²)/2f
    const A = (100 * k ** 2 - 25) / 10;
    for (const { x, z } of nodesOf({ curve: 'hyperbolic', asymptote: '45 deg' }))
      expect(z).toBeCloseTo(5 + A - Math.sqrt(A ** 2 + k ** 2 * (x - 10) ** 2), 8);
  });

  it('ends higher by the chord, has a crown for even pieces, a tie, and a deck on posts', () => {
    const high = of({ endHeight: '2 m', curve: 'parabolic' });
    expect(high.model.nodes.some(({ x, z }) => Math.abs(x - 20) < 1e-9 && Math.abs(z - 2) < 1e-9)).toBeTrue();
    expect(of().model.nodes.some(({ id }) => id.includes('crown'))).toBeTrue();
    expect(of({ members: 9 }).model.nodes.some(({ id }) => id.includes('crown'))).toBeFalse();
    const tied = of({ tie: true, deck: { height: '7 m', posts: 3 } });
    const roles = [...tied.geometry.members.values()].map(({ tags }) => tags['role']);
    expect(roles.filter((role) => role === 'tie').length).toBe(1);
    expect(roles.filter((role) => role === 'post').length).toBe(3);
  });

  it('refuses a rise of zero and a hyperbola too flat for its rise', () => {
    expect(problemsOf(designWith([arch({ rise: '0 m' })]))[0]!.message).toContain('rise');
    expect(problemsOf(designWith([arch({ curve: 'hyperbolic', asymptote: '20 deg' })]))[0]!.code).toBe(
      'geometry',
    );
  });
});
