import { isZero } from '../../base/magnitude.js';
import { bendingPlanes, type BendingPlane } from '../frame/element.js';
import { addTimes, type CaseLoads } from '../loads/case-loads.js';
import { clampedForces } from '../loads/clamped-forces.js';
import type { Constraints } from '../frame/constraints.js';
import { clampedStiffness, type Elements } from '../frame/elements.js';
import type { Frame } from '../frame/frame.js';
import { ShortArrays } from '../../base/short-arrays.js';
import { condenseLoads, displaceInside } from '../frame/hinges.js';
import type { LoadField, MemberLoadFields } from '../loads/member-loads.js';
import { addToNodes, toMember } from '../frame/transform.js';

/** Forces of a clamped member under its loads, through its hinges, with what stays inside them. */
export interface ClampedLoad {
  readonly f: Float64Array;
  readonly inside: Float64Array;
}

/** Clamped forces of every loaded member of a load case, formed once for its loads and the members' stiffness. */
export class ClampedLoads {
  private static readonly kept = new WeakMap<CaseLoads, ClampedLoads>();
  private readonly fields: CaseLoads['fields'];
  private readonly arrays = new ShortArrays();
  /** The last that was formed of a field that members share, and for which stiffness. */
  private readonly formed = new Map<LoadField, { at: number; load: ClampedLoad }>();
  private readonly all: readonly (ClampedLoad | undefined)[];

  private constructor(
    private readonly frame: Frame,
    private readonly elements: Elements,
    private readonly loads: MemberLoadFields,
    { fields, sumOf }: CaseLoads,
  ) {
    this.fields = fields;
    const cases = sumOf?.cases.map((one, c) =>
      sumOf.factors[c] === 0 ? [] : ClampedLoads.of(frame, elements, loads, one).all,
    );
    this.all = fields.map(
      (field, m) => field && (cases ? this.sum(cases, sumOf!.factors, m) : this.of(m, field)),
    );
  }

  static of(frame: Frame, elements: Elements, loads: MemberLoadFields, one: CaseLoads): ClampedLoads {
    const known = ClampedLoads.kept.get(one);
    if (known?.elements === elements) return known;
    const made = new ClampedLoads(frame, elements, loads, one);
    ClampedLoads.kept.set(one, made);
    return made;
  }

  private of(m: number, field: LoadField): ClampedLoad {
    const at = this.elements.at[m]!;
    const last = this.formed.get(field);
    if (last?.at === at) return last.load;
    const load = this.form(m, field);
    this.formed.set(field, { at, load });
    return load;
  }

  private form(m: number, field: LoadField): ClampedLoad {
    const { frame, elements, loads } = this;
    const K = clampedStiffness(elements, m);
    const along = { breaks: loads.breaks[m]!, terms: loads.terms[m]!, field };
    const f = clampedForces(frame, m, along, K, this.arrays.take(12));
    const steps = elements.hinges.get(m);
    return { f, inside: steps ? condenseLoads(steps, f) : nothing };
  }

  /** Σ factor · clamped forces of one member. */
  private sum(
    cases: readonly (readonly (ClampedLoad | undefined)[])[],
    factors: Float64Array,
    m: number,
  ): ClampedLoad | undefined {
    let sum: { f: Float64Array; inside: Float64Array } | undefined;
    for (let c = 0; c < cases.length; c++) {
      const load = cases[c]![m];
      const factor = factors[c]!;
      if (!load || factor === 0) continue;
      sum ??= { f: this.arrays.take(12), inside: this.arrays.take(load.inside.length) };
      addTimes(sum.f, factor, load.f);
      addTimes(sum.inside, factor, load.inside);
    }
    return sum;
  }

  /** @param inactive 1 for members that are slack: they keep their loads and give up what strains would lock in */
  acting(inactive?: Uint8Array): readonly (ClampedLoad | undefined)[] {
    let changed: (ClampedLoad | undefined)[] | undefined;
    inactive?.forEach((slack, m) => {
      const field = this.fields[m];
      if (!slack || !field || isZero(field.strain)) return;
      changed ??= [...this.all];
      changed[m] = this.form(m, { ...field, strain: [0, 0, 0] });
    });
    return changed ?? this.all;
  }
}

const nothing = new Float64Array(0);

/**
 * Start states of all members under nodes' displacements u, the sum of the nodes' forces on members by node, and these
 * forces by member (12 each, local).
 *
 * @param inactive 1 for members that do not act: they keep their loads and give up their stiffness
 */
export function recoverMembers(
  frame: Frame,
  elements: Elements,
  clamped: readonly (ClampedLoad | undefined)[],
  u: Float64Array,
  inactive?: Uint8Array,
): { states: Float64Array; endForces: Float64Array; memberForces: Float64Array } {
  const count = frame.memberIds.length;
  const states = new Float64Array(12 * count);
  const memberForces = new Float64Array(12 * count);
  const endForces = new Float64Array(u.length);
  const local = new Float64Array(12);
  const p = new Float64Array(12);
  const { local: K, at } = elements;
  for (let m = 0; m < count; m++) {
    toMember(frame, m, u, local);
    const load = clamped[m];
    const T = at[m]!;
    if (inactive?.[m]) p.fill(0);
    else if (frame.axialOnly[m]) {
      p.fill(0);
      p[6] = K[T]! * (local[6]! - local[0]!);
      p[0] = -p[6];
    } else if (frame.coupling[m] === 0) timesUncoupled(K, T, local, p);
    else
      for (let i = 0; i < 12; i++) {
        let sum = 0;
        for (let j = 0; j < 12; j++) sum += K[T + 12 * i + j]! * local[j]!;
        p[i] = sum;
      }
    if (load) {
      const { f } = load;
      for (let i = 0; i < 12; i++) p[i]! += f[i]!;
    }
    addToNodes(frame, m, p, 1, endForces);
    const s = 12 * m;
    for (let i = 0; i < 12; i++) memberForces[s + i] = p[i]!;
    if (frame.hinged[m]) {
      const steps = elements.hinges.get(m);
      if (steps) displaceInside(steps, load?.inside, local);
    }
    if (frame.axialOnly[m]) chordRotations(local, frame.length[m]!);
    states[s] = -p[0]!;
    states[s + 1] = p[1]!;
    states[s + 2] = p[2]!;
    states[s + 3] = -p[3]!;
    states[s + 4] = p[4]!;
    states[s + 5] = -p[5]!;
    for (let k = 0; k < 6; k++) states[s + 6 + k] = local[k]!;
  }
  return { states, endForces, memberForces };
}

/** p ← K·u where stretch, twist and the two planes of bending do not meet; hinges keep them apart. */
function timesUncoupled(K: Float64Array, T: number, u: Float64Array, p: Float64Array): void {
  p[0] = K[T]! * u[0]! + K[T + 6]! * u[6]!;
  p[6] = K[T + 72]! * u[0]! + K[T + 78]! * u[6]!;
  p[3] = K[T + 39]! * u[3]! + K[T + 45]! * u[9]!;
  p[9] = K[T + 111]! * u[3]! + K[T + 117]! * u[9]!;
  for (const plane of bendingPlanes) bendingTimes(K, T, plane, u, p);
}

function bendingTimes(
  K: Float64Array,
  T: number,
  { t, r }: BendingPlane,
  u: Float64Array,
  p: Float64Array,
): void {
  const a = u[t]!;
  const b = u[r]!;
  const c = u[t + 6]!;
  const d = u[r + 6]!;
  let row = T + 12 * t;
  p[t] = K[row + t]! * a + K[row + r]! * b + K[row + t + 6]! * c + K[row + r + 6]! * d;
  row = T + 12 * r;
  p[r] = K[row + t]! * a + K[row + r]! * b + K[row + t + 6]! * c + K[row + r + 6]! * d;
  row = T + 12 * (t + 6);
  p[t + 6] = K[row + t]! * a + K[row + r]! * b + K[row + t + 6]! * c + K[row + r + 6]! * d;
  row = T + 12 * (r + 6);
  p[r + 6] = K[row + t]! * a + K[row + r]! * b + K[row + t + 6]! * c + K[row + r + 6]! * d;
}

/** A bar stays straight between its nodes. */
export function chordRotations(local: Float64Array, L: number): void {
  local[4] = -(local[8]! - local[2]!) / L;
  local[5] = (local[7]! - local[1]!) / L;
}

/** Forces of springs on their nodes, 6 a node, global: −k·(u − s) along each support axis. */
export function springForces(frame: Frame, u: Float64Array, settled: Float64Array): Float64Array {
  const out = new Float64Array(u.length);
  for (let i = 0; i < u.length; i++) {
    const spring = frame.restraint[i]!;
    if (spring === 0 || spring === Infinity) continue;
    const n = Math.floor(i / 6);
    const base = 3 * Math.floor(i / 3);
    const Q = frame.supportAxes.get(n);
    if (!Q) {
      out[i]! -= spring * (u[i]! - settled[i]!);
      continue;
    }
    const q = 3 * (i % 3);
    const along = Q[q]! * u[base]! + Q[q + 1]! * u[base + 1]! + Q[q + 2]! * u[base + 2]!;
    for (let k = 0; k < 3; k++) out[base + k]! -= spring * (along - settled[i]!) * Q[q + k]!;
  }
  return out;
}

/**
 * What the supports do to the structure, 6 a node, global: springs' forces, and of held freedoms what the nodes' balance
 * asks for. At tied nodes the force along a given component is the work of all nodes' imbalance on its unit displacement.
 *
 * @param imbalance 6 a node: forces that supports and rigid groups must bring, springs' share taken off
 */
export function supportReactions(
  frame: Frame,
  constraints: Constraints,
  imbalance: Float64Array,
  springs: Float64Array,
): Float64Array {
  const out = springs.slice();
  for (let i = 0; i < out.length; i++)
    if (frame.restraint[i] === Infinity && constraints.plain[Math.floor(i / 6)]) out[i]! += imbalance[i]!;
  if (constraints.given.length === 0) return out;
  const along = new Float64Array(constraints.given.length);
  for (const [i, { given, givenFactors }] of constraints.dependents)
    given.forEach((g, t) => (along[g]! += givenFactors[t]! * imbalance[i]!));
  constraints.given.forEach(({ node, freedom }, g) => {
    const base = 6 * node + (freedom < 3 ? 0 : 3);
    const Q = frame.supportAxes.get(node);
    for (let k = 0; k < 3; k++)
      out[base + k]! += along[g]! * (Q ? Q[3 * (freedom % 3) + k]! : k === freedom % 3 ? 1 : 0);
  });
  return out;
}
