import { gaussPoints } from '../../base/quadrature.js';

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
  const sums = new BoundarySums();
  outline.forEach((ring, index) => {
    for (const edge of edges(ring)) {
      if (index === 0) sums.perimeter += lengthOf(edge);
      sums.along(edge);
      sums.widen(edge);
    }
  });
  const { A, perimeter } = sums;
  const y = sums.Sz / A;
  const z = sums.Sy / A;
  return {
    A,
    y,
    z,
    Iy: sums.Iy - A * z * z,
    Iz: sums.Iz - A * y * y,
    Iyz: sums.Iyz - A * y * z,
    perimeter,
    top: sums.top - z,
    bottom: sums.bottom - z,
    right: sums.right - y,
    left: sums.left - y,
  };
}

/** Two points are exact up to the third degree, which is all that a line needs. */
const ofLines = [(1 - 1 / Math.sqrt(3)) / 2, (1 + 1 / Math.sqrt(3)) / 2] as const;

/** Integrals over an area as sums along its boundary, about the outline's own axes, and how far the boundary reaches. */
class BoundarySums {
  A = 0;
  Sy = 0;
  Sz = 0;
  Iy = 0;
  Iz = 0;
  Iyz = 0;
  perimeter = 0;
  top = -Infinity;
  bottom = Infinity;
  right = -Infinity;
  left = Infinity;

  along(edge: Edge): void {
    if (edge.kind === 'line') {
      const { y0, z0, y1, z1 } = edge;
      const dy = y1 - y0;
      const dz = z1 - z0;
      for (const s of ofLines) this.add(y0 + dy * s, z0 + dz * s, dy / 2, dz / 2);
      return;
    }
    const { y, z, r, from, sweep } = edge;
    for (const [place, weight] of gauss) {
      const angle = from + sweep * place;
      const across = r * Math.cos(angle);
      const up = r * Math.sin(angle);
      const d = weight * sweep;
      this.add(y + across, z + up, -up * d, across * d);
    }
  }

  /** A point of the boundary with its part of ∮ of −z dy, y dz and their moments. */
  private add(y: number, z: number, dy: number, dz: number): void {
    this.A += (y * dz - z * dy) / 2;
    this.Sy -= (z * z * dy) / 2;
    this.Sz += (y * y * dz) / 2;
    this.Iy -= (z * z * z * dy) / 3;
    this.Iz += (y * y * y * dz) / 3;
    this.Iyz += (y * y * z * dz - y * z * z * dy) / 4;
  }

  /** An arc reaches farthest at its ends and where it passes a quarter turn. */
  widen(edge: Edge): void {
    if (edge.kind === 'line') {
      this.reach(edge.y0, edge.z0);
      this.reach(edge.y1, edge.z1);
      return;
    }
    const { y, z, r, from, sweep } = edge;
    const [low, high] = sweep < 0 ? [from + sweep, from] : [from, from + sweep];
    for (const angle of [low, high]) this.reach(y + r * Math.cos(angle), z + r * Math.sin(angle));
    for (let quarter = Math.ceil(low / (Math.PI / 2)); quarter * (Math.PI / 2) < high; quarter++) {
      const [across, up] = quarterTurns[((quarter % 4) + 4) % 4]!;
      this.reach(y + r * across, z + r * up);
    }
  }

  private reach(y: number, z: number): void {
    if (z > this.top) this.top = z;
    if (z < this.bottom) this.bottom = z;
    if (y > this.right) this.right = y;
    if (y < this.left) this.left = y;
  }
}

/** Cosine and sine of whole quarter turns. */
const quarterTurns = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
] as const;

function lengthOf(edge: Edge): number {
  return edge.kind === 'line'
    ? Math.hypot(edge.y1 - edge.y0, edge.z1 - edge.z0)
    : edge.r * Math.abs(edge.sweep);
}

/** Ends of an edge's straight pieces; arcs in steps of at most `step` rad. */
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
