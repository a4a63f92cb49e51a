import { expectClose } from '../../testing/models.js';
import { shapesBetween, sameKind, shapeProblem, shapeProperties } from './index.js';

/** Published values are given to three or four digits. */
const published = 5e-3;

describe('shapes', () => {
  it('SHS 80 × 80 × 5 hot finished: EN 10210-2 Annex B, A = 14.7 cm², I = 137 cm⁴, It = 217 cm⁴', () => {
    const p = shapeProperties({ type: 'rectangular-hollow', h: 0.08, b: 0.08, t: 0.005 });
    expectClose(p.A, 14.7e-4, published);
    expectClose(p.Iy!, 137e-8, published);
    expectClose(p.Iz!, 137e-8, published);
    expectClose(p.J!, 217e-8, published);
  });

  it('RHS 120 × 80 × 6.3 hot finished: A = 23.2 cm², Iy = 440 cm⁴, Iz = 230 cm⁴, It = 487 cm⁴', () => {
    const p = shapeProperties({ type: 'rectangular-hollow', h: 0.12, b: 0.08, t: 0.0063 });
    expectClose(p.A, 23.2e-4, published);
    expectClose(p.Iy!, 440e-8, published);
    expectClose(p.Iz!, 230e-8, published);
    expectClose(p.J!, 487e-8, published);
  });

  it('CHS 114.3 × 5: EN 10210-2 Annex B, A = 17.2 cm², I = 257 cm⁴', () => {
    const p = shapeProperties({ type: 'circular-hollow', d: 0.1143, t: 0.005 });
    expectClose(p.A, 17.2e-4, published);
    expectClose(p.Iy!, 257e-8, published);
    expectClose(p.J!, 2 * p.Iy!);
  });

  it('an unequal I with equal flanges is the doubly symmetric one', () => {
    const r = 0.015;
    const a = shapeProperties({ type: 'i', h: 0.3, b: 0.15, tw: 0.0071, tf: 0.0107, r });
    const b = shapeProperties({
      type: 'i',
      h: 0.3,
      bTop: 0.15,
      tfTop: 0.0107,
      bBottom: 0.15,
      tfBottom: 0.0107,
      tw: 0.0071,
      r,
    });
    for (const key of ['A', 'Iy', 'Iz', 'Wely', 'Welz'] as const) expectClose(b[key]!, a[key]!);
  });

  it('an angle without radius by the theorem of parallel axes; its product is negative, legs along +y and +z', () => {
    const p = shapeProperties({ type: 'angle', h: 0.1, b: 0.06, t: 0.01 });
    // Leg along z 10 × 100, leg along y 50 × 10, mm
    const [A1, A2] = [1000, 500];
    const [y1, z1, y2, z2] = [5, 50, 35, 5];
    const y = (A1 * y1 + A2 * y2) / 1500;
    const z = (A1 * z1 + A2 * z2) / 1500;
    const Iyz = A1 * (y1 - y) * (z1 - z) + A2 * (y2 - y) * (z2 - z);
    expectClose(p.Iyz!, Iyz * 1e-12);
    expect(p.Iyz!).toBeLessThan(0);
    const Iy = (10 * 100 ** 3) / 12 + A1 * (z1 - z) ** 2 + (50 * 10 ** 3) / 12 + A2 * (z2 - z) ** 2;
    expectClose(p.Iy!, Iy * 1e-12);
  });

  it('a tee and a channel without radius by the theorem of parallel axes', () => {
    const tee = shapeProperties({ type: 'tee', h: 0.1, b: 0.1, tw: 0.01, tf: 0.02 });
    // Web 10 × 80, flange 100 × 20, mm, from the web's foot
    const z = (800 * 40 + 2000 * 90) / 2800;
    const Iy = (10 * 80 ** 3) / 12 + 800 * (40 - z) ** 2 + (100 * 20 ** 3) / 12 + 2000 * (90 - z) ** 2;
    expectClose(tee.Iy!, Iy * 1e-12);
    const channel = shapeProperties({ type: 'channel', h: 0.1, b: 0.05, tw: 0.006, tf: 0.01 });
    expectClose(channel.Iy!, ((50 * 100 ** 3 - 44 * 80 ** 3) / 12) * 1e-12);
  });

  it('a square bar twists by 0.1406·a⁴ (Timoshenko and Goodier, art. 109), a long strip by b·t³/3', () => {
    expectClose(shapeProperties({ type: 'rectangle', h: 0.1, b: 0.1 }).J!, 0.1406e-4, 5e-4);
    expectClose(shapeProperties({ type: 'rectangle', h: 10, b: 0.01 }).J!, (10 * 1e-6) / 3, 1e-3);
  });

  it('that cannot be are told in words', () => {
    for (const shape of [
      { type: 'i', h: 0.02, b: 0.1, tw: 0.005, tf: 0.01, r: 0.01 },
      { type: 'channel', h: 0.1, b: 0.01, tw: 0.008, tf: 0.01, r: 0.01 },
      { type: 'tee', h: 0.01, b: 0.1, tw: 0.005, tf: 0.02 },
      { type: 'angle', h: 0.05, b: 0.01, t: 0.02 },
      { type: 'rectangular-hollow', h: 0.1, b: 0.02, t: 0.01 },
      { type: 'circular-hollow', d: 0.02, t: 0.01 },
    ] as const)
      expect(shapeProblem(shape))
        .withContext(shape.type)
        .toMatch(/fit|thicker/);
    expect(shapeProblem({ type: 'round', d: 0.1 })).toBeUndefined();
  });

  it('taper dimension by dimension, absent radii by their defaults', () => {
    const a = { type: 'rectangular-hollow', h: 0.1, b: 0.1, t: 0.004 } as const;
    const b = { type: 'rectangular-hollow', h: 0.3, b: 0.1, t: 0.008, ro: 0.012, ri: 0.008 } as const;
    expect(sameKind(a, b)).toBeTrue();
    const middle = shapesBetween(a, b)(0.5) as Record<string, number | string>;
    expectClose(middle['h'] as number, 0.2);
    expectClose(middle['ro'] as number, 0.009);
    expect(sameKind(a, { type: 'round', d: 0.1 })).toBeFalse();
  });
});
