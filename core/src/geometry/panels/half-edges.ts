import type { GeometryMember } from '../geometry.js';
import { norm, type Point } from '../vector.js';

/** A stretch of a panel's boundary: a member, passed from its start or from its end. */
export interface PanelEdge {
  readonly member: string;
  readonly from: string;
  readonly to: string;
  /** m */
  readonly length: number;
  /** Whether the member is passed from its start to its end. */
  readonly forward: boolean;
}

/** Sine of the angle up to which directions count as in a plane. */
const inPlane = 1e-5;
/** Difference of the components of unit normals up to which planes are one. */
const samePlane = 1e-4;

/**
 * Members as pairs of half edges by number: 2k runs along member k from its start to its end, 2k + 1 back, so that h ^ 1 is the way
 * back along h. Faces are walked in a plane that is given by its unit normal, with the face on the left.
 */
export class HalfEdges {
  /** Number of the node at which each half edge begins. */
  readonly from: Int32Array;
  /** Unit direction of each half edge, x y z. */
  readonly direction: Float64Array;
  /** Half edges that leave node n: `leaving` from `first[n]` up to `first[n + 1]`. */
  readonly first: Int32Array;
  readonly leaving: Int32Array;
  private readonly members: GeometryMember[] = [];
  private readonly places: Point[] = [];
  private readonly length: Float64Array;
  /** Planes in which each half edge was passed: a list by half edge, chained. */
  private readonly lastPass: Int32Array;
  private readonly earlierPass: number[] = [];
  private readonly passNormal: Point[] = [];

  /** Of members between the same two nodes only the first counts: the others bound nothing more. */
  constructor(members: readonly GeometryMember[], placeOf: (node: string) => Point) {
    const ends = this.numberNodes(members, placeOf);
    const count = 2 * this.members.length;
    this.from = Int32Array.from(ends);
    this.direction = new Float64Array(3 * count);
    this.length = new Float64Array(this.members.length);
    this.lastPass = new Int32Array(count).fill(-1);
    for (let k = 0; k < this.members.length; k++) this.measure(k);
    const nodes = this.places.length;
    this.first = new Int32Array(nodes + 1);
    for (const node of this.from) this.first[node + 1]!++;
    for (let n = 0; n < nodes; n++) this.first[n + 1]! += this.first[n]!;
    this.leaving = new Int32Array(count);
    const next = this.first.slice();
    for (let half = 0; half < count; half++) this.leaving[next[this.from[half]!]!++] = half;
  }

  /** Takes the members that count. Returns the numbers of their nodes, start and end by turns. */
  private numberNodes(members: readonly GeometryMember[], placeOf: (node: string) => Point): number[] {
    const numbers = new Map<string, number>();
    const numberOf = (node: string): number => {
      let number = numbers.get(node);
      if (number === undefined) {
        numbers.set(node, (number = numbers.size));
        this.places.push(placeOf(node));
      }
      return number;
    };
    const ends: number[] = [];
    const joined = new Set<number>();
    const most = 2 * members.length;
    for (const member of members) {
      const [a, b] = [numberOf(member.start), numberOf(member.end)];
      const pair = Math.min(a, b) * most + Math.max(a, b);
      if (joined.has(pair)) continue;
      joined.add(pair);
      this.members.push(member);
      ends.push(a, b);
    }
    return ends;
  }

  private measure(k: number): void {
    const [p, q] = [this.place(2 * k), this.place(2 * k + 1)];
    const [x, y, z] = [q[0] - p[0], q[1] - p[1], q[2] - p[2]];
    const length = norm(x, y, z);
    this.length[k] = length;
    const at = 6 * k;
    this.direction[at] = x / length;
    this.direction[at + 1] = y / length;
    this.direction[at + 2] = z / length;
    for (let i = 0; i < 3; i++) this.direction[at + 3 + i] = -this.direction[at + i]!;
  }

  /** Where a half edge begins, m. */
  place(half: number): Point {
    return this.places[this.from[half]!]!;
  }

  directionOf(half: number): Point {
    const { direction } = this;
    return [direction[3 * half]!, direction[3 * half + 1]!, direction[3 * half + 2]!];
  }

  edge(half: number): PanelEdge {
    const { id: member, start, end } = this.members[half >> 1]!;
    const forward = (half & 1) === 0;
    const length = this.length[half >> 1]!;
    return { member, from: forward ? start : end, to: forward ? end : start, length, forward };
  }

  /** Whether a walk in that plane went along a half edge. */
  isPassed(half: number, normal: Point): boolean {
    for (let pass = this.lastPass[half]!; pass >= 0; pass = this.earlierPass[pass]!) {
      const n = this.passNormal[pass]!;
      if (
        Math.abs(n[0] - normal[0]) < samePlane &&
        Math.abs(n[1] - normal[1]) < samePlane &&
        Math.abs(n[2] - normal[2]) < samePlane
      )
        return true;
    }
    return false;
  }

  private pass(half: number, normal: Point): void {
    this.earlierPass.push(this.lastPass[half]!);
    this.passNormal.push(normal);
    this.lastPass[half] = this.passNormal.length - 1;
  }

  /** The half edge in the plane that turns farthest to the left after `half`; back along it only where nothing else is; −1 without one. */
  leftmost(half: number, normal: Point): number {
    const { direction, first, leaving } = this;
    const back = half ^ 1;
    const node = this.from[back]!;
    const [nx, ny, nz] = normal;
    const [dx, dy, dz] = [direction[3 * half]!, direction[3 * half + 1]!, direction[3 * half + 2]!];
    // Left of the walk in the plane: normal × direction
    const [lx, ly, lz] = [ny * dz - nz * dy, nz * dx - nx * dz, nx * dy - ny * dx];
    let best = -1;
    let most = -Infinity;
    for (let i = first[node]!; i < first[node + 1]!; i++) {
      const next = leaving[i]!;
      const [x, y, z] = [direction[3 * next]!, direction[3 * next + 1]!, direction[3 * next + 2]!];
      if (Math.abs(x * nx + y * ny + z * nz) > inPlane) continue;
      const turn = next === back ? -3 : turnOf(x * dx + y * dy + z * dz, x * lx + y * ly + z * lz);
      if (turn > most) {
        most = turn;
        best = next;
      }
    }
    return best;
  }

  /** The closed walk that begins along `start`, always turning left; undefined where it does not close. Its face is not walked again. */
  follow(start: number, normal: Point): number[] | undefined {
    const limit = this.from.length + 2;
    const [from, to] = [this.from[start]!, this.from[start ^ 1]!];
    const path: number[] = [];
    let half = start;
    do {
      path.push(half);
      this.pass(half, normal);
      half = this.leftmost(half, normal);
      if (half < 0 || path.length > limit) return undefined;
    } while (this.from[half] !== from || this.from[half ^ 1] !== to);
    // From the other side the same face is walked the other way round
    const reverse: Point = [-normal[0], -normal[1], -normal[2]];
    for (const passed of path) this.pass(passed ^ 1, reverse);
    return path;
  }
}

/** A number from −2 (right round) over 0 (straight on) to 2 (left round) that grows with the angle of a direction. */
function turnOf(ahead: number, left: number): number {
  const cosine = ahead / (Math.abs(ahead) + Math.abs(left));
  return left >= 0 ? 1 - cosine : cosine - 1;
}
