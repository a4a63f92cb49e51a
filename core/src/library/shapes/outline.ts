import { gaussPoints } from '../../numeric/gauss.js';

/**
 * A closed polygon whose corners may be rounded: [y, z, radius] in m, the material on the left when walked along
 * (counter-clockwise; holes clockwise). The general description of every section.
 */
export type Ring = readonly (readonly [y: number, z: number, radius?: number])[];
export type Outline = readonly Ring[];

/** A piece of the boundary: a straight line, or an arc about a centre. Angles in rad. */
type Edge =
  | { readonly kind: 'line'; y0: number; z0: number; y1: number; z1: number }
  | { readonly kind: 'arc'; y: number; z: number; r: number; from: number; sweep: number };

/** Integrals over an area about axes through its centroid. */
export interface AreaIntegrals {
  readonly A: number;
  /** Centroid in the outline's own axes, m. */
  readonly y: number;
  readonly z: number;
  readonly Iy: number;
  readonly Iz: number;
  /** ∫ y·z dA. */
  readonly Iyz: number;
  /** Length of the outer boundary, m: the surface to paint per metre. */
  readonly perimeter: number;
  /** Extreme coordinates measured from the centroid, m. */
  readonly top: number;
  readonly bottom: number;
  readonly right: number;
  readonly left: number;
}

const gauss = gaussPoints(12);

/** Boundary of a ring: between the rounded corners straight lines, at them arcs tangent to both sides. */
export function edges(ring: Ring): Edge[] {
  const n = ring.length;
  const out: Edge[] = [];
  const corners = ring.map((corner, i) => rounded(ring[(i + n - 1) % n]!, corner, ring[(i + 1) % n]!));
  for (let i = 0; i < n; i++) {
    const { arc, exit } = corners[i]!;
    if (arc) out.push(arc);
    const { entry } = corners[(i + 1) % n]!;
    if (Math.hypot(entry[0] - exit[0], entry[1] - exit[1]) > 1e-12)
      out.push({ kind: 'line', y0: exit[0], z0: exit[1], y1: entry[0], z1: entry[1] });
  }
  return out;
}

type Corner = Ring[number];
type Point = readonly [number, number];

function rounded(before: Corner, at: Corner, after: Corner): { entry: Point; exit: Point; arc?: Edge } {
  const radius = at[2] ?? 0;
  const [y, z] = at;
  const inY = y - before[0];
  const inZ = z - before[1];
  const outY = after[0] - y;
  const outZ = after[1] - z;
  const lengthIn = Math.hypot(inY, inZ);
  const lengthOut = Math.hypot(outY, outZ);
  const turn = Math.atan2(inY * outZ - inZ * outY, inY * outY + inZ * outZ);
  if (radius === 0 || Math.abs(turn) < 1e-12) return { entry: [y, z], exit: [y, z] };
  const tangent = radius * Math.tan(Math.abs(turn) / 2);
  const entry: Point = [y - (inY / lengthIn) * tangent, z - (inZ / lengthIn) * tangent];
  const exit: Point = [y + (outY / lengthOut) * tangent, z + (outZ / lengthOut) * tangent];
  // The centre lies to the left of the way in where the path turns left
  const side = Math.sign(turn);
  const cy = entry[0] - (side * radius * inZ) / lengthIn;
  const cz = entry[1] + (side * radius * inY) / lengthIn;
  const from = Math.atan2(entry[1] - cz, entry[0] - cy);
  return { entry, exit, arc: { kind: 'arc', y: cy, z: cz, r: radius, from, sweep: turn } };
}

/**
 * Area, centroid and second moments of an outline by Green's theorem, exact to rounding (arcs by Gauss quadrature).
 *
 * @returns SI; second moments about axes through the centroid parallel to the outline's
 */
export function integrate(outline: Outline): AreaIntegrals {
  let A = 0;
  let Sy = 0;
  let Sz = 0;
  let Iy = 0;
  let Iz = 0;
  let Iyz = 0;
  let perimeter = 0;
  const range = { top: -Infinity, bottom: Infinity, right: -Infinity, left: Infinity };
  outline.forEach((ring, index) => {
    for (const edge of edges(ring)) {
      if (index === 0) perimeter += lengthOf(edge);
      alongEdge(edge, (y, z, dy, dz) => {
        // ∮ of −z dy, y dz and their moments
        A += (y * dz - z * dy) / 2;
        Sy -= (z * z * dy) / 2;
        Sz += (y * y * dz) / 2;
        Iy -= (z * z * z * dy) / 3;
        Iz += (y * y * y * dz) / 3;
        Iyz += (y * y * z * dz - y * z * z * dy) / 4;
      });
      widen(range, edge);
    }
  });
  const y = Sz / A;
  const z = Sy / A;
  return {
    A,
    y,
    z,
    Iy: Iy - A * z * z,
    Iz: Iz - A * y * y,
    Iyz: Iyz - A * y * z,
    perimeter,
    top: range.top - z,
    bottom: range.bottom - z,
    right: range.right - y,
    left: range.left - y,
  };
}

function lengthOf(edge: Edge): number {
  return edge.kind === 'line'
    ? Math.hypot(edge.y1 - edge.y0, edge.z1 - edge.z0)
    : edge.r * Math.abs(edge.sweep);
}

/** Calls `add` at quadrature points of an edge with y, z and the weighted dy, dz. */
function alongEdge(edge: Edge, add: (y: number, z: number, dy: number, dz: number) => void): void {
  if (edge.kind === 'line') {
    const { y0, z0, y1, z1 } = edge;
    // Two points are exact up to the third degree, which is all that a line needs
    for (const s of [(1 - 1 / Math.sqrt(3)) / 2, (1 + 1 / Math.sqrt(3)) / 2])
      add(y0 + (y1 - y0) * s, z0 + (z1 - z0) * s, (y1 - y0) / 2, (z1 - z0) / 2);
    return;
  }
  const { y, z, r, from, sweep } = edge;
  for (const [place, weight] of gauss) {
    const angle = from + sweep * place;
    const d = weight * sweep * r;
    add(y + r * Math.cos(angle), z + r * Math.sin(angle), -Math.sin(angle) * d, Math.cos(angle) * d);
  }
}

function widen(range: { top: number; bottom: number; right: number; left: number }, edge: Edge): void {
  for (const [y, z] of flatten(edge, 0.02)) {
    range.top = Math.max(range.top, z);
    range.bottom = Math.min(range.bottom, z);
    range.right = Math.max(range.right, y);
    range.left = Math.min(range.left, y);
  }
}

/** Start points of an edge's straight pieces; arcs in steps of at most `step` rad, ends and quarter turns included. */
function flatten(edge: Edge, step: number): Point[] {
  if (edge.kind === 'line')
    return [
      [edge.y0, edge.z0],
      [edge.y1, edge.z1],
    ];
  const count = Math.max(2, Math.ceil(Math.abs(edge.sweep) / step));
  return Array.from({ length: count + 1 }, (_, i) => {
    const angle = edge.from + (edge.sweep * i) / count;
    return [edge.y + edge.r * Math.cos(angle), edge.z + edge.r * Math.sin(angle)] as const;
  });
}

/** Every ring as straight pieces: corners in order, arcs in steps of at most `step` rad. */
export function polygons(outline: Outline, step = 0.02): Point[][] {
  return outline.map((ring) => edges(ring).flatMap((edge) => flatten(edge, step).slice(0, -1)));
}

/** Mirrors an outline at the z axis (y → −y), at the y axis (z → −z), or both, and moves it; the order of walking stays. */
export function moved(outline: Outline, dy: number, dz: number, flipY = false, flipZ = false): Outline {
  const once = flipY !== flipZ;
  return outline.map((ring) => {
    const points = ring.map(([y, z, r]) => [(flipY ? -y : y) + dy, (flipZ ? -z : z) + dz, r ?? 0] as const);
    return once ? points.reverse() : points;
  });
}

/** Whether a point lies inside a ring, by the crossings of a ray. */
export function inside(ring: readonly (readonly number[])[], y: number, z: number): boolean {
  let within = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [yi, zi] = ring[i]! as [number, number];
    const [yj, zj] = ring[j]! as [number, number];
    if (zi > z !== zj > z && y < ((yj - yi) * (z - zi)) / (zj - zi) + yi) within = !within;
  }
  return within;
}
