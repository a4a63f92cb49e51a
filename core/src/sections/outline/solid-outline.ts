import type { SectionProperties, Shape } from '../../model/types.js';
import { inside } from './outline.js';
import { integralsOf, outlineOf } from './outlines.js';
import { saintVenant } from './saint-venant.js';

type OutlineShape = Extract<Shape, { type: 'outline' }>;

const known = new WeakMap<OutlineShape, SectionProperties>();

/**
 * Any solid by its boundary: A and second moments exact (Green), J and Iw by finite elements on Saint-Venant's warping
 * problem. No shear areas: an outline does not tell which part carries shear, so shear deformation is left out.
 */
export function solidOutline(d: OutlineShape): SectionProperties {
  let properties = known.get(d);
  if (!properties) known.set(d, (properties = compute(d)));
  return properties;
}

function compute(d: OutlineShape): SectionProperties {
  const a = integralsOf(d);
  const { J, Iw } = saintVenant(outlineOf(d));
  return {
    A: a.A,
    Iy: a.Iy,
    Iz: a.Iz,
    ...(Math.abs(a.Iyz) > 1e-9 * Math.sqrt(a.Iy * a.Iz) ? { Iyz: a.Iyz } : {}),
    J,
    ...(Iw > 0 ? { Iw } : {}),
    Wely: a.Iy / Math.max(a.top, -a.bottom),
    Welz: a.Iz / Math.max(a.right, -a.left),
    h: a.top - a.bottom,
    b: a.right - a.left,
  };
}

/** What is wrong with the corners of an outline, in words. */
export function outlineProblem(d: OutlineShape): string | undefined {
  for (const [index, ring] of [d.points, ...(d.holes ?? [])].entries()) {
    const name = index === 0 ? 'the boundary' : `hole ${index}`;
    if (ring.some((corner) => (corner[2] ?? 0) < 0)) return `a radius of ${name} is below zero`;
    if (ring.length < 3) return `${name} has fewer than three corners`;
    for (let i = 0; i < ring.length; i++) {
      const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!];
      if (Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-9)
        return `${name} has the same corner twice (number ${i + 1})`;
    }
    if (radiusTooLarge(ring)) return `a radius of ${name} is larger than its sides allow`;
    if (crosses(ring)) return `${name} crosses itself`;
  }
  const outer = d.points;
  for (const [index, ring] of (d.holes ?? []).entries())
    if (ring.some((point) => !inside(outer, point[0], point[1])))
      return `hole ${index + 1} is not inside the boundary`;
  return integralsOf(d).A > 0 ? undefined : 'the boundary encloses no area';
}

type Ring = OutlineShape['points'];

/** Rounded corners whose arcs overlap: the straight part between them would run backwards. */
function radiusTooLarge(ring: Ring): boolean {
  if (ring.every((corner) => !corner[2])) return false;
  const n = ring.length;
  const tangent = (i: number): number => {
    const [a, b, c] = [ring[(i + n - 1) % n]!, ring[i]!, ring[(i + 1) % n]!];
    const turn = Math.atan2(
      (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]),
      (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1]),
    );
    return (b[2] ?? 0) * Math.tan(Math.abs(turn) / 2);
  };
  return ring.some((corner, i) => {
    const next = ring[(i + 1) % n]!;
    const side = Math.hypot(next[0] - corner[0], next[1] - corner[1]);
    return tangent(i) + tangent((i + 1) % n) > side * (1 + 1e-9);
  });
}

function crosses(ring: Ring): boolean {
  const n = ring.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      if (intersect(ring[i]!, ring[(i + 1) % n]!, ring[j]!, ring[(j + 1) % n]!)) return true;
    }
  return false;
}

type Corner = Ring[number];

function intersect(a: Corner, b: Corner, c: Corner, d: Corner): boolean {
  const side = (p: Corner, q: Corner, r: Corner) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
