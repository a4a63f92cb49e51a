import { strengthAt } from '../../sections/materials.js';
import type { FrameModel } from '../../model/types.js';
import { attempt, fail, ProblemError, type Outcome } from '../../base/problem.js';
import { invert } from '../first-order/dense.js';
import { prepareFrame, type Frame } from '../frame/frame.js';
import { derivative, polynomialAt, rootsBetween } from '../polynomial.js';
import { analyse, type FrameState } from '../first-order/states.js';
import { hingeTurn, sectionForces, throughFour } from './hinge-functions.js';
import { hingedModel, type Hinge, type Place } from './hinged-model.js';
import { kinks, reducedMoment } from './reduced-moment.js';
import type { PlasticCollapse, PlasticEvent, PlasticOptions } from './types.js';

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
    for (const m of this.frame.tapers.keys())
      fail(
        'not-supported',
        `Plastic collapse needs members of one section; divide the tapered member "${this.frame.memberIds[m]!}" into uniform ones (/members/${m}/endSection).`,
        { path: `/members/${m}/endSection` },
      );
    this.Mpl = new Float64Array(model.members.length);
    this.Npl = new Float64Array(model.members.length);
    this.frame.sections.forEach((section, m) => {
      const { properties, material, shape } = section;
      const thickness =
        shape && 'tf' in shape ? Math.max(shape.tf, shape.tw) : shape && 't' in shape ? shape.t : 0;
      const fy = strengthAt(material, thickness)?.fy;
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
    const { model, locate } = hingedModel(this.model, this.frame, this.hinges);
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
        Math.abs(polynomialAt(cubic, 0, 4, b)) > Math.abs(polynomialAt(cubic, 0, 4, a)) ? b : a,
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
