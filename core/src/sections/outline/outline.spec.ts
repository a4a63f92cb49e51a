import { expectClose } from '../../testing/models.js';
import { iIntegrals, iSection } from '../shapes/i-section.js';
import { integrate, type Outline } from './outline.js';
import { outlineOf } from './outlines.js';

describe('integrals over an outline', () => {
  /** A square of side 2 standing on a corner, its corners rounded. */
  const diamond = (r: number): Outline => {
    const d = Math.SQRT2;
    return [
      [
        [d, 0, r],
        [0, d, r],
        [-d, 0, r],
        [0, -d, r],
      ],
    ];
  };

  it('are those of a square, however it stands: A = a², I = a⁴/12', () => {
    const { A, Iy, Iz, Iyz, perimeter, top, left } = integrate(diamond(0));
    expectClose(A, 4, 1e-12);
    expectClose(Iy, 16 / 12, 1e-12);
    expectClose(Iz, 16 / 12, 1e-12);
    expect(Math.abs(Iyz)).toBeLessThan(1e-12);
    expectClose(perimeter, 8, 1e-12);
    expectClose(top, Math.SQRT2, 1e-12);
    expectClose(left, -Math.SQRT2, 1e-12);
  });

  it('reach to the middle of an arc where it is farthest: (a/2 − r)·√2 + r from the centre', () => {
    for (const r of [0.1, 0.5, 1]) {
      const { A, perimeter, top, bottom, right, left } = integrate(diamond(r));
      // At 1 it is a circle
      expectClose(A, 4 - (4 - Math.PI) * r * r, 1e-12);
      expectClose(perimeter, 8 - 8 * r + 2 * Math.PI * r, 1e-12);
      for (const far of [top, -bottom, right, -left]) expectClose(far, (1 - r) * Math.SQRT2 + r, 1e-12);
    }
  });

  it('leave a hole out, and do not count its boundary', () => {
    const [outer] = diamond(0);
    const hole = [...outer!].map(([y, z]) => [y / 2, z / 2] as const).reverse();
    const { A, Iy, perimeter, top } = integrate([outer!, hole]);
    expectClose(A, 3, 1e-12);
    expectClose(Iy, (16 - 1) / 12, 1e-12);
    expectClose(perimeter, 8, 1e-12);
    expectClose(top, Math.SQRT2, 1e-12);
  });

  it('are for a plain I those of its formulas', () => {
    for (const r of [0, 0.021]) {
      const shape = { type: 'i', h: 0.5, b: 0.2, tw: 0.0102, tf: 0.016, r } as const;
      const byFormula = iIntegrals(shape, iSection(shape));
      const byBoundary = integrate(outlineOf(shape));
      for (const name of Object.keys(byBoundary) as (keyof typeof byBoundary)[])
        expect(Math.abs(byFormula[name] - byBoundary[name]))
          .withContext(`${name}, r = ${r}`)
          .toBeLessThan(1e-12 * Math.max(1e-3, Math.abs(byBoundary[name])));
    }
  });
});
