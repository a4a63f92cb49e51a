import { ReusedArrays } from '../../base/reused-arrays.js';
import { fail, problem, ProblemError } from '../../base/problem.js';
import { stiffnessOf } from '../frame/elements.js';
import type { FrameState } from '../first-order/states.js';
import { linkageMatrices } from '../second-order/linkage.js';
import type { Prepared } from '../first-order/static.js';
import type { Progress } from '../sparse/factor.js';
import { dot, largestPairs, type EigenPair, type LanczosOptions } from './lanczos.js';
import type { Frame } from '../frame/frame.js';
import { framingNodes } from './framing-nodes.js';
import { fieldCount, rich, usual, type MemberShapes, type Richness } from './member-shapes.js';
import { ShapeCache } from './shape-cache.js';
import { widest, type MemberPencil } from './inner-elimination.js';
import { fewMembers, Pencil, PencilMemory, type ShiftedPencil } from './pencil.js';

/** A way the frame buckles. */
export interface BucklingMode {
  /** By which all loads of the state can grow until the frame buckles like this. */
  readonly factor: number;
  /** 6 a node, global; the largest translation is 1. Zero at all nodes where members buckle by themselves. */
  readonly shape: Float64Array;
  /** Greatest movement of a node at which something meets, against the greatest movement anywhere: next to 0 where members buckle by themselves. */
  readonly nodesMove: number;
  /** Share of each member in the energy that the axial forces bring, Σ = 1: the members that buckle have the most. */
  readonly shares: Float64Array;
}

/** What a search for buckling factors may go by. */
export interface BucklingHelp {
  readonly progress?: Progress | undefined;
  /** A mode under other loads: where this frame buckles in a like way it is found sooner. The factors do not depend on it. */
  readonly knownMode?: BucklingMode | undefined;
  /** What a search under other loads of the same frame has left. */
  readonly memory?: BucklingMemory;
}

/** What searches under several loads of one frame have in common: shapes of the members, and memory that is used again. */
export class BucklingMemory {
  readonly pencils = new PencilMemory();
  readonly matrices = new ReusedArrays();
  framing: Uint8Array | undefined;
  private readonly shapes = new Map<Richness, ShapeCache>();

  shapesOf(richness: Richness): ShapeCache {
    const cache = this.shapes.get(richness) ?? new ShapeCache();
    this.shapes.set(richness, cache);
    return cache;
  }
}

/**
 * Linear buckling on a first-order state: the lowest positive factors by which its axial forces bring the frame to
 * buckle. Members bend inside by polynomials, so that one element a member is enough; slack members are left out.
 * The count of factors below the highest is verified by inertia (Sylvester).
 *
 * @param wanted how many factors; fewer come back where fewer exist
 * @throws ProblemError `not-finite` for forces beyond reason, `not-converged` where factors were missed
 */
export function bucklingModes(
  prepared: Prepared,
  state: FrameState,
  wanted: number,
  help: BucklingHelp = {},
): BucklingMode[] {
  const modes = modesWith(prepared, state, wanted, usual, help);
  return modes.some((mode) => wavesInside(prepared, state, mode))
    ? modesWith(prepared, state, wanted, rich, help)
    : modes;
}

/** True where a member that takes part buckles in more waves than the usual shapes follow. */
function wavesInside(prepared: Prepared, state: FrameState, { factor, shares }: BucklingMode): boolean {
  const { frame } = prepared;
  return shares.some((share, m) => {
    if (share < 0.02 || frame.axialOnly[m]) return false;
    const N = Math.max(...axialAtPoints(state.axial[m]!, prepared.loads.breaks[m]!).map((value) => -value));
    const bends = [frame.rigidity[6 * m + 1]!, frame.rigidity[6 * m + 2]!].filter((EI) => EI > 0);
    return Math.sqrt((factor * N) / Math.min(...bends)) * frame.length[m]! > 7;
  });
}

/** Axial force that no frame has, N. */
const beyondReason = 1e30;

function modesWith(
  prepared: Prepared,
  state: FrameState,
  wanted: number,
  richness: Richness,
  { progress, knownMode, memory = new BucklingMemory() }: BucklingHelp,
): BucklingMode[] {
  let done = 0;
  const step = (by: number) => progress?.step(1 - 1 / (1 + 0.1 * (done += by)));
  const found = pencilsOf(prepared, state, { richness, memory }, () => step(0));
  if (wanted === 0 || !found) return [];
  const { members, shapes } = found;
  const framing = (memory.framing ??= framingNodes(prepared.frame));
  const linkages = linkageMatrices(prepared, state.loads, state.memberForces, state.reactions).map(
    ({ freedoms, K }) => ({
      freedoms,
      K: K.map((value) => -value),
    }),
  );
  const pencil = new Pencil(prepared, members, linkages, () => step(0), memory.pencils);
  return factorsOf(pencil, wanted, knownMode, () => step(1)).map(({ lambda, vector }) =>
    describe(pencil, { frame: prepared.frame, members, shapes, framing }, lambda, vector),
  );
}

/** A frame's members while they buckle. */
interface Buckling {
  readonly frame: Frame;
  readonly members: readonly MemberPencil[];
  /** Of those that axial forces act in. */
  readonly shapes: readonly (MemberShapes | undefined)[];
  /** 1 for nodes at which something meets. */
  readonly framing: Uint8Array;
}

/** What the members bring to stiffness and to its change by their axial forces; undefined where none is compressed. */
function pencilsOf(
  prepared: Prepared,
  state: FrameState,
  { richness, memory }: { readonly richness: Richness; readonly memory: BucklingMemory },
  pause: () => void,
): Pick<Buckling, 'members' | 'shapes'> | undefined {
  const { frame, elements, loads } = prepared;
  let largest = 0;
  for (const N of state.axial)
    for (let k = 0; k < N.length; k += 4) largest = Math.max(largest, Math.abs(N[k]!));
  if (!(largest < beyondReason))
    fail(
      'not-finite',
      `The axial forces under "${state.id}" are beyond every number that a frame has, and beyond what buckling can be worked out from; check the loads.`,
      { result: state.id },
    );
  const slackZero = new Float64Array(144);
  const arrays = memory.matrices;
  arrays.rewind();
  const cache = memory.shapesOf(richness);
  const compressed = new Uint8Array(frame.memberIds.length);
  const shapesOf: (MemberShapes | undefined)[] = frame.memberIds.map(() => undefined);
  const members = frame.memberIds.map((_, m): MemberPencil => {
    if (m % fewMembers === 0) pause();
    const slack = state.slack[m] === 1;
    const K = slack ? slackZero : stiffnessOf(elements, m);
    const N = state.axial[m]!;
    const breaks = loads.breaks[m]!;
    const forces = axialAtPoints(N, breaks);
    if (slack || !forces.some((value) => Math.abs(value) > 1e-9 * largest))
      return { inner: 0, K, Kinner: new Float64Array(0), B: undefined };
    if (forces.some((value) => value < -1e-9 * largest)) compressed[m] = 1;
    const shapes = cache.of(prepared, m, breaks, { forModes: false, richness });
    shapesOf[m] = shapes;
    const total = 12 + shapes.inner;
    const B = arrays.take(total * total);
    for (let p = 0; p < shapes.x.length; p++) {
      const factor = -axialAt(N, breaks, shapes.x[p]!) * shapes.weight[p]!;
      for (const field of [4, 5]) addSquare(B, shapes.table, (p * fieldCount + field) * total, total, factor);
    }
    return { inner: shapes.inner, K, Kinner: shapes.Kinner, B };
  });
  return compressed.includes(1) ? { members, shapes: shapesOf } : undefined;
}

/** The lowest positive factors with their vectors, all of them up to the last. */
function factorsOf(
  pencil: Pencil,
  wanted: number,
  knownMode: BucklingMode | undefined,
  step: () => void,
): { lambda: number; vector: Float64Array }[] {
  // What B makes of a vector is solved for at once and not kept
  const images: Float64Array[] = [];
  const imageOf = (x: Float64Array, k: number) =>
    pencil.timesB(x, (images[k] ??= new Float64Array(pencil.size)));
  const search = (factored: ShiftedPencil, count: number, options: LanczosOptions) =>
    largestPairs(
      {
        size: pencil.size,
        apply: (v) => factored.solve(v.map(imageOf)),
        inner: (x) => pencil.timesK(x),
      },
      count,
      { ...options, step },
    );
  // A shift just below the lowest: the others then stand apart
  const guess = (knownMode && guessBy(pencil, knownMode)) ?? roughly(pencil, search);
  if (!guess) return [];
  let shift = 0.97 * guess.lambda;
  let factored = pencil.shifted(shift);
  while (factored.negatives > 0) {
    shift *= 0.8;
    factored.release();
    factored = pencil.shifted(shift);
  }
  const lambdaOf = ({ theta }: EigenPair) => shift + 1 / theta;
  let pairs = search(factored, wanted, { begin: [guess.vector] });
  for (let round = 0; round < 4 && pairs.length > 0; round++) {
    // All factors up to a little over the highest must have been found
    const upTo = lambdaOf(pairs[pairs.length - 1]!) * (1 - 1e-5);
    const expected = pencil.countBelow(upTo);
    const below = pairs.filter((pair) => lambdaOf(pair) < upTo).length;
    if (expected <= below) break;
    if (round === 3)
      throw new ProblemError([
        problem(
          'not-converged',
          'The buckling factors could not all be found; ask for a few more or fewer of them.',
        ),
      ]);
    const more = search(factored, expected - below + 1, { known: pairs });
    pairs = [...pairs, ...more].sort((x, y) => y.theta - x.theta).slice(0, wanted);
  }
  factored.release();
  return pairs.map((pair) => ({ lambda: lambdaOf(pair), vector: pair.vector }));
}

/** About the lowest factor, and about its vector. */
interface Guess {
  readonly lambda: number;
  readonly vector: Float64Array;
}

function roughly(
  pencil: Pencil,
  search: (factored: ShiftedPencil, count: number, options: LanczosOptions) => EigenPair[],
): Guess | undefined {
  const factored = pencil.shifted(0);
  const [pair] = search(factored, 1, { tolerance: 1e-2 });
  factored.release();
  return pair && { lambda: 1 / pair.theta, vector: pair.vector };
}

/** By Rayleigh's quotient of a known shape, which lies above the lowest factor; undefined where these loads do not drive that shape. */
function guessBy(pencil: Pencil, { shape }: BucklingMode): Guess | undefined {
  const vector = pencil.vectorOf(shape);
  const driven = dot(vector, pencil.timesB(vector));
  const resisted = dot(vector, pencil.timesK(vector));
  return driven > 1e-12 * resisted ? { lambda: resisted / driven, vector } : undefined;
}

function describe(
  pencil: Pencil,
  { frame, members, shapes, framing }: Buckling,
  factor: number,
  vector: Float64Array,
): BucklingMode {
  const u = pencil.nodes(vector);
  const z = new Float64Array(widest);
  const shares = new Float64Array(members.length);
  let ofNodes = 0;
  let anywhere = 0;
  for (let n = 0; n < framing.length; n++) {
    const size = Math.hypot(u[6 * n]!, u[6 * n + 1]!, u[6 * n + 2]!);
    if (framing[n] === 1) ofNodes = Math.max(ofNodes, size);
    anywhere = Math.max(anywhere, size);
  }
  members.forEach(({ B, inner }, m) => {
    if (!B) return;
    pencil.memberVector(m, u, vector, z);
    anywhere = Math.max(anywhere, frame.axialOnly[m] ? 0 : greatestInside(shapes[m]!, z));
    let sum = 0;
    for (let i = 0; i < 12 + inner; i++)
      for (let j = 0; j < 12 + inner; j++) sum += z[i]! * B[i * (12 + inner) + j]! * z[j]!;
    shares[m] = sum;
  });
  const total = shares.reduce((sum, value) => sum + value, 0) || 1;
  // Where nodes stand still to rounding, members buckle by themselves
  let inside = 0;
  for (const value of vector) inside = Math.max(inside, Math.abs(value));
  return {
    factor,
    shape: scaledShape(u, 1e-9 * inside),
    nodesMove: anywhere > 0 ? ofNodes / anywhere : 0,
    shares: shares.map((value) => value / total),
  };
}

/** Greatest movement across a member at its integration points, under its unknowns `z`. */
function greatestInside({ x, table, inner }: MemberShapes, z: Float64Array): number {
  const total = 12 + inner;
  let most = 0;
  for (let p = 0; p < x.length; p++) {
    let square = 0;
    for (let field = 1; field < 3; field++) {
      const row = (p * fieldCount + field) * total;
      let value = 0;
      for (let i = 0; i < total; i++) value += table[row + i]! * z[i]!;
      square += value * value;
    }
    most = Math.max(most, square);
  }
  return Math.sqrt(most);
}

/** Nodes' displacements with the largest translation 1; the largest rotation where nothing shifts; zero below `noise`. */
export function scaledShape(u: Float64Array, noise: number): Float64Array {
  let shift = 0;
  let turn = 0;
  let sign = 1;
  u.forEach((value, i) => {
    const size = Math.abs(value);
    if (i % 6 < 3 && size > shift * (1 + 1e-9)) {
      shift = size;
      sign = Math.sign(value);
    } else if (i % 6 >= 3) turn = Math.max(turn, size);
  });
  const scale = shift > Math.max(noise, 1e-9 * turn) ? shift : turn;
  if (!(scale > noise)) return new Float64Array(u.length);
  return u.map((value) => (value * (shift === scale ? sign : 1)) / scale);
}

const places = new Int32Array(128);

/** out += factor · rowᵀ·row; most entries of a row are zero. */
export function addSquare(
  out: Float64Array,
  table: Float64Array,
  at: number,
  n: number,
  factor: number,
): void {
  if (factor === 0) return;
  let count = 0;
  for (let i = 0; i < n; i++) if (table[at + i] !== 0) places[count++] = i;
  for (let a = 0; a < count; a++) {
    const i = places[a]!;
    const x = factor * table[at + i]!;
    const row = i * n;
    for (let b = 0; b < count; b++) {
      const j = places[b]!;
      out[row + j]! += x * table[at + j]!;
    }
  }
}

function axialAt(N: Float64Array, breaks: Float64Array, x: number): number {
  let s = 0;
  while (s + 2 < breaks.length && x > breaks[s + 1]!) s++;
  const t = x - breaks[s]!;
  return N[4 * s]! + (N[4 * s + 1]! + (N[4 * s + 2]! + N[4 * s + 3]! * t) * t) * t;
}

/** N at the ends and middle of every segment. */
function axialAtPoints(N: Float64Array, breaks: Float64Array): number[] {
  const out: number[] = [];
  for (let s = 0; s + 1 < breaks.length; s++)
    for (const share of [0, 0.5, 1]) {
      const t = share * (breaks[s + 1]! - breaks[s]!);
      out.push(N[4 * s]! + (N[4 * s + 1]! + (N[4 * s + 2]! + N[4 * s + 3]! * t) * t) * t);
    }
  return out;
}

/** A member's buckling lengths, m, from the frame's buckling. */
export interface EffectiveLength {
  /**
   * For buckling about y and about z: π·√(EI/(α·N)) with the largest compression along the member. A plane frame says nothing of the
   * axis about which it cannot bend.
   */
  readonly y?: number;
  readonly z?: number;
  /** The critical factor they come from. */
  readonly factor: number;
}

/**
 * Buckling lengths of the members in compression: of the lowest mode in which a member takes a tenth of the most that any
 * member takes, else of the lowest mode. Undefined for members without compression.
 */
export function effectiveLengths(
  prepared: Prepared,
  state: FrameState,
  modes: readonly BucklingMode[],
): (EffectiveLength | undefined)[] {
  const { frame } = prepared;
  return frame.memberIds.map((_, m) => {
    const N = Math.max(...axialAtPoints(state.axial[m]!, prepared.loads.breaks[m]!).map((value) => -value));
    if (modes.length === 0 || !(N > 0) || frame.axialOnly[m]) return undefined;
    const own =
      modes.find(({ shares }) => shares[m]! >= 0.1 * shares.reduce((a, b) => Math.max(a, b))) ?? modes[0]!;
    const length = (EI: number) => Math.PI * Math.sqrt(EI / (own.factor * N));
    const [bendsAboutY, bendsAboutZ] = bendingAxes(frame, m);
    return {
      ...(bendsAboutY ? { y: length(frame.rigidity[6 * m + 1]!) } : {}),
      ...(bendsAboutZ ? { z: length(frame.rigidity[6 * m + 2]!) } : {}),
      factor: own.factor,
    };
  });
}

/** Whether a member of the frame can bend about its y and about its z axis: in a plane frame about the one square to the plane. */
function bendingAxes(frame: Frame, m: number): [boolean, boolean] {
  if (!frame.plane) return [true, true];
  const across = (row: number) => Math.abs(frame.axes[9 * m + 3 * row + 1]!) > 0.999;
  return [across(1), across(2)];
}
