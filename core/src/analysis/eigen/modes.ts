import { greatestMagnitude, isZero } from '../../base/magnitude.js';
import type { Frame } from '../frame/frame.js';
import { spreadMassAt, spreadMassOf, type SpreadMass } from '../frame/spread-masses.js';
import { problem, ProblemError } from '../../base/problem.js';
import { stiffnessOf } from '../frame/elements.js';
import { strainEnergy } from '../first-order/mechanism.js';
import type { Prepared } from '../first-order/static.js';
import type { Progress } from '../sparse/factor.js';
import { addSquare, scaledShape } from './buckling.js';
import { moveAlong, type Move } from './moves-along.js';
import { largestPairs, type EigenPair, type LanczosOptions } from './lanczos.js';
import { fieldCount, rich, usual, type MemberShapes, type Richness } from './member-shapes.js';
import { ShapeCache } from './shape-cache.js';
import type { ResolvedSection } from '../../sections/sections.js';
import { widest, type MemberPencil } from './inner-elimination.js';
import { Pencil } from './pencil.js';

/** A natural mode of vibration. */
export interface VibrationMode {
  /** Hz; exactly 0 for a motion without resistance. */
  readonly frequency: number;
  /** 6 a node, global; the largest translation is 1. */
  readonly shape: Float64Array;
  /** Along global X, Y and Z, kg. */
  readonly effectiveMass: readonly [number, number, number];
  /** Displacement of the shape at a place of a member, m from its start, global. */
  readonly moveAlong: (member: number, place: number) => Move;
}

/** Unknowns up to which a search without a shift is fast enough. */
const small = 3000;
/** Highest eigenvalue over the lowest from which a frame has vibrations of two scales. */
const twoScales = 1e4;
/** A frequency below this share of the first elastic one is a rigid-body motion's rounding. */
const rigidShare = 2e-3;

/**
 * The lowest natural modes, free bodies' rigid ones first. Mass as it is spread along the members, translational and
 * rotary, with shapes inside the members, so that one element a member is enough; given masses at nodes. Members of one
 * sign act both ways. The count below the highest is verified by inertia (Sylvester).
 */
export function vibrationModes(prepared: Prepared, wanted: number, progress?: Progress): VibrationMode[] {
  const modes = modesWith(prepared, wanted, usual, progress);
  const highest = modes[modes.length - 1]?.frequency ?? 0;
  return wavesInside(prepared, 2 * Math.PI * highest) ? modesWith(prepared, wanted, rich, progress) : modes;
}

/** True where a member may swing in more waves at an angular frequency than the usual shapes follow. */
function wavesInside({ frame }: Prepared, omega: number): boolean {
  return frame.memberIds.some((_, m) => {
    if (frame.axialOnly[m]) return false;
    const L = frame.length[m]!;
    const mu = frame.massPerLength[m]! + spreadMassOf(frame.spreadMasses.get(m)) / L;
    const bends = [frame.rigidity[6 * m + 1]!, frame.rigidity[6 * m + 2]!].filter((EI) => EI > 0);
    const bending = ((omega * omega * mu) / Math.min(...bends)) ** 0.25 * L;
    return bending > 8 || omega * Math.sqrt(mu / frame.rigidity[6 * m]!) * L > 4;
  });
}

function modesWith(
  prepared: Prepared,
  wanted: number,
  richness: Richness,
  progress: Progress | undefined,
): VibrationMode[] {
  const { frame, elements } = prepared;
  const cache = new ShapeCache();
  /** Mass matrices by shapes, then by density and area: members alike share them. */
  const masses = new Map<MemberShapes, Map<ResolvedSection, Float64Array>>();
  const shapesOf: MemberShapes[] = [];
  const members = frame.memberIds.map((_, m): MemberPencil => {
    const own = frame.tapers.get(m)?.breaks ?? Float64Array.of(0, frame.length[m]!);
    const spread = frame.spreadMasses.get(m);
    const breaks = spread ? withPlaces(own, spread) : own;
    const shapes = cache.of(prepared, m, breaks, { forModes: true, richness });
    shapesOf.push(shapes);
    if (spread)
      return {
        inner: shapes.inner,
        K: stiffnessOf(elements, m),
        Kinner: shapes.Kinner,
        B: loadedMass(frame, m, shapes, spread),
      };
    const section = frame.sections[m]!;
    let bySection = masses.get(shapes);
    if (!bySection) masses.set(shapes, (bySection = new Map<ResolvedSection, Float64Array>()));
    let B = bySection.get(section);
    if (!B) {
      const total = 12 + shapes.inner;
      B = new Float64Array(total * total);
      for (let p = 0; p < shapes.x.length; p++) addMass(frame, m, shapes, p, B);
      bySection.set(section, B);
    }
    return {
      inner: shapes.inner,
      K: stiffnessOf(elements, m),
      Kinner: shapes.Kinner,
      B,
    };
  });
  const extra = [...frame.masses.keys()]
    .filter((n) => frame.masses[n]! > 0)
    .map((n) => ({
      freedoms: [6 * n, 6 * n + 1, 6 * n + 2],
      K: Float64Array.of(frame.masses[n]!, 0, 0, 0, frame.masses[n]!, 0, 0, 0, frame.masses[n]!),
    }));
  let done = 0;
  const step = (by: number) => progress?.step(1 - 1 / (1 + 0.1 * (done += by)));
  const pencil = new Pencil(prepared, members, extra, () => step(0));
  const count = Math.min(wanted, pencil.size);
  if (count === 0) return [];
  const pairs = lowest(pencil, prepared, count, () => step(1));
  return pairs.map(({ lambda, vector }) => {
    const u = pencil.nodes(vector);
    const shape = scaledShape(u, 1e-9 * greatestMagnitude(vector));
    const scale = scaleBetween(u, shape);
    const scaled = {
      nodes: u.map((value) => scale * value),
      inner: vector.slice(pencil.outer).map((value) => scale * value),
      innerStart: pencil.innerStart,
    };
    return {
      frequency: Math.sqrt(Math.max(0, lambda)) / (2 * Math.PI),
      shape,
      effectiveMass: effectiveMass(pencil, prepared, members, vector, u),
      moveAlong: (m, place) => moveAlong(frame, m, shapesOf[m]!, scaled, place),
    };
  });
}

/** By what a vector was multiplied to give its scaled shape; 1 where nothing of it is left. */
function scaleBetween(u: Float64Array, shape: Float64Array): number {
  let most = 0;
  shape.forEach((value, i) => (most = Math.abs(value) > Math.abs(shape[most]!) ? i : most));
  return shape[most] === 0 || u.length === 0 ? 1 : shape[most]! / u[most]!;
}

/** The breaks of a member with those of what lies along it. */
function withPlaces(breaks: Float64Array, spread: readonly SpreadMass[]): Float64Array {
  const L = breaks[breaks.length - 1]!;
  const all = [...breaks, ...spread.flatMap(({ from, to }) => [from, to])].sort((a, b) => a - b);
  return Float64Array.from(all.filter((x, i) => i === 0 || x - all[i - 1]! > 1e-9 * L));
}

/** The mass matrix of a member with what loads add to it. */
function loadedMass(
  frame: Frame,
  m: number,
  shapes: MemberShapes,
  spread: readonly SpreadMass[],
): Float64Array {
  const total = 12 + shapes.inner;
  const B = new Float64Array(total * total);
  for (let p = 0; p < shapes.x.length; p++) {
    addMass(frame, m, shapes, p, B);
    const added = spreadMassAt(spread, shapes.x[p]!) * shapes.weight[p]!;
    for (let field = 0; field < 3; field++)
      addSquare(B, shapes.table, (p * fieldCount + field) * total, total, added);
  }
  return B;
}

interface Mode {
  readonly lambda: number;
  readonly vector: Float64Array;
}

/** Lowest eigenvalues of K·x = λ·M·x, zero where the motion has no strain. */
function lowest(pencil: Pencil, prepared: Prepared, wanted: number, step: () => void): Mode[] {
  const still = rigidMotions(pencil, prepared);
  let shift = 0;
  let factored = still.length > 0 ? undefined : pencil.shifted(0);
  if (!factored || factored.factor.suspects.length > 0 || factored.negatives > 0) {
    shift = -1e-6 * stiffnessOverMass(pencil);
    factored?.release();
    factored = pencil.shifted(shift);
  }
  const find = (more: number, options: LanczosOptions): EigenPair[] =>
    largestPairs(
      {
        size: pencil.size,
        apply: (_, cv) => factored!.solve(cv),
        inner: (x) => pencil.timesB(x),
      },
      more,
      { ...options, known: [...rigid, ...(options.known ?? [])], step },
    );
  const rigid = still.map((vector): EigenPair => ({ theta: Infinity, vector }));
  const toModes = (pairs: readonly EigenPair[]): Mode[] =>
    pairs
      .map(({ theta, vector }) => ({ lambda: theta === Infinity ? 0 : shift + 1 / theta, vector }))
      .sort((a, b) => a.lambda - b.lambda);
  const free = shift !== 0;
  const isElastic = (mode: Mode) => !isRigid(prepared, pencil, mode.vector);
  let pairs: EigenPair[] = [];
  // Of a free frame one elastic mode at least tells whether the shift lies well
  const others = Math.max(1, (free ? Math.max(wanted, 7) : wanted) - rigid.length);
  if (free || pencil.size < small) pairs = find(others, {});
  // A large frame: a rough first mode, then a shift below it. A free one whose shift lies too high: one near its modes
  const rough = pairs.length > 0 ? toModes(pairs) : toModes(find(1, { tolerance: 1e-2 }));
  const lowestElastic = rough.find(isElastic)?.lambda ?? 0;
  if (lowestElastic > 0 && (pairs.length === 0 || lowestElastic < 2 * Math.abs(shift))) {
    shift = (free ? -0.2 : 0.95) * lowestElastic;
    factored.release();
    factored = pencil.shifted(shift);
    while (!free && factored.negatives > 0) {
      shift *= 0.7;
      factored.release();
      factored = pencil.shifted(shift);
    }
    pairs = find(others, { begin: rough.map(({ vector }) => vector) });
  }
  pairs = [...rigid, ...pairs];
  let modes = toModes(pairs).slice(0, wanted);
  for (let round = 0; round < 4 && modes.length > 0; round++) {
    const upTo = modes[modes.length - 1]!.lambda * (1 - 1e-5) - 1e-9 * Math.abs(shift);
    if (!(upTo > 0)) break;
    const expected = pencil.countBelow(upTo);
    const below = modes.filter(({ lambda }) => lambda < upTo).length;
    if (expected <= below) break;
    if (round === 3)
      throw new ProblemError([
        problem(
          'not-converged',
          'The natural modes could not all be found; ask for a few more or fewer of them.',
        ),
      ]);
    if (round === 0 && upTo > twoScales * Math.max(modes[0]!.lambda, Math.abs(shift))) {
      // A body on soft springs: seen from zero its own vibrations are rounding beside the motions on them. From below both are seen
      shift = -0.2 * upTo;
      factored.release();
      factored = pencil.shifted(shift);
      pairs = [...rigid, ...find(Math.max(others, expected - rigid.length + 1), {})];
    } else pairs = [...pairs, ...find(expected - below + 1, { known: pairs.slice(rigid.length) })];
    modes = toModes(pairs).slice(0, wanted);
  }
  factored.release();
  const unstrained = modes.map(({ vector }) => isRigid(prepared, pencil, vector));
  const elastic = modes.find((_, i) => !unstrained[i]);
  return modes.map((mode, i) =>
    unstrained[i] && (!elastic || Math.abs(mode.lambda) < rigidShare ** 2 * elastic.lambda)
      ? { ...mode, lambda: 0 }
      : mode,
  );
}

/** Motions of the whole frame as one body that nothing holds, of unit length in B and apart from one another. */
function rigidMotions(pencil: Pencil, prepared: Prepared): Float64Array[] {
  const { frame, plan } = prepared;
  const nodes = frame.nodeIds.length;
  const middle = [0, 1, 2].map((k) => {
    let sum = 0;
    for (let n = 0; n < nodes; n++) sum += frame.xyz[3 * n + k]!;
    return sum / nodes;
  });
  const arms = frame.xyz.map((value, i) => value - middle[i % 3]!);
  const found: { x: Float64Array; bx: Float64Array }[] = [];
  for (let motion = 0; motion < 6; motion++) {
    const x = new Float64Array(pencil.size);
    for (let n = 0; n < nodes; n++)
      for (let k = 0; k < 6; k++) {
        const e = plan.nodeEquation[6 * n + k]!;
        if (e >= 0) x[e] = motionOf(arms, n, motion, k);
      }
    const size = x.reduce((sum, value) => sum + value * value, 0);
    if (!(size > 0) || !isRigid(prepared, pencil, x)) continue;
    for (const { x: other, bx } of found) {
      const share = bx.reduce((sum, value, i) => sum + value * x[i]!, 0);
      for (let i = 0; i < x.length; i++) x[i]! -= share * other[i]!;
    }
    const bx = pencil.timesB(x);
    const norm = Math.sqrt(bx.reduce((sum, value, i) => sum + value * x[i]!, 0));
    if (!(norm > 1e-9 * Math.sqrt(size))) continue;
    for (let i = 0; i < x.length; i++) {
      x[i]! /= norm;
      bx[i]! /= norm;
    }
    found.push({ x, bx });
  }
  return found.map(({ x }) => x);
}

/** Freedom k of node n in a unit translation along (0 … 2) or rotation about (3 … 5) a global axis. */
function motionOf(arms: Float64Array, n: number, motion: number, k: number): number {
  if (motion < 3 || k >= 3) return motion === k ? 1 : 0;
  const axis = motion - 3;
  if (k === axis) return 0;
  const third = 3 - axis - k;
  // ω × r
  return ((third - k + 3) % 3 === 1 ? -1 : 1) * arms[3 * n + third]!;
}

/** True where a motion strains nothing: its energy is rounding against that of its displacements one by one. */
function isRigid(prepared: Prepared, pencil: Pencil, vector: Float64Array): boolean {
  const u = pencil.nodes(vector);
  let apart = 0;
  const { frame, elements } = prepared;
  for (let m = 0; m < frame.memberIds.length; m++)
    for (const n of [frame.start[m]!, frame.end[m]!])
      apart += elements.local[elements.at[m]!]! * (u[6 * n]! ** 2 + u[6 * n + 1]! ** 2 + u[6 * n + 2]! ** 2);
  const energy = strainEnergy(frame, elements, u) + innerEnergy(pencil, vector);
  return energy <= 1e-14 * apart;
}

/** Energy of what moves inside members beyond their ends' response. */
function innerEnergy(pencil: Pencil, vector: Float64Array): number {
  if (isZero(vector.subarray(pencil.outer))) return 0;
  const kx = pencil.timesK(vector);
  let energy = 0;
  for (let i = pencil.outer; i < vector.length; i++) energy += vector[i]! * kx[i]!;
  return energy;
}

/** A scale for shifts: stiffness over mass of a vector without pattern. */
function stiffnessOverMass(pencil: Pencil): number {
  const x = Float64Array.from({ length: pencil.size }, (_, i) =>
    i < pencil.outer ? Math.sin(1 + 12.9898 * i) : 0,
  );
  const of = (y: Float64Array) => y.reduce((sum, value, i) => sum + value * x[i]!, 0);
  return of(pencil.timesK(x)) / of(pencil.timesB(x));
}

/** Adds the mass about one integration point of a member's shapes. */
function addMass(frame: Frame, m: number, shapes: MemberShapes, point: number, B: Float64Array): void {
  const { table } = shapes;
  const total = 12 + shapes.inner;
  const { material, properties } = frame.sections[m]!;
  const taper = frame.tapers.get(m);
  const p = taper ? taper.at(shapes.x[point]! / frame.length[m]!) : properties;
  const rho = material.density * shapes.weight[point]!;
  const row = (field: number) => (point * fieldCount + field) * total;
  for (let field = 0; field < 3; field++) addSquare(B, table, row(field), total, rho * p.A);
  if (frame.axialOnly[m]) return;
  const Iy = p.Iy ?? 0;
  const Iz = p.Iz ?? 0;
  addSquare(B, table, row(3), total, rho * (Iy + Iz));
  addSquare(B, table, row(6), total, rho * Iz);
  addSquare(B, table, row(7), total, rho * Iy);
  const coupled = rho * (p.Iyz ?? 0);
  if (coupled === 0) return;
  const v = row(6);
  const w = row(7);
  for (let i = 0; i < total; i++)
    for (let j = 0; j < total; j++)
      B[i * total + j]! += coupled * (table[v + i]! * table[w + j]! + table[w + i]! * table[v + j]!);
}

/** (φᵀ·M·r)²/(φᵀ·M·φ) for unit translations r of the whole frame, its supports included. */
function effectiveMass(
  pencil: Pencil,
  { frame }: Prepared,
  members: readonly MemberPencil[],
  vector: Float64Array,
  u: Float64Array,
): [number, number, number] {
  const own = pencil.timesB(vector).reduce((sum, value, i) => sum + value * vector[i]!, 0);
  const shared: [number, number, number] = [0, 0, 0];
  const z = new Float64Array(widest);
  members.forEach(({ B, inner }, m) => {
    if (!B) return;
    pencil.memberVector(m, u, vector, z);
    const n = 12 + inner;
    for (let direction = 0; direction < 3; direction++) {
      let sum = 0;
      for (let k = 0; k < 3; k++) {
        const r = frame.axes[9 * m + 3 * k + direction]!;
        if (r === 0) continue;
        for (let i = 0; i < n; i++) sum += z[i]! * r * (B[i * n + k]! + B[i * n + 6 + k]!);
      }
      shared[direction]! += sum;
    }
  });
  frame.masses.forEach((mass, n) => {
    for (let k = 0; k < 3; k++) shared[k]! += mass * u[6 * n + k]!;
  });
  return shared.map((value) => (own > 0 ? (value * value) / own : 0)) as [number, number, number];
}
