import { greatestMagnitude } from '../../base/magnitude.js';
import { fail } from '../../base/problem.js';
import { Blocks } from './blocks.js';
import type { Frame } from './frame.js';

/** A node's freedom as a combination of unknowns and of given support displacements. */
export interface Dependence {
  readonly unknowns: readonly number[];
  readonly factors: readonly number[];
  /** Support components, see `Constraints.given`. */
  readonly given: readonly number[];
  readonly givenFactors: readonly number[];
}

/** Which displacements are unknowns, and how all others follow from them: u = T·q + G·g. */
export interface Constraints {
  /** 6 a node: number of the unknown, `held` or `dependent`. */
  readonly unknown: Int32Array;
  /** Freedoms that supports with their own axes or rigid groups tie, as 6 × node + freedom. */
  readonly dependents: ReadonlyMap<number, Dependence>;
  /** Support components that dependents refer to: node, and freedom in the support's axes. */
  readonly given: readonly { readonly node: number; readonly freedom: number }[];
  /** Combinations of given values that must vanish: the supports hold a rigid group more than once. */
  readonly conditions: readonly { readonly given: number[]; readonly factors: number[] }[];
  /** Unknowns of each block, and the block and slot of each unknown. */
  readonly weights: Int32Array;
  readonly blockOf: Int32Array;
  readonly slotOf: Int32Array;
  /** x, y, z of each block. */
  readonly positions: Float64Array;
  /** Nodes whose freedoms are all either unknowns of their own or held. */
  readonly plain: Uint8Array;
  /** Rotations that nothing resists, as 6 × node + freedom. */
  readonly dropped: readonly number[];
  /** Nodes that no member and no group touches and no load acts on. */
  readonly loose: readonly number[];
}

export const held = -1;
export const dependent = -2;
const planeFreedoms = [1, 0, 1, 0, 1, 0];

/**
 * Finds the unknowns and eliminates everything that supports and rigid groups tie. Left out are fixed freedoms, those a
 * plane frame does not have, nodes that nothing touches, and rotations without any stiffness (a node where only bars or
 * hinged ends meet) as long as no moment loads them.
 *
 * Rigid groups bring unknowns of their own, the motion of the group; every tie is one equation, and equations are
 * eliminated one after the other, so that groups may share nodes and supports may stand anywhere.
 *
 * @param diagonal 6 a node: the members' stiffness on each freedom
 * @param loaded 6 a node: 1 where a load acts
 */
export function findConstraints(frame: Frame, diagonal: Float64Array, loaded: Uint8Array): Constraints {
  const nodeCount = frame.nodeIds.length;
  const exists = (k: number) => !frame.plane || planeFreedoms[k] === 1;
  const { plain, touched } = kindsOfNodes(frame);
  const ties = new Ties(frame);
  if (frame.groups.length > 0 || frame.supportAxes.size > 0) ties.eliminate(plain, exists);

  const unknown = new Int32Array(6 * nodeCount).fill(held);
  const dropped: number[] = [];
  const loose: number[] = [];
  const blocks = new Blocks();
  for (let n = 0; n < nodeCount; n++) {
    if (!touched[n] && !loaded.subarray(6 * n, 6 * n + 6).includes(1)) {
      loose.push(n);
      continue;
    }
    blocks.begin(() => [frame.xyz[3 * n]!, frame.xyz[3 * n + 1]!, frame.xyz[3 * n + 2]!]);
    const scale = Math.max(diagonal[6 * n]!, diagonal[6 * n + 1]!, diagonal[6 * n + 2]!);
    for (let k = 0; k < 6; k++) {
      const i = 6 * n + k;
      if (!exists(k) || (plain[n] && frame.restraint[i] === Infinity)) continue;
      if (!plain[n] && ties.isTied(i)) {
        unknown[i] = dependent;
        continue;
      }
      const spring = plain[n] ? frame.restraint[i]! : ties.springOn(i);
      // A rotation's stiffness is compared with that of the node's stiffest translation over a unit length
      const resisted = diagonal[i]! + spring > 1e-12 * scale || ties.uses(i);
      if (k >= 3 && !resisted && !loaded[i]) dropped.push(i);
      else unknown[i] = blocks.next();
    }
  }
  const ofGroups = new Map<number, number>();
  frame.groups.forEach((_, g) => {
    blocks.begin(() => ties.centre(g));
    for (let k = 0; k < 6; k++) {
      const v = ties.groupVariable(g, k);
      if (ties.uses(v) && !ties.isTied(v)) ofGroups.set(v, blocks.next());
    }
  });
  const numberOf = (v: number) => ofGroups.get(v) ?? unknown[v] ?? held;
  const dependents = new Map<number, Dependence>();
  for (let i = 0; i < unknown.length; i++)
    if (unknown[i] === dependent) dependents.set(i, ties.dependence(i, numberOf));
  return {
    unknown,
    dependents,
    given: ties.given,
    conditions: ties.conditions,
    weights: Int32Array.from(blocks.weights),
    blockOf: Int32Array.from(blocks.blockOf),
    slotOf: Int32Array.from(blocks.slotOf),
    positions: Float64Array.from(blocks.positions),
    plain,
    dropped,
    loose,
  };
}

/** Nodes that no group and no support with its own axes ties, and nodes that a member or a held group touches: 1. */
function kindsOfNodes(frame: Frame): { plain: Uint8Array; touched: Uint8Array } {
  const plain = new Uint8Array(frame.nodeIds.length).fill(1);
  const touched = new Uint8Array(frame.nodeIds.length);
  for (const n of frame.start) touched[n] = 1;
  for (const n of frame.end) touched[n] = 1;
  for (const group of frame.groups) for (const n of group.nodes) plain[n] = 0;
  for (const group of frame.groups)
    if (group.kind === 'body' || group.nodes.some((n) => touched[n] === 1))
      for (const n of group.nodes) touched[n] = 1;
  for (const n of frame.supportAxes.keys()) plain[n] = 0;
  return { plain, touched };
}

/** A linear combination: coefficients by variable, and by given support component. */
interface Combination {
  readonly of: Map<number, number>;
  readonly given: Map<number, number>;
}

/** Elimination of the equations that groups and inclined supports bring. Variables: nodes' freedoms, then groups'. */
class Ties {
  readonly given: { node: number; freedom: number }[] = [];
  readonly conditions: { given: number[]; factors: number[] }[] = [];
  private readonly frame: Frame;
  private readonly first: number;
  private readonly size: number;
  private readonly tied = new Map<number, Combination>();
  private readonly used = new Set<number>();
  private readonly solved = new Map<number, Combination>();

  constructor(frame: Frame) {
    this.frame = frame;
    this.first = 6 * frame.nodeIds.length;
    this.size = frame.groups.length > 0 ? extent(frame) : 1;
  }

  groupVariable(group: number, k: number): number {
    return this.first + 6 * group + k;
  }

  isTied(v: number): boolean {
    return this.tied.has(v);
  }

  /** True where a tied freedom may follow this one. */
  uses(v: number): boolean {
    return this.used.has(v);
  }

  /** Stiffness that an inclined spring puts on a node's freedom. */
  springOn(i: number): number {
    const n = Math.floor(i / 6);
    const Q = this.frame.supportAxes.get(n);
    const k = i % 6;
    if (!Q) return this.frame.restraint[i]!;
    const base = k < 3 ? 0 : 3;
    let sum = 0;
    for (let a = 0; a < 3; a++) {
      const spring = this.frame.restraint[6 * n + base + a]!;
      if (Number.isFinite(spring)) sum += spring * Q[3 * a + (k % 3)]! ** 2;
    }
    return sum;
  }

  centre(g: number): [number, number, number] {
    const { nodes } = this.frame.groups[g]!;
    const sum: [number, number, number] = [0, 0, 0];
    for (const n of nodes) for (let k = 0; k < 3; k++) sum[k]! += this.frame.xyz[3 * n + k]! / nodes.length;
    return sum;
  }

  eliminate(plain: Uint8Array, exists: (k: number) => boolean): void {
    this.frame.groups.forEach((group, g) => {
      const centre = this.centre(g);
      for (const n of group.nodes) {
        const r = [0, 1, 2].map((k) => this.frame.xyz[3 * n + k]! - centre[k]!);
        for (const direction of this.tiedDirections(g, exists))
          this.tie(this.motion(g, n, r, direction, exists));
      }
    });
    for (let n = 0; n < plain.length; n++) {
      if (plain[n]) continue;
      const Q = this.frame.supportAxes.get(n);
      for (let k = 0; k < 6; k++) {
        if (this.frame.restraint[6 * n + k] !== Infinity) continue;
        const base = 6 * n + (k < 3 ? 0 : 3);
        const of = new Map<number, number>();
        for (let a = 0; a < 3; a++) {
          const factor = Q ? Q[3 * (k % 3) + a]! : a === k % 3 ? 1 : 0;
          if (factor !== 0 && exists((base % 6) + a)) of.set(base + a, factor);
        }
        if (of.size === 0) continue;
        this.given.push({ node: n, freedom: k });
        this.tie({ of, given: new Map([[this.given.length - 1, -1]]) });
      }
    }
  }

  /** Directions a group ties, as unit vectors for translations or rotations. */
  private tiedDirections(g: number, exists: (k: number) => boolean): { d: number[]; turn: boolean }[] {
    const group = this.frame.groups[g]!;
    const axes = [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ];
    if (group.kind === 'body')
      return [
        ...axes.filter((_, k) => exists(k)).map((d) => ({ d, turn: false })),
        ...axes.filter((_, k) => exists(3 + k)).map((d) => ({ d, turn: true })),
      ];
    const n = group.normal;
    const flat = axes[[0, 1, 2].reduce((a, b) => (Math.abs(n[b]!) < Math.abs(n[a]!) ? b : a))]!;
    const along = flat[0]! * n[0] + flat[1]! * n[1] + flat[2]! * n[2];
    const raw = flat.map((x, k) => x - along * n[k]!);
    const e1 = raw.map((x) => x / Math.hypot(...raw));
    const e2 = [n[1] * e1[2]! - n[2] * e1[1]!, n[2] * e1[0]! - n[0] * e1[2]!, n[0] * e1[1]! - n[1] * e1[0]!];
    return [
      { d: e1, turn: false },
      { d: e2, turn: false },
      { d: [...n], turn: true },
    ];
  }

  /** d·(node's motion) − d·(the group's motion there) = 0. */
  private motion(
    g: number,
    n: number,
    r: readonly number[],
    { d, turn }: { d: readonly number[]; turn: boolean },
    exists: (k: number) => boolean,
  ): Combination {
    const of = new Map<number, number>();
    const offset = turn ? 3 : 0;
    // Rotations of the group move a point at r by θ × r: d·(θ × r) = θ·(r × d)
    const cross = [
      r[1]! * d[2]! - r[2]! * d[1]!,
      r[2]! * d[0]! - r[0]! * d[2]!,
      r[0]! * d[1]! - r[1]! * d[0]!,
    ];
    const group = this.frame.groups[g]!;
    for (let k = 0; k < 3; k++) {
      if (d[k] !== 0 && exists(offset + k)) {
        of.set(6 * n + offset + k, d[k]!);
        of.set(this.groupVariable(g, offset + k), -d[k]!);
      }
      if (turn) continue;
      // In a plane group only the rotation about the normal counts
      let factor = cross[k]!;
      if (group.kind === 'plane')
        factor =
          group.normal[k]! *
          (cross[0]! * group.normal[0] + cross[1]! * group.normal[1] + cross[2]! * group.normal[2]);
      if (factor !== 0 && exists(3 + k)) of.set(this.groupVariable(g, 3 + k), -factor);
    }
    return { of, given: new Map() };
  }

  /** Rotations count by what they move over the frame's size. */
  private weight(v: number): number {
    return v % 6 < 3 ? 1 : 1 / this.size;
  }

  private tie(equation: Combination): void {
    let largest = 0;
    equation.of.forEach((c, v) => {
      this.used.add(v);
      largest = Math.max(largest, Math.abs(c) * this.weight(v));
    });
    const { of, given } = this.substitute(equation);
    let pivot = -1;
    let best = 0;
    for (const preferNodes of [true, false]) {
      of.forEach((c, v) => {
        const size = Math.abs(c) * this.weight(v);
        if (preferNodes !== v < this.first || size <= 1e-9 * largest) return;
        if (size > best * (1 + 1e-9)) {
          best = size;
          pivot = v;
        }
      });
      if (pivot >= 0) break;
    }
    if (pivot < 0) {
      const significant = [...given].filter(([, c]) => Math.abs(c) > 1e-9);
      if (significant.length > 0)
        this.conditions.push({ given: significant.map(([g]) => g), factors: significant.map(([, c]) => c) });
      return;
    }
    const p = of.get(pivot)!;
    of.delete(pivot);
    const scaled = (map: Map<number, number>) => new Map([...map].map(([v, c]) => [v, -c / p]));
    this.tied.set(pivot, { of: scaled(of), given: scaled(given) });
  }

  /** The combination with every tied variable replaced. */
  private substitute(equation: Combination): Combination {
    const of = new Map<number, number>();
    const given = new Map(equation.given);
    const add = (map: Map<number, number>, v: number, c: number) => map.set(v, (map.get(v) ?? 0) + c);
    const queue = [...equation.of];
    while (queue.length > 0) {
      const [v, c] = queue.pop()!;
      const tied = this.tied.get(v);
      if (!tied) {
        add(of, v, c);
        continue;
      }
      tied.of.forEach((factor, other) => queue.push([other, c * factor]));
      tied.given.forEach((factor, g) => add(given, g, c * factor));
    }
    return { of, given };
  }

  dependence(i: number, numberOf: (v: number) => number): Dependence {
    let done = this.solved.get(i);
    if (!done) this.solved.set(i, (done = this.substitute(this.tied.get(i)!)));
    const terms = [...done.of].filter(([v, c]) => c !== 0 && numberOf(v) >= 0);
    const givens = [...done.given].filter(([, c]) => c !== 0);
    return {
      unknowns: terms.map(([v]) => numberOf(v)),
      factors: terms.map(([, c]) => c),
      given: givens.map(([g]) => g),
      givenFactors: givens.map(([, c]) => c),
    };
  }
}

/** Largest side of the box around the nodes, m. */
export function extent(frame: Frame): number {
  let size = 0;
  for (let k = 0; k < 3; k++) {
    let low = Infinity;
    let high = -Infinity;
    for (let i = k; i < frame.xyz.length; i += 3) {
      low = Math.min(low, frame.xyz[i]!);
      high = Math.max(high, frame.xyz[i]!);
    }
    size = Math.max(size, high - low);
  }
  return size || 1;
}

/**
 * Values of the given support components under settlements.
 *
 * @param settled 6 a node, in the supports' axes
 * @throws ProblemError `invalid-model` where supports of one rigid group settle apart
 */
export function givenValues(frame: Frame, constraints: Constraints, settled: Float64Array): Float64Array {
  const values = Float64Array.from(constraints.given, ({ node, freedom }) => settled[6 * node + freedom]!);
  const largest = greatestMagnitude(values);
  for (const { given, factors } of constraints.conditions) {
    const gap = given.reduce((sum, g, k) => sum + factors[k]! * values[g]!, 0);
    if (Math.abs(gap) > 1e-9 * largest) {
      const names = [...new Set(given.map((g) => `"${frame.nodeIds[constraints.given[g]!.node]!}"`))].join(
        ', ',
      );
      fail(
        'invalid-model',
        `The supports at ${names} settle apart although a rigid group ties them; settle them together or take the group away.`,
        { nodes: given.map((g) => frame.nodeIds[constraints.given[g]!.node]!) },
      );
    }
  }
  return values;
}
