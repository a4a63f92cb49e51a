import { polygons, type Outline } from './outline.js';

/**
 * Plastic section moduli and neutral axes of any outline: the axis parallel to y (z) that halves the area, and the sum of
 * the first moments of both halves about it. Found on the outline clipped at a level.
 *
 * @returns moduli in m³; `z0` and `y0` of the neutral axes in the outline's axes, m
 */
export function plasticModuli(outline: Outline): { Wply: number; Wplz: number; z0: number; y0: number } {
  const flat = polygons(outline);
  const y = halve(flat.map((ring) => ring.map(([py, pz]) => [py, pz] as const)));
  // Seen from the side: z becomes the first coordinate, and the rings turn round
  const z = halve(flat.map((ring) => ring.map(([py, pz]) => [pz, py] as const).reverse()));
  return { Wply: y.modulus, z0: y.level, Wplz: z.modulus, y0: z.level };
}

type Polygon = readonly (readonly [number, number])[];

function halve(rings: readonly Polygon[]): { level: number; modulus: number } {
  const heights = rings.flatMap((ring) => ring.map(([, v]) => v));
  let low = Math.min(...heights);
  let high = Math.max(...heights);
  const whole = above(rings, low);
  // The middle first: most sections are symmetric. Then Newton's steps, kept inside what is known to hold the level
  let level = (low + high) / 2;
  for (let i = 0; i < 80; i++) {
    const excess = above(rings, level).area - whole.area / 2;
    if (Math.abs(excess) <= 1e-12 * whole.area) break;
    if (excess > 0) low = level;
    else high = level;
    const step = (high - low) * 1e-6;
    const width = (above(rings, level - step).area - above(rings, level + step).area) / (2 * step);
    const next = level + excess / width;
    level = next > low && next < high ? next : (low + high) / 2;
    if (high - low < 1e-13) break;
  }
  const upper = above(rings, level);
  const first = whole.moment - whole.area * level;
  const upperFirst = upper.moment - upper.area * level;
  return { level, modulus: 2 * upperFirst - first };
}

/** Area and first moment ∫ v dA of what lies above a level. */
function above(rings: readonly Polygon[], level: number): { area: number; moment: number } {
  let area = 0;
  let moment = 0;
  for (const ring of rings)
    for (let i = 0; i < ring.length; i++) {
      const [u0, v0] = ring[i]!;
      const [u1, v1] = ring[(i + 1) % ring.length]!;
      // The region between the edge and the level line, where the edge is above it: −∮ (v − level) du
      if (v0 <= level && v1 <= level) continue;
      let [a, b, va, vb] = [u0, u1, v0, v1];
      if (v0 < level) {
        a = u0 + ((u1 - u0) * (level - v0)) / (v1 - v0);
        va = level;
      }
      if (v1 < level) {
        b = u0 + ((u1 - u0) * (level - v0)) / (v1 - v0);
        vb = level;
      }
      area -= ((va + vb) / 2 - level) * (b - a);
      moment -= ((va * va + va * vb + vb * vb) / 6 - (level * level) / 2) * (b - a);
    }
  return { area, moment };
}
