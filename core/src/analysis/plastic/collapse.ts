import { yieldStrength } from '../../library/materials.js';
import type { FrameModel, Load, Member } from '../../model/types.js';
import { attempt, fail, ProblemError, type Outcome } from '../../problem.js';
import { invert } from '../dense.js';
import { prepareFrame, type Frame } from '../frame.js';
import type { MemberField } from '../member-field.js';
import { derivative, evaluate, rootsBetween } from '../polynomial.js';
import { analyse, type FrameState } from '../states.js';
import { kinks, reducedMoment } from './reduced-moment.js';

/** A plastic hinge that formed (or closed again) as the loads grew. */
export interface PlasticEvent {
  /** Factor on the loads at which it happened. */
  readonly factor: number;
  readonly kind: 'hinge' | 'closed';
  readonly member: string;
  /** m from the member's start. */
  readonly x: number;
  /** N·m, with the sign of My. */
  readonly moment: number;
  /** N, tension positive. */
  readonly axial: number;
}

/** Elastic-plastic growth of loads up to collapse. */
export interface PlasticCollapse {
  readonly events: readonly PlasticEvent[];
  /** Factor at which the frame becomes a mechanism. */
  readonly collapseFactor: number;
  /** Node id → [ux, uy, uz, rx, ry, rz] of the mechanism; hinges inside members are nodes `member@x`. */
  readonly mechanism: Readonly<Record<string, readonly number[]>>;
}

/** How the plastic moments are taken. */
export interface PlasticOptions {
  /** `reduce` (6.2.9) or `ignore` the axial force. */
  readonly axial?: 'reduce' | 'ignore';
  /** Factor beyond which no collapse is sought; 1e12 where left out. */
  readonly most?: number;
}

/** A place where a hinge is or may be: on a member of the model as given, m from its start. */
interface Place {
  readonly member: number;
  readonly x: number;
}
interface Hinge extends Place {
  /** Of the moment when it formed. */
  readonly sign: number;
  /** At the end of the piece before x, or at the start of the piece behind it. */
  readonly side: 'before' | 'behind';
}

/** Forces of a member at one place: N and My, and their growth by the factor. */
interface Growth {
  N: number;
  M: number;
  dN: number;
  dM: number;
}

/**
 * Plastic collapse of a plane frame by hinges that form one after the other while the loads of one selection grow
 * together: first order, elastic between hinges (perfectly plastic), moments reduced for axial force by EN 1993-1-1
 * 6.2.9 and following it while it changes. A hinge that would turn backwards closes. γM0 = 1.
 *
 * @param factors on the model's load cases
 */
export function plasticCollapse(
  model: FrameModel,
  factors: Float64Array,
  options: PlasticOptions = {},
): Outcome<PlasticCollapse> {
  return attempt(() => new Collapse(model, factors, options).run());
}

class Collapse {
  private readonly model: FrameModel;
  private readonly frame: Frame;
  private readonly factors: Float64Array;
  private readonly reduce: boolean;
  private readonly most: number;
  private readonly Mpl: Float64Array;
  private readonly Npl: Float64Array;
  private readonly hinges: Hinge[] = [];
  private readonly events: PlasticEvent[] = [];
  /** Stages so far: how long each lasted, and forces by place while it did. */
  private readonly stages: { length: number; at: (place: Place) => { N: number; M: number } }[] = [];
  private factor = 0;

  constructor(model: FrameModel, factors: Float64Array, options: PlasticOptions) {
    this.model = model;
    this.factors = factors;
    this.reduce = options.axial !== 'ignore';
    this.most = options.most ?? 1e12;
    this.frame = prepareFrame(model);
    if (model.space !== 'plane')
      fail('not-supported', 'Plastic collapse is found for plane frames; set "space" to "plane" (/space).', {
        path: '/space',
      });
    this.Mpl = new Float64Array(model.members.length);
    this.Npl = new Float64Array(model.members.length);
    this.frame.sections.forEach((section, m) => {
      const { properties, material, shape } = section;
      const thickness =
        shape && 'tf' in shape ? Math.max(shape.tf, shape.tw) : shape && 't' in shape ? shape.t : 0;
      const fy = yieldStrength(material, thickness);
      if (this.frame.axialOnly[m]) {
        this.Mpl[m] = Infinity;
        this.Npl[m] = Infinity;
        return;
      }
      if (fy === undefined || properties.Wply === undefined)
        fail(
          'invalid-model',
          `Plastic collapse needs fy and Wply of section "${section.id}" (/members/${m}/section).`,
          { path: `/members/${m}/section` },
        );
      this.Mpl[m] = properties.Wply * fy;
      this.Npl[m] = properties.A * fy;
    });
  }

  run(): PlasticCollapse {
    const mostEvents = 20 * this.model.members.length + 100;
    for (let k = 0; k < mostEvents; k++) {
      const stage = this.stage();
      if ('mechanism' in stage)
        return { events: this.events, collapseFactor: this.factor, mechanism: stage.mechanism };
      const reversed = this.hinges.findIndex(
        (hinge, h) => hinge.sign * stage.turning[h]! < -1e-12 * stage.scale,
      );
      if (reversed >= 0) {
        const [hinge] = this.hinges.splice(reversed, 1);
        this.record('closed', hinge!);
        continue;
      }
      const next = this.nextEvent(stage.at);
      if (!next || this.factor + next.length > this.most)
        fail('no-collapse', `The frame does not collapse plastically up to ${this.most} times its loads.`, {
          most: this.most,
        });
      this.stages.push({ length: next.length, at: stage.at });
      this.factor += next.length;
      for (const hinge of next.hinges) {
        this.hinges.push(hinge);
        this.record('hinge', hinge);
      }
    }
    return fail('not-converged', 'The plastic hinges keep opening and closing; no collapse was found.');
  }

  private record(kind: PlasticEvent['kind'], place: Place): void {
    const { N, M } = this.forces(place);
    this.events.push({
      factor: this.factor,
      kind,
      member: this.frame.memberIds[place.member]!,
      x: place.x,
      moment: M,
      axial: N,
    });
  }

  /** Forces at a place now. */
  private forces(place: Place): { N: number; M: number } {
    let N = 0;
    let M = 0;
    for (const { length, at } of this.stages) {
      const one = at(place);
      N += length * one.N;
      M += length * one.M;
    }
    return { N, M };
  }

  /** The frame with its hinges under a unit of the loads, their moments following the axial forces. */
  private stage():
    | { mechanism: PlasticCollapse['mechanism'] }
    | { at: (place: Place) => { N: number; M: number }; turning: number[]; scale: number } {
    const { model, locate } = this.hinged();
    const frame = prepareFrame(model);
    const count = this.factors.length;
    const selections = [this.factors, ...this.hinges.map(() => undefined)].map((given, k) => {
      const factors = new Float64Array(count + this.hinges.length);
      if (given) factors.set(given);
      else factors[count + k - 1] = 1;
      return { id: `${k}`, kind: 'case' as const, factors };
    });
    const outcome = analyse(frame, selections);
    if (!outcome.ok) {
      const loose = outcome.problems.find((p) => p.code === 'mechanism');
      if (!loose) throw new ProblemError(outcome.problems);
      if (this.hinges.length === 0) throw new ProblemError(outcome.problems);
      return { mechanism: loose.where['shape'] as PlasticCollapse['mechanism'] };
    }
    const states = selections.map(({ id }) => outcome.value.states.get(id)!);
    const valueAt = (state: FrameState, place: Place, side?: Hinge['side']) => {
      const { m, x, before } = locate(place, side);
      return sectionForces(state.field(m), x, before);
    };
    // Moments of the hinges by a unit of the loads: m = g·N′, with N′ from the loads and from the moments themselves
    const h = this.hinges.length;
    const rates = this.hinges.map((hinge) => this.momentByAxial(hinge));
    const A = new Float64Array(h * h);
    const b = new Float64Array(h);
    this.hinges.forEach((hinge, i) => {
      b[i] = rates[i]! * valueAt(states[0]!, hinge, hinge.side).N;
      for (let j = 0; j < h; j++)
        A[i * h + j] = (i === j ? 1 : 0) - rates[i]! * valueAt(states[1 + j]!, hinge, hinge.side).N;
    });
    const inverse = invert(A, h);
    const moments = Array.from({ length: h }, (_, i) => {
      let sum = 0;
      for (let j = 0; j < h; j++) sum += inverse[i * h + j]! * b[j]!;
      return sum;
    });
    const at = (place: Place) => {
      const sum = valueAt(states[0]!, place);
      moments.forEach((factor, j) => {
        if (factor === 0) return;
        const one = valueAt(states[1 + j]!, place);
        sum.N += factor * one.N;
        sum.M += factor * one.M;
      });
      return sum;
    };
    let scale = 0;
    for (const value of states[0]!.displacements) scale = Math.max(scale, Math.abs(value));
    const turning = this.hinges.map((hinge) => {
      const { m } = locate(hinge, hinge.side);
      const turn = (state: FrameState) => hingeTurn(frame, state, m, hinge.side);
      return turn(states[0]!) + moments.reduce((sum, factor, j) => sum + factor * turn(states[1 + j]!), 0);
    });
    return { at, turning, scale };
  }

  /** dMpl,N/dN of a hinge, with the sign of its moment. */
  private momentByAxial(hinge: Hinge): number {
    if (!this.reduce) return 0;
    const { N } = this.forces(hinge);
    const Npl = this.Npl[hinge.member]!;
    const { slope } = reducedMoment(this.frame.sections[hinge.member]!, Math.min(1, Math.abs(N) / Npl));
    return (hinge.sign * slope * this.Mpl[hinge.member]! * Math.sign(N)) / Npl;
  }

  /** The model with a node and a released moment at each hinge, and a load case of a unit moment for each. */
  private hinged(): {
    model: FrameModel;
    locate: (place: Place, side?: Hinge['side']) => { m: number; x: number; before: boolean };
  } {
    const nodes = [...this.model.nodes];
    const members: Member[] = [];
    const pieces: { from: number; to: number; m: number }[][] = [];
    const unitLoads: Load[][] = this.hinges.map(() => []);
    this.model.members.forEach((member, m) => {
      const L = this.frame.length[m]!;
      const own = this.hinges.map((hinge, h) => ({ hinge, h })).filter(({ hinge }) => hinge.member === m);
      const inner = [...new Set(own.map(({ hinge }) => hinge.x))]
        .filter((x) => x > 0 && x < L)
        .sort((a, b) => a - b);
      const ends = [0, ...inner, L];
      const idAt = (x: number) => (x === 0 ? member.start : x === L ? member.end : `${member.id}@${x}`);
      for (const x of inner) {
        const share = x / L;
        const from = 3 * this.frame.start[m]!;
        const point = [0, 1, 2].map(
          (k) =>
            this.frame.xyz[from + k]! + this.frame.arms[6 * m + k]! + this.frame.axes[9 * m + k]! * share * L,
        );
        nodes.push({ id: idAt(x), x: point[0]!, z: point[2]! });
      }
      pieces[m] = [];
      for (let i = 0; i + 1 < ends.length; i++) {
        const [from, to] = [ends[i]!, ends[i + 1]!];
        const id = ends.length === 2 ? member.id : `${member.id}#${i}`;
        const piece: Member = { ...member, id, start: idAt(from), end: idAt(to) };
        const start = { ...(i === 0 ? member.hinges?.start : undefined) };
        const end = { ...(i === ends.length - 2 ? member.hinges?.end : undefined) };
        for (const { hinge, h } of own) {
          const atStart = hinge.side === 'behind' && hinge.x === from;
          const atEnd = hinge.side === 'before' && hinge.x === to;
          if (!atStart && !atEnd) continue;
          if (atStart) start.My = 'free';
          else end.My = 'free';
          // The moment acts on the member inside the hinge and back on the node outside it
          const axis = [3, 4, 5].map((k) => this.frame.axes[9 * m + k]!);
          const sign = atStart ? 1 : -1;
          const vector = (s: number) => axis.map((a) => s * a) as [number, number, number];
          unitLoads[h]!.push(
            { kind: 'point', member: id, at: atStart ? 0 : 1, M: vector(sign) },
            { kind: 'node', node: idAt(atStart ? from : to), M: vector(-sign) },
          );
        }
        piece.hinges = { start, end };
        const offsets = member.offsets;
        if (offsets)
          piece.offsets = {
            start: i === 0 ? (offsets.start ?? [0, 0, 0]) : [0, 0, 0],
            end: i === ends.length - 2 ? (offsets.end ?? [0, 0, 0]) : [0, 0, 0],
          };
        pieces[m].push({ from, to, m: members.length });
        members.push(piece);
      }
    });
    const loadCases = (this.model.loadCases ?? []).map((loadCase) => ({
      ...loadCase,
      loads: (loadCase.loads ?? []).flatMap((load) =>
        'member' in load
          ? splitLoad(load, pieces[this.frame.memberIndex.get(load.member)!]!, members, this.frame)
          : [load],
      ),
    }));
    const units = unitLoads.map((loads, h) => ({ id: `hinge ${h}`, loads }));
    const locate = ({ member, x }: Place, side?: Hinge['side']) => {
      const list = pieces[member]!;
      const piece =
        side === 'before'
          ? list.find(({ to }) => x <= to)!
          : [...list].reverse().find(({ from }) => x >= from)!;
      const chosen = piece.to - piece.from > 0 ? piece : list[0]!;
      return { m: chosen.m, x: x - chosen.from, before: side === 'before' };
    };
    return {
      model: { ...this.model, nodes, members, loadCases: [...loadCases, ...units], combinations: [] },
      locate,
    };
  }

  /** The next factor at which some place reaches its plastic moment, and the hinges that form there. */
  private nextEvent(
    at: (place: Place) => { N: number; M: number },
  ): { length: number; hinges: Hinge[] } | undefined {
    let best: { length: number; hinges: Hinge[] } | undefined;
    const offer = (length: number, hinge?: Hinge): void => {
      if (best && length > best.length * (1 + 1e-9) + 1e-15) return;
      if (!best || length < best.length * (1 - 1e-9) - 1e-15) best = { length, hinges: [] };
      if (hinge) best.hinges.push(hinge);
    };
    this.model.members.forEach((_, m) => {
      if (this.frame.axialOnly[m]) return;
      for (const place of this.candidates(m, at)) {
        if (
          this.hinges.some(
            (hinge) => hinge.member === m && Math.abs(hinge.x - place.x) <= 1e-6 * this.frame.length[m]!,
          )
        )
          continue;
        if (this.leavesLoose(place, this.hinges)) continue;
        const now = this.forces(place);
        const rate = at(place);
        const length = this.untilPlastic(m, { ...now, dN: rate.N, dM: rate.M });
        if (length === undefined) continue;
        const sign = Math.sign(now.M + length * rate.M);
        const side = place.x === this.frame.length[m]! ? 'before' : 'behind';
        offer(length, { member: m, x: place.x, sign, side });
      }
    });
    // The slope of the reduction holds up to its next kink
    for (const hinge of this.reduce ? this.hinges : []) {
      const now = this.forces(hinge);
      const rate = at(hinge);
      const Npl = this.Npl[hinge.member]!;
      const smooth = ['rectangle', 'circular-hollow'].includes(
        this.frame.sections[hinge.member]!.shape?.type ?? '',
      );
      const steps = smooth ? [Math.abs(now.N) / Npl + 0.01] : kinks(this.frame.sections[hinge.member]!);
      for (const n of steps)
        for (const N of [n * Npl, -n * Npl]) {
          const length = (N - now.N) / rate.N;
          if (length > 1e-9) offer(length);
        }
    }
    if (best) best.hinges = this.withoutTwins(best.hinges);
    return best;
  }

  /** Of hinges that form together at a node, those that would leave the node itself without hold are left out. */
  private withoutTwins(found: readonly Hinge[]): Hinge[] {
    const kept: Hinge[] = [];
    for (const hinge of found) if (!this.leavesLoose(hinge, [...this.hinges, ...kept])) kept.push(hinge);
    return kept;
  }

  /** True where a hinge would leave its node with nothing that keeps it from turning: the joint has its hinge already. */
  private leavesLoose({ member, x }: Place, hinges: readonly Place[]): boolean {
    const L = this.frame.length[member]!;
    const n = x === 0 ? this.frame.start[member]! : x === L ? this.frame.end[member]! : -1;
    if (n < 0 || this.frame.restraint[6 * n + 4] !== 0) return false;
    return !this.model.members.some((_, m) => {
      if (this.frame.axialOnly[m]) return false;
      return [0, 1].some((end) => {
        const node = end === 0 ? this.frame.start[m]! : this.frame.end[m]!;
        const place = end === 0 ? 0 : this.frame.length[m]!;
        if (node !== n || (m === member && place === x)) return false;
        const given = this.frame.hinges[12 * m + 6 * end + 4]!;
        return Number.isNaN(given) && !hinges.some((other) => other.member === m && other.x === place);
      });
    });
  }

  /** Places of a member where the moment may be largest: ends, breaks, and where it turns at the next event. */
  private candidates(m: number, at: (place: Place) => { N: number; M: number }): Place[] {
    const L = this.frame.length[m]!;
    const found = new Set<number>([0, L]);
    for (const loadCase of this.model.loadCases ?? [])
      for (const load of loadCase.loads ?? []) {
        if (load.kind === 'point' && load.member === this.frame.memberIds[m]) found.add(load.at * L);
        if (load.kind === 'distributed' && load.member === this.frame.memberIds[m])
          found.add((load.from ?? 0) * L).add((load.to ?? 1) * L);
      }
    for (const hinge of this.hinges) if (hinge.member === m) found.add(hinge.x);
    const sorted = [...found].sort((a, b) => a - b);
    for (let i = 0; i + 1 < sorted.length; i++) {
      const x = this.turningPlace(m, sorted[i]!, sorted[i + 1]!, at);
      if (x !== undefined) found.add(x);
    }
    return [...found].map((x) => ({ member: m, x }));
  }

  /**
   * Where between two breaks the moment turns when it reaches the plastic one: moments are cubics between breaks, so the
   * place and the factor are corrected by turns until both stand.
   */
  private turningPlace(
    m: number,
    from: number,
    to: number,
    at: (place: Place) => { N: number; M: number },
  ): number | undefined {
    const h = to - from;
    const inside = [0.1, 0.4, 0.6, 0.9].map((s) => from + s * h);
    const now = inside.map((x) => this.forces({ member: m, x }).M);
    const rate = inside.map((x) => at({ member: m, x }).M);
    let x: number | undefined;
    let length = 0;
    for (let step = 0; step < 40; step++) {
      const cubic = throughFour(
        inside.map((place) => place - from),
        now.map((value, i) =>
          step === 0 && now.every((v) => v === 0) ? rate[i]! : value + length * rate[i]!,
        ),
      );
      const roots = rootsBetween(derivative(cubic), 1e-6 * h, h * (1 - 1e-6));
      if (roots.length === 0) return x;
      const turning = roots.reduce((a, b) =>
        Math.abs(evaluate(cubic, 0, 4, b)) > Math.abs(evaluate(cubic, 0, 4, a)) ? b : a,
      );
      const place = { member: m, x: from + turning };
      const grown = at(place);
      const until = this.untilPlastic(m, { ...this.forces(place), dN: grown.N, dM: grown.M });
      if (until === undefined) return undefined;
      const moved = Math.abs(place.x - (x ?? -1));
      x = place.x;
      length = until;
      if (moved < 1e-12 * h) break;
    }
    return x;
  }

  /** How much the factor may grow until |M| reaches the plastic moment that N leaves; undefined where it never does. */
  private untilPlastic(m: number, { N, M, dN, dM }: Growth): number | undefined {
    const section = this.frame.sections[m]!;
    const Mpl = this.Mpl[m]!;
    const Npl = this.Npl[m]!;
    const room = (t: number): number => {
      const n = Math.abs(N + t * dN) / Npl;
      const share = !this.reduce ? 1 : n >= 1 ? 0 : reducedMoment(section, n).share;
      return share * Mpl - Math.abs(M + t * dM);
    };
    if (dM === 0 && dN === 0) return undefined;
    const now = room(0);
    // At its plastic moment already: it forms at once unless the moment falls
    if (now <= 1e-10 * Mpl)
      return room(1e-6 * (Mpl / (Math.abs(dM) + (Mpl / Npl) * Math.abs(dN)))) <= now ? 0 : undefined;
    let high = Mpl / (Math.abs(dM) + (Mpl / Npl) * Math.abs(dN));
    let low = 0;
    for (let k = 0; room(high) > 0; k++) {
      low = high;
      high *= 2;
      if (k > 60) return undefined;
    }
    for (let k = 0; k < 200 && high - low > 1e-15 * high; k++) {
      const middle = (low + high) / 2;
      if (room(middle) > 0) low = middle;
      else high = middle;
    }
    return high;
  }
}

/** N and My of a field at x. */
function sectionForces(field: MemberField, x: number, before: boolean): { N: number; M: number } {
  const { breaks, forces, forceTerms: terms } = field;
  let s = 0;
  while (s + 2 < breaks.length && (before ? x > breaks[s + 1]! : x >= breaks[s + 1]!)) s++;
  const t = x - breaks[s]!;
  return {
    N: evaluate(forces, 6 * terms * s, terms, t),
    M: evaluate(forces, 6 * terms * s + 4 * terms, terms, t),
  };
}

/**
 * Turn of a hinge by a unit of the loads in the sense of its moment: positive where a sagging hinge opens downwards.
 * Between the section's rotation inside and the node's outside.
 */
function hingeTurn(frame: Frame, state: FrameState, m: number, side: Hinge['side']): number {
  const field = state.field(m);
  const last = field.breaks.length - 2;
  const s = side === 'behind' ? 0 : last;
  const t = side === 'behind' ? 0 : field.breaks[last + 1]! - field.breaks[last]!;
  const D = field.displacementTerms;
  const at = D * (4 * s + 2);
  let slope = 0;
  for (let k = D - 1; k >= 1; k--) slope = slope * t + k * field.displacements[at + k]!;
  const V = evaluate(field.forces, field.forceTerms * (6 * s + 2), field.forceTerms, t);
  const shear = frame.rigidity[6 * m + 5]!;
  const section = slope + (shear > 0 ? V / shear : 0);
  const n = side === 'behind' ? frame.start[m]! : frame.end[m]!;
  const axis = 9 * m + 3;
  let about = 0;
  for (let k = 0; k < 3; k++) about += frame.axes[axis + k]! * state.displacements[6 * n + 3 + k]!;
  const node = -about;
  // A sagging hinge grows where the slope behind it exceeds the one before
  return side === 'behind' ? section - node : node - section;
}

/** Cubic through four points, coefficients of t. */
function throughFour(t: readonly number[], y: readonly number[]): Float64Array {
  const out = new Float64Array(4);
  t.forEach((ti, i) => {
    let c = [y[i]!];
    t.forEach((tj, j) => {
      if (i === j) return;
      const next = new Array<number>(c.length + 1).fill(0);
      c.forEach((value, k) => {
        next[k]! -= (value * tj) / (ti - tj);
        next[k + 1]! += value / (ti - tj);
      });
      c = next;
    });
    c.forEach((value, k) => (out[k]! += value));
  });
  return out;
}

/** A member's load on the pieces the member is cut into. */
function splitLoad(
  load: Extract<Load, { member: string }>,
  pieces: readonly { from: number; to: number; m: number }[],
  members: readonly Member[],
  frame: Frame,
): Load[] {
  if (pieces.length === 1) return [{ ...load, member: members[pieces[0]!.m]!.id }];
  const L = frame.length[frame.memberIndex.get(load.member)!]!;
  const out: Load[] = [];
  pieces.forEach(({ from, to, m }, i) => {
    const member = members[m]!.id;
    const h = to - from;
    if (load.kind === 'point') {
      const x = load.at * L;
      const last = i === pieces.length - 1;
      if (x >= from && (x < to || last)) out.push({ ...load, member, at: Math.min(1, (x - from) / h) });
    } else if (load.kind === 'distributed') {
      const [a, b] = [(load.from ?? 0) * L, (load.to ?? 1) * L];
      const low = Math.max(a, from);
      const high = Math.min(b, to);
      if (high - low <= 1e-12 * L) return;
      const q = (x: number) => load.q[0] + ((load.q[1] - load.q[0]) * (x - a)) / (b - a);
      out.push({
        ...load,
        member,
        q: [q(low), q(high)],
        from: Math.max(0, (low - from) / h),
        to: Math.min(1, (high - from) / h),
      });
    } else out.push({ ...load, member });
  });
  return out;
}
