import { fail } from '../../base/problem.js';
import type { CaseLoads } from '../loads/case-loads.js';
import { addStartForces, fieldOf, type MemberField } from '../member-field.js';
import type { LoadField, MemberLoadFields } from '../loads/member-loads.js';
import { derivative, polynomialAt, rootsBetween, shiftOrigin } from '../polynomial.js';
import type { Factor } from '../sparse/factor.js';
import { solveLinear, type Prepared } from '../first-order/static.js';

/** What an influence line is of. */
export type InfluenceTarget =
  /** Internal force of a member at x (m from its start). */
  | { readonly kind: 'force'; readonly member: string; readonly x: number; readonly name: ForceOf }
  /** Reaction of a support, along its own axes: 0 … 5 for ux … rz. */
  | { readonly kind: 'reaction'; readonly node: string; readonly freedom: number }
  /** Displacement of a node, global: 0 … 5 for ux … rz. */
  | { readonly kind: 'displacement'; readonly node: string; readonly freedom: number };
type ForceOf = 'N' | 'Vy' | 'Vz' | 'T' | 'My' | 'Mz';

/** A way along members that loads travel, each member from its start unless reversed. */
export interface TravelLine {
  readonly members: readonly { readonly id: string; readonly reversed?: boolean }[];
  /** Direction of the travelling force, global; straight down where left out. */
  readonly direction?: readonly [number, number, number];
}

/** The target's value under a unit force at each place of the line: exact polynomials by segment. */
export interface InfluenceLine {
  /** Ends of the segments, m along the line from its beginning. */
  readonly breaks: readonly number[];
  /** By segment: coefficients of the distance from its start. */
  readonly coefficients: readonly Float64Array[];
}

const forceOrder: readonly ForceOf[] = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];
/** Betti: the force's work on its own dislocation and the travelling force's on the displacement cancel. */
const forceSigns = [1, -1, -1, 1, -1, 1] as const;

/**
 * Influence line by Müller-Breslau's principle: the deflected line under a unit dislocation, settlement or force that
 * belongs to the target. First order, all members acting.
 *
 * @param factor of the frame's stiffness
 */
export function influenceLine(
  prepared: Prepared,
  factor: Factor,
  target: InfluenceTarget,
  line: TravelLine,
): InfluenceLine {
  const { field, sign } = deflected(prepared, factor, target);
  const { frame } = prepared;
  const [dx, dy, dz] = line.direction ?? [0, 0, -1];
  const breaks = [0];
  const coefficients: Float64Array[] = [];
  for (const { id, reversed } of line.members) {
    const m = frame.memberIndex.get(id);
    if (m === undefined)
      return fail('invalid-model', `The travelled member "${id}" is not in the frame.`, { member: id });
    const own = field(m);
    const a = 9 * m;
    const along = (row: number) =>
      dx * frame.axes[a + row]! + dy * frame.axes[a + row + 1]! + dz * frame.axes[a + row + 2]!;
    const parts = [along(0), along(3), along(6)];
    const D = own.displacementTerms;
    const segments = Array.from({ length: own.breaks.length - 1 }, (_, s) => {
      const c = new Float64Array(D);
      for (let k = 0; k < 3; k++)
        for (let i = 0; i < D; i++) c[i]! += sign * parts[k]! * own.displacements[D * (4 * s + k) + i]!;
      const h = own.breaks[s + 1]! - own.breaks[s]!;
      return { h, c: reversed ? mirrored(c, h) : c };
    });
    if (reversed) segments.reverse();
    for (const { h, c } of segments) {
      breaks.push(breaks[breaks.length - 1]! + h);
      coefficients.push(c);
    }
  }
  return { breaks, coefficients };
}

/** Coefficients of c(h − t). */
function mirrored(c: Float64Array, h: number): Float64Array {
  const out = c.slice();
  shiftOrigin(out, 0, out.length, h);
  return out.map((value, k) => (k % 2 === 1 ? -value : value));
}

function deflected(
  prepared: Prepared,
  factor: Factor,
  target: InfluenceTarget,
): { field: (m: number) => MemberField; sign: number } {
  const { frame } = prepared;
  const none: CaseLoads = {
    nodal: new Float64Array(6 * frame.nodeIds.length),
    settled: new Float64Array(6 * frame.nodeIds.length),
    fields: new Array<LoadField | undefined>(frame.memberIds.length).fill(undefined),
  };
  if (target.kind === 'force') return dislocated(prepared, factor, target, none);
  const n = frame.nodeIndex.get(target.node);
  if (n === undefined)
    return fail('invalid-model', `The node "${target.node}" is not in the frame.`, { node: target.node });
  const i = 6 * n + target.freedom;
  if (target.kind === 'reaction') {
    if (frame.restraint[i] === 0)
      return fail(
        'invalid-model',
        `Nothing holds the node "${target.node}" in that direction; choose a support.`,
        {
          node: target.node,
        },
      );
    none.settled[i] = 1;
  } else none.nodal[i] = 1;
  return {
    field: fieldsOf(prepared, prepared.loads, factor, none),
    sign: target.kind === 'reaction' ? -1 : 1,
  };
}

function dislocated(
  prepared: Prepared,
  factor: Factor,
  { member, x, name }: Extract<InfluenceTarget, { kind: 'force' }>,
  none: CaseLoads,
): { field: (m: number) => MemberField; sign: number } {
  const { frame, loads } = prepared;
  const m = frame.memberIndex.get(member);
  if (m === undefined)
    return fail('invalid-model', `The member "${member}" is not in the frame.`, { member });
  const L = frame.length[m]!;
  if (!(x >= 0 && x <= L))
    return fail('invalid-model', `The place ${x} m is not on the member "${member}", which is ${L} m long.`, {
      member,
    });
  const own = loads.breaks[m]!;
  const breaks = own.some((b) => Math.abs(b - x) <= 1e-12 * L)
    ? own
    : Float64Array.from([...own, x].sort((a, b) => a - b));
  const k = forceOrder.indexOf(name);
  const by = new Float64Array(6);
  by[k] = 1;
  const segment = breaks.findIndex((b) => Math.abs(b - x) <= 1e-12 * L);
  const fields = none.fields.slice();
  fields[m] = {
    forces: new Float64Array(6 * loads.terms[m]! * (breaks.length - 1)),
    end: new Float64Array(6),
    strain: [0, 0, 0],
    dislocations: [{ segment, by }],
  };
  const allBreaks = loads.breaks.slice();
  allBreaks[m] = breaks;
  const changed: MemberLoadFields = { ...loads, breaks: allBreaks };
  return {
    field: fieldsOf({ ...prepared, loads: changed }, changed, factor, { ...none, fields }),
    sign: forceSigns[k]!,
  };
}

function fieldsOf(
  prepared: Prepared,
  loads: MemberLoadFields,
  factor: Factor,
  acting: CaseLoads,
): (m: number) => MemberField {
  const { frame } = prepared;
  const { startStates } = solveLinear(prepared, factor, [acting])[0]!;
  return (m) => {
    const given = acting.fields[m];
    const breaks = loads.breaks[m]!;
    const terms = loads.terms[m]!;
    const forces = given ? given.forces.slice() : new Float64Array(6 * terms * (breaks.length - 1));
    const start = startStates.subarray(12 * m, 12 * m + 12);
    addStartForces(forces, terms, breaks, start, 0);
    const dislocations = given?.dislocations ?? [];
    return fieldOf(frame, m, { breaks, terms, forces, strain: [0, 0, 0], dislocations }, start);
  };
}

/** Value of an influence line at s m along the line; at a jump the one behind it. Zero beside the line. */
export function influenceAt({ breaks, coefficients }: InfluenceLine, s: number): number {
  if (s < 0 || s > breaks[breaks.length - 1]!) return 0;
  let k = 0;
  while (k + 2 < breaks.length && s >= breaks[k + 1]!) k++;
  return polynomialAt(coefficients[k]!, 0, coefficients[k]!.length, s - breaks[k]!);
}

/** Area under the positive and under the negative parts of an influence line: what a line load of 1 N/m brings at most. */
export function influenceAreas({ breaks, coefficients }: InfluenceLine): {
  positive: number;
  negative: number;
} {
  let positive = 0;
  let negative = 0;
  coefficients.forEach((c, k) => {
    const h = breaks[k + 1]! - breaks[k]!;
    const places = [0, ...rootsBetween(c, 0, h), h];
    for (let i = 0; i + 1 < places.length; i++) {
      const area = integral(c, places[i]!, places[i + 1]!);
      if (area > 0) positive += area;
      else negative += area;
    }
  });
  return { positive, negative };
}

function integral(c: Float64Array, a: number, b: number): number {
  let sum = 0;
  c.forEach((value, k) => (sum += (value * (b ** (k + 1) - a ** (k + 1))) / (k + 1)));
  return sum;
}

/** A train of forces: each with its size (N) and its distance behind the first (m). */
export type Train = readonly { readonly force: number; readonly behind: number }[];

/** An extreme of a train's effect and where its first force stands then, m along the line. */
export interface TrainExtreme {
  readonly value: number;
  readonly at: number;
}

/**
 * Largest and smallest effect of a train that travels along a line, from its first force's coming to its last one's leaving; forces off
 * the line are not counted. The effect between
 * two places where a force passes a break is one polynomial; its turning points are found, not sampled.
 */
export function trainExtremes(line: InfluenceLine, train: Train): { max: TrainExtreme; min: TrainExtreme } {
  const { breaks, coefficients } = line;
  const places = [...new Set(train.flatMap(({ behind }) => breaks.map((b) => b + behind)))].sort(
    (a, b) => a - b,
  );
  let max: TrainExtreme = { value: -Infinity, at: 0 };
  let min: TrainExtreme = { value: Infinity, at: 0 };
  const consider = (value: number, at: number): void => {
    if (value > max.value) max = { value, at };
    if (value < min.value) min = { value, at };
  };
  const length = breaks[breaks.length - 1]!;
  for (let p = 0; p + 1 < places.length; p++) {
    const from = places[p]!;
    const h = places[p + 1]! - from;
    if (h <= 1e-12 * length) continue;
    let sum = new Float64Array(1);
    for (const { force, behind } of train) {
      const s = from + h / 2 - behind;
      if (s < 0 || s > length) continue;
      let k = 0;
      while (k + 2 < breaks.length && s >= breaks[k + 1]!) k++;
      const c = coefficients[k]!.slice();
      const d = from - behind - breaks[k]!;
      shiftOrigin(c, 0, c.length, d);
      if (c.length > sum.length) {
        const longer = new Float64Array(c.length);
        longer.set(sum);
        sum = longer;
      }
      c.forEach((value, i) => (sum[i]! += force * value));
    }
    for (const t of [0, h, ...rootsBetween(derivative(sum), 0, h)])
      consider(polynomialAt(sum, 0, sum.length, t), from + t);
  }
  return { max, min };
}
