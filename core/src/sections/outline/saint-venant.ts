import Delaunator from 'delaunator';
import { inside, integrate, polygons, type Outline } from './outline.js';

/** What Saint-Venant's torsion gives of a section. */
export interface TorsionProperties {
  /** m⁴ */
  readonly J: number;
  /** About the shear centre, m⁶. */
  readonly Iw: number;
  /** Shear centre from the centroid, m (Trefftz: the pole without warping moments). */
  readonly ys: number;
  readonly zs: number;
}

/**
 * Torsion and warping of any outline by finite elements: ∇²ω = 0 with ∂ω/∂n = z·ny − y·nz on the boundary (Timoshenko and
 * Goodier, Theory of Elasticity, art. 104), triangles with quadratic shape functions, about three through a wall.
 * J = ∫(∂ω/∂y − z)² + (∂ω/∂z + y)² dA. Errors below 0.5 % for walls down to 1/100 of the section's size.
 */
export function saintVenant(outline: Outline): TorsionProperties {
  const area = integrate(outline);
  const mesh = meshOf(outline, area);
  const system = assemble(mesh);
  const omega = solve(system);
  let [J, mean, my, mz, square] = [0, 0, 0, 0, 0];
  eachQuadraturePoint(mesh, ({ weight, y, z, N, nodes, gradient }) => {
    let [w, wy, wz] = [0, -z, y];
    for (let i = 0; i < 6; i++) {
      const value = omega[nodes[i]!]!;
      w += N[i]! * value;
      wy += gradient[i]![0] * value;
      wz += gradient[i]![1] * value;
    }
    J += weight * (wy * wy + wz * wz);
    mean += weight * w;
    my += weight * w * y;
    mz += weight * w * z;
    square += weight * w * w;
  });
  const { A, Iy, Iz, Iyz } = area;
  // ω about the shear centre, ω − zs·y + ys·z, does no work on bending: its moments with y and z vanish
  const d = Iy * Iz - Iyz * Iyz;
  const zs = (my * Iy - mz * Iyz) / d;
  const ys = (my * Iyz - mz * Iz) / d;
  const Iw = square - (mean * mean) / A - zs * my + ys * mz;
  return { J, Iw: Math.max(0, Iw), ys, zs };
}

interface Mesh {
  /** Coordinates from the centroid, two a node; corners first, then the middles of edges. */
  readonly at: Float64Array;
  /** Six nodes a triangle: corners, then the middles after each corner. */
  readonly triangles: Int32Array;
}

const mostBoundaryPoints = 3000;
/** Rings with more corners are meshed without those that change next to nothing: triangles would be slivers. */
const mostCorners = 32;
/** How far the ring may leave its corners then, as a share of a triangle's size. */
const flat = 1e-3;

function meshOf(outline: Outline, area: { A: number; y: number; z: number }): Mesh {
  const coarse = polygons(outline, 0.1);
  const around = coarse.reduce((sum, ring) => sum + ringLength(ring), 0);
  // A wall is about 2A/perimeter thick
  const size = Math.max(area.A / (1.4 * around), around / mostBoundaryPoints);
  const rings = coarse.map((ring) => divided(ring.length > mostCorners ? thinned(ring, size) : ring, size));
  const points = rings.flat();
  const [low, high] = [0, 1]
    .map((k) => points.map((p) => p[k]!))
    .flatMap((v) => [[Math.min(...v), Math.max(...v)]]) as [[number, number], [number, number]];
  const boundary = new Grid(size);
  for (const p of points) boundary.add(p);
  const within = (y: number, z: number) =>
    inside(rings[0]!, y, z) && !rings.slice(1).some((ring) => inside(ring, y, z));
  const inner: Point[] = [];
  const rise = size * Math.sqrt(0.75);
  for (let z = high[0] + rise / 2, row = 0; z < high[1]; z += rise, row++)
    for (let y = low[0] + ((row % 2) + 0.5) * (size / 2); y < low[1]; y += size)
      if (!boundary.near(y, z, 0.6 * size) && within(y, z)) inner.push([y, z]);
  const corners = [...points, ...inner];
  const found = Delaunator.from(
    corners,
    (p) => p[0],
    (p) => p[1],
  ).triangles;
  const kept: number[] = [];
  for (let t = 0; t < found.length; t += 3) {
    const [a, b, c] = [found[t]!, found[t + 1]!, found[t + 2]!];
    const [pa, pb, pc] = [corners[a]!, corners[b]!, corners[c]!];
    const twice = (pb[0] - pa[0]) * (pc[1] - pa[1]) - (pb[1] - pa[1]) * (pc[0] - pa[0]);
    if (Math.abs(twice) < 1e-6 * size * size) continue;
    if (!within((pa[0] + pb[0] + pc[0]) / 3, (pa[1] + pb[1] + pc[1]) / 3)) continue;
    kept.push(a, twice > 0 ? b : c, twice > 0 ? c : b);
  }
  return withMiddles(corners, kept, area);
}

type Point = readonly [number, number];

function ringLength(ring: readonly Point[]): number {
  return ring.reduce((sum, p, i) => sum + distance(p, ring[(i + 1) % ring.length]!), 0);
}

function distance(a: Point, b: Point): number {
  return Math.hypot(b[0] - a[0], b[1] - a[1]);
}

/** A ring without corners that lie close together and next to the line between those that are kept. */
function thinned(ring: readonly Point[], size: number): Point[] {
  const kept: Point[] = [ring[0]!];
  let from = 0;
  for (let i = 1; i < ring.length; i++) {
    const [a, b] = [ring[from]!, ring[(i + 1) % ring.length]!];
    const length = distance(a, b);
    const isFlat = (p: Point) =>
      Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) <= flat * size * length;
    if (length < size / 3 && ring.slice(from + 1, i + 1).every(isFlat)) continue;
    kept.push(ring[i]!);
    from = i;
  }
  return kept.length < 3 ? [...ring] : kept;
}

/** A ring with no side longer than `size`. */
function divided(ring: readonly Point[], size: number): Point[] {
  return ring.flatMap((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    const count = Math.max(1, Math.ceil(distance(p, q) / size));
    return Array.from(
      { length: count },
      (_, k) => [p[0] + ((q[0] - p[0]) * k) / count, p[1] + ((q[1] - p[1]) * k) / count] as const,
    );
  });
}

/** Points by square cells, to find whether one is near. */
class Grid {
  private readonly cells = new Map<string, Point[]>();
  private readonly size: number;

  constructor(size: number) {
    this.size = size;
  }

  add(p: Point): void {
    const key = `${Math.floor(p[0] / this.size)},${Math.floor(p[1] / this.size)}`;
    const cell = this.cells.get(key);
    if (cell) cell.push(p);
    else this.cells.set(key, [p]);
  }

  near(y: number, z: number, limit: number): boolean {
    const i = Math.floor(y / this.size);
    const j = Math.floor(z / this.size);
    for (let a = i - 1; a <= i + 1; a++)
      for (let b = j - 1; b <= j + 1; b++)
        for (const p of this.cells.get(`${a},${b}`) ?? [])
          if (Math.hypot(p[0] - y, p[1] - z) < limit) return true;
    return false;
  }
}

function withMiddles(
  corners: readonly Point[],
  kept: readonly number[],
  centre: { y: number; z: number },
): Mesh {
  const coordinates = corners.flatMap(([y, z]) => [y - centre.y, z - centre.z]);
  const middles = new Map<number, number>();
  const count = corners.length;
  const middle = (a: number, b: number): number => {
    const key = Math.min(a, b) * count + Math.max(a, b);
    let node = middles.get(key);
    if (node === undefined) {
      node = coordinates.length / 2;
      middles.set(key, node);
      for (let k = 0; k < 2; k++) coordinates.push((coordinates[2 * a + k]! + coordinates[2 * b + k]!) / 2);
    }
    return node;
  };
  const triangles = new Int32Array(2 * kept.length);
  for (let t = 0; t < kept.length; t += 3) {
    const [a, b, c] = [kept[t]!, kept[t + 1]!, kept[t + 2]!];
    triangles.set([a, b, c, middle(a, b), middle(b, c), middle(c, a)], 2 * t);
  }
  return { at: Float64Array.from(coordinates), triangles };
}

/** Six points exact to the fourth degree (Dunavant 1985): weight and two of the three area coordinates. */
const rule = (() => {
  const out: [weight: number, l1: number, l2: number][] = [];
  for (const [weight, a] of [
    [0.223381589678011, 0.445948490915965],
    [0.109951743655322, 0.091576213509771],
  ] as const)
    out.push([weight, a, a], [weight, a, 1 - 2 * a], [weight, 1 - 2 * a, a]);
  return out;
})();

/** A point of integration on a triangle: the shape functions of its six nodes and their gradients there. */
interface QuadraturePoint {
  /** m² */
  readonly weight: number;
  readonly y: number;
  readonly z: number;
  readonly N: readonly number[];
  readonly nodes: Int32Array;
  readonly gradient: readonly (readonly [number, number])[];
}

function eachQuadraturePoint({ at, triangles }: Mesh, visit: (point: QuadraturePoint) => void): void {
  for (let t = 0; t < triangles.length; t += 6) {
    const nodes = triangles.subarray(t, t + 6);
    const [ya, za, yb, zb, yc, zc] = [0, 1, 2].flatMap((k) => [
      at[2 * nodes[k]!]!,
      at[2 * nodes[k]! + 1]!,
    ]) as [number, number, number, number, number, number];
    const twice = (yb - ya) * (zc - za) - (yc - ya) * (zb - za);
    // Gradients of the area coordinates
    const g = [
      [(zb - zc) / twice, (yc - yb) / twice],
      [(zc - za) / twice, (ya - yc) / twice],
      [(za - zb) / twice, (yb - ya) / twice],
    ] as const;
    for (const [share, l1, l2] of rule) {
      const l = [l1, l2, 1 - l1 - l2] as const;
      const N = [0, 1, 2].map((i) => l[i]! * (2 * l[i]! - 1));
      const gradient = [0, 1, 2].map((i) => g[i]!.map((v) => v * (4 * l[i]! - 1)) as [number, number]);
      for (let i = 0; i < 3; i++) {
        const j = (i + 1) % 3;
        N.push(4 * l[i]! * l[j]!);
        gradient.push([0, 1].map((k) => 4 * (l[i]! * g[j]![k]! + l[j]! * g[i]![k]!)) as [number, number]);
      }
      const [y, z] = [l[0] * ya + l[1] * yb + l[2] * yc, l[0] * za + l[1] * zb + l[2] * zc];
      visit({ weight: (share * twice) / 2, y, z, N, nodes, gradient });
    }
  }
}

/** Rows of the symmetric matrix by column, and the right-hand side. */
interface System {
  readonly rows: Map<number, number>[];
  readonly load: Float64Array;
}

function assemble(mesh: Mesh): System {
  const count = mesh.at.length / 2;
  const rows = Array.from({ length: count }, () => new Map<number, number>());
  const load = new Float64Array(count);
  eachQuadraturePoint(mesh, ({ weight, y, z, nodes, gradient }) => {
    for (let i = 0; i < 6; i++) {
      const [gy, gz] = gradient[i]!;
      const row = rows[nodes[i]!]!;
      load[nodes[i]!]! += weight * (gy * z - gz * y);
      for (let j = 0; j < 6; j++) {
        const k = weight * (gy * gradient[j]![0] + gz * gradient[j]![1]);
        row.set(nodes[j]!, (row.get(nodes[j]!) ?? 0) + k);
      }
    }
  });
  return { rows, load };
}

/** Conjugate gradients, preconditioned by the diagonal; ω is determined but for a constant, which the start leaves out. */
function solve({ rows, load }: System): Float64Array {
  const n = load.length;
  const starts = new Int32Array(n + 1);
  rows.forEach((row, i) => (starts[i + 1] = starts[i]! + row.size));
  const columns = new Int32Array(starts[n]!);
  const values = new Float64Array(starts[n]!);
  rows.forEach((row, i) => {
    let at = starts[i]!;
    for (const [j, v] of row) {
      columns[at] = j;
      values[at++] = v;
    }
  });
  // Corners of the triangulation that no triangle kept have no row
  const diagonal = Float64Array.from(rows, (row, i) => row.get(i) ?? 1);
  const x = new Float64Array(n);
  const r = Float64Array.from(load);
  const z = r.map((v, i) => v / diagonal[i]!);
  const p = Float64Array.from(z);
  const q = new Float64Array(n);
  const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
  let rz = dot(r, z);
  const stop = 1e-20 * rz;
  for (let k = 0; k < 20 * n && rz > stop; k++) {
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let a = starts[i]!; a < starts[i + 1]!; a++) sum += values[a]! * p[columns[a]!]!;
      q[i] = sum;
    }
    const step = rz / dot(p, q);
    for (let i = 0; i < n; i++) {
      x[i]! += step * p[i]!;
      r[i]! -= step * q[i]!;
      z[i] = r[i]! / diagonal[i]!;
    }
    const next = dot(r, z);
    for (let i = 0; i < n; i++) p[i] = z[i]! + (next / rz) * p[i]!;
    rz = next;
  }
  return x;
}
