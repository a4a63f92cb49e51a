import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const ring = (fields: object): Step => ({
  id: 'r',
  make: 'ring',
  curve: { circle: '5 m' },
  count: 8,
  spokes: true,
  rim: true,
  ...fields,
});
const of = (fields: object = {}) => built(designWith([ring(fields)]));

describe('ring', () => {
  it('has spokes to its centre and a closed rim on the circle', () => {
    const { model, geometry } = of();
    const roles = [...geometry.members.values()].map(({ tags }) => tags['role']);
    expect([roles.filter((r) => r === 'spoke').length, roles.filter((r) => r === 'rim').length]).toEqual([
      8, 8,
    ]);
    const radii = model.nodes.map(({ x, y }) => Math.hypot(x, y ?? 0));
    for (const r of radii) expect(Math.min(Math.abs(r), Math.abs(r - 5))).toBeLessThan(1e-9);
  });

  it('through points: passes them, at equal lengths of the curve', () => {
    const points = [
      ['4 m', '0 m'],
      ['0 m', '3 m'],
      ['-4 m', '0 m'],
      ['0 m', '-3 m'],
    ];
    const { model } = of({ curve: { through: points }, count: 16 });
    const rim = model.nodes.filter(({ x, y }) => Math.hypot(x, y ?? 0) > 1);
    expect(rim.length).toBe(16);
    for (const [px, py] of [
      [4, 0],
      [0, 3],
      [-4, 0],
      [0, -3],
    ] as const)
      expect(Math.min(...rim.map(({ x, y }) => Math.hypot(x - px, (y ?? 0) - py)))).toBeLessThan(1e-6);
    const chords = rim.map(({ x, y }, i) => {
      const next = rim[(i + 1) % 16]!;
      return Math.hypot(next.x - x, (next.y ?? 0) - (y ?? 0));
    });
    expect(Math.max(...chords) / Math.min(...chords)).toBeLessThan(1.05);
  });

  it('spokes and ribs together are an error', () => {
    expect(problemsOf(designWith([ring({ ribs: 'straight', rise: '1 m' })]))[0]!.where['step']).toBe('r');
  });
});
