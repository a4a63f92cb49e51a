import { fail, ProblemError } from '../../base/problem.js';
import type { FrameModel } from '../../model/types.js';
import { invert } from '../first-order/dense.js';
import { analyse, type FrameState } from '../first-order/states.js';
import { prepareFrame } from '../frame/frame.js';
import type { MemberField } from '../member-field.js';
import { derivative, polynomialAt, rootsBetween } from '../polynomial.js';
import { sumOfFields, type FieldTerm } from '../sum-of-fields.js';
import { hingeTurn, sectionForces, throughFour } from './hinge-functions.js';
import { hingedModel, type Hinge, type Place } from './hinged-model.js';
import { PlasticFrame } from './plastic-frame.js';
import type {
  GrowthParts,
  PlasticEvent,
  PlasticGrowth,
  PlasticLoads,
  PlasticOptions,
  PlasticState,
} from './types.js';

/** N and My at a place by a unit of what grows. */
type Rates = (place: Place) => { N: number; M: number };

/** The frame with its hinges while a unit of loads grows on it. */
interface Stage {
  readonly at: Rates;
  /** Turn of each hinge, in the sense of its moment where positive. */
  readonly turning: readonly number[];
  readonly scale: number;
  /** 6 a node of the model as given. */
  readonly displacements: Float64Array;
  /** The functions along a member of the model as given, as terms of a sum. */
  terms(member: number): FieldTerm[];
}

/** A stage that lasted: from a factor on, for how much growth. */
interface Past {
  readonly from: number;
  readonly length: number;
  readonly stage: Stage;
}

/**
 * Growth in first order: between two events all grows evenly, so that the state is a sum over the stages, each of which is linear with
 * the hinges that it has.
 */
export class FirstOrderGrowth {
  private readonly plastic: PlasticFrame;
  private readonly most: number;
  private readonly hinges: Hinge[] = [];
  private readonly events: PlasticEvent[] = [];
  private readonly past: Past[] = [];
  private factor = 0;

  constructor(
    private readonly model: FrameModel,
    private readonly loads: PlasticLoads,
    options: PlasticOptions,
  ) {
    this.plastic = new PlasticFrame(model, options);
    this.most = options.most ?? 1e12;
  }

  *run(): GrowthParts {
    const { constant, raised } = this.loads;
    if (constant.some((value) => value !== 0)) {
      // The constant loads are put on from 0 to 1; what happens meanwhile is at the factor 0
      const loose = yield* this.grow(constant, 1, false);
      if (loose) return this.ended('collapse', loose);
    }
    const loose = yield* this.grow(raised, this.most, true);
    return loose ? this.ended('collapse', loose) : this.ended('most');
  }

  /** Grows loads up to `most`; the mechanism where there is one before. */
  private *grow(
    factors: Float64Array,
    most: number,
    counts: boolean,
  ): Generator<{ factor: number; events: number }, PlasticGrowth['mechanism']> {
    const mostEvents = 20 * this.model.members.length + 100;
    let grown = 0;
    for (let k = 0; k < mostEvents; k++) {
      const stage = this.stage(factors);
      if ('mechanism' in stage) return stage.mechanism;
      const reversed = this.hinges.findIndex(
        (hinge, h) => hinge.sign * stage.turning[h]! < -1e-12 * stage.scale,
      );
      if (reversed >= 0) {
        const [hinge] = this.hinges.splice(reversed, 1);
        this.record('closed', hinge!);
        continue;
      }
      const next = this.nextEvent(stage.at);
      const length = Math.min(next?.length ?? Infinity, most - grown);
      this.past.push({ from: counts ? this.factor : -1, length, stage });
      grown += length;
      if (counts) this.factor += length;
      if (!next || next.length > length) return undefined;
      for (const hinge of next.hinges) {
        this.hinges.push(hinge);
        this.record('hinge', hinge);
      }
      yield { factor: this.factor, events: this.events.length };
    }
    return fail('not-converged', 'The plastic hinges keep opening and closing; no collapse was found.');
  }

  private ended(end: PlasticGrowth['end'], mechanism?: PlasticGrowth['mechanism']): PlasticGrowth {
    const { events, factor } = this;
    const stateAt = (at: number) => this.stateAt(at);
    return { events, end, factor, ...(mechanism ? { mechanism } : {}), stateAt };
  }

  /** Sum over the stages up to a factor. */
  private stateAt(factor: number): PlasticState {
    const counted = this.past.flatMap(({ from, length, stage }) => {
      const share = from < 0 ? length : Math.min(length, factor - from);
      return share > 0 ? [{ share, stage }] : [];
    });
    const { frame } = this.plastic;
    const displacements = new Float64Array(6 * frame.nodeIds.length);
    for (const { share, stage } of counted)
      stage.displacements.forEach((value, k) => (displacements[k]! += share * value));
    const field = (member: number): MemberField =>
      sumOfFields(
        counted.length === 0
          ? this.past[0]!.stage.terms(member).map((term) => ({ ...term, factor: 0 }))
          : counted.flatMap(({ share, stage }) =>
              stage.terms(member).map((term) => ({ ...term, factor: share * term.factor })),
            ),
        frame.length[member]!,
      );
    return { displacements, field };
  }

  private record(kind: PlasticEvent['kind'], place: Place): void {
    const { N, M } = this.forces(place);
    const member = this.plastic.frame.memberIds[place.member]!;
    this.events.push({ factor: this.factor, kind, member, x: place.x, moment: M, axial: N });
  }

  /** Forces at a place now. */
  private forces(place: Place): { N: number; M: number } {
    let N = 0;
    let M = 0;
    for (const { length, stage } of this.past) {
      const one = stage.at(place);
      N += length * one.N;
      M += length * one.M;
    }
    return { N, M };
  }

  /** The frame with its hinges under a unit of the loads, their moments following the axial forces. */
  private stage(given: Float64Array): { mechanism: NonNullable<PlasticGrowth['mechanism']> } | Stage {
    const { frame: whole } = this.plastic;
    const { model, locate, pieces } = hingedModel(this.model, whole, this.hinges);
    const frame = prepareFrame(model);
    const count = given.length;
    const selections = [given, ...this.hinges.map(() => undefined)].map((own, k) => {
      const factors = new Float64Array(count + this.hinges.length);
      if (own) factors.set(own);
      else factors[count + k - 1] = 1;
      return { id: `${k}`, kind: 'case' as const, factors };
    });
    const outcome = analyse(frame, selections);
    if (!outcome.ok) {
      const loose = outcome.problems.find((p) => p.code === 'mechanism');
      if (!loose || this.hinges.length === 0) throw new ProblemError(outcome.problems);
      return { mechanism: loose.where['shape'] as NonNullable<PlasticGrowth['mechanism']> };
    }
    const states = selections.map(({ id }) => outcome.value.states.get(id)!);
    const valueAt = (state: FrameState, place: Place, side?: Hinge['side']) => {
      const { m, x, before } = locate(place, side);
      return sectionForces(state.field(m), x, before);
    };
    const moments = this.momentRates(states, valueAt);
    const shares = [1, ...moments];
    const at: Rates = (place) => {
      const sum = { N: 0, M: 0 };
      states.forEach((state, k) => {
        if (shares[k] === 0) return;
        const one = valueAt(state, place);
        sum.N += shares[k]! * one.N;
        sum.M += shares[k]! * one.M;
      });
      return sum;
    };
    const displacements = new Float64Array(6 * whole.nodeIds.length);
    for (const [k, state] of states.entries())
      for (let i = 0; i < displacements.length; i++)
        displacements[i]! += shares[k]! * state.displacements[i]!;
    const scale = states[0]!.displacements.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    const turning = this.hinges.map((hinge) => {
      const { m } = locate(hinge, hinge.side);
      return states.reduce((sum, state, k) => sum + shares[k]! * hingeTurn(frame, state, m, hinge.side), 0);
    });
    const terms = (member: number): FieldTerm[] =>
      states.flatMap((state, k) =>
        shares[k] === 0
          ? []
          : pieces[member]!.map(({ m, from }) => ({ field: state.field(m), factor: shares[k]!, from })),
      );
    return { at, turning, scale, displacements, terms };
  }

  /** Moments of the hinges by a unit of the loads: m = g·N′, with N′ from the loads and from the moments themselves. */
  private momentRates(
    states: readonly FrameState[],
    valueAt: (state: FrameState, place: Place, side?: Hinge['side']) => { N: number; M: number },
  ): number[] {
    const h = this.hinges.length;
    const rates = this.hinges.map((hinge) => this.plastic.momentByAxial(hinge, this.forces(hinge).N));
    const A = new Float64Array(h * h);
    const b = new Float64Array(h);
    this.hinges.forEach((hinge, i) => {
      b[i] = rates[i]! * valueAt(states[0]!, hinge, hinge.side).N;
      for (let j = 0; j < h; j++)
        A[i * h + j] = (i === j ? 1 : 0) - rates[i]! * valueAt(states[1 + j]!, hinge, hinge.side).N;
    });
    const inverse = invert(A, h);
    return Array.from({ length: h }, (_, i) => {
      let sum = 0;
      for (let j = 0; j < h; j++) sum += inverse[i * h + j]! * b[j]!;
      return sum;
    });
  }

  /** The next factor at which some place reaches its plastic moment, and the hinges that form there. */
  private nextEvent(at: Rates): { length: number; hinges: Hinge[] } | undefined {
    const { plastic, hinges } = this;
    const { frame } = plastic;
    let best: { length: number; hinges: Hinge[] } | undefined;
    const offer = (length: number, hinge?: Hinge): void => {
      if (best && length > best.length * (1 + 1e-9) + 1e-15) return;
      if (!best || length < best.length * (1 - 1e-9) - 1e-15) best = { length, hinges: [] };
      if (hinge) best.hinges.push(hinge);
    };
    this.model.members.forEach((_, m) => {
      if (frame.axialOnly[m]) return;
      for (const place of this.candidates(m, at)) {
        const near = 1e-6 * frame.length[m]!;
        if (hinges.some((hinge) => hinge.member === m && Math.abs(hinge.x - place.x) <= near)) continue;
        if (plastic.leavesLoose(place, hinges)) continue;
        const now = this.forces(place);
        const rate = at(place);
        const length = plastic.untilPlastic(m, { ...now, dN: rate.N, dM: rate.M });
        if (length === undefined) continue;
        const sign = Math.sign(now.M + length * rate.M);
        const side = place.x === frame.length[m]! ? 'before' : 'behind';
        offer(length, { member: m, x: place.x, sign, side });
      }
    });
    // The slope of the reduction holds up to its next kink
    for (const hinge of plastic.reduce ? hinges : []) {
      const now = this.forces(hinge);
      const rate = at(hinge);
      for (const step of plastic.axialSteps(hinge, now.N))
        for (const N of [step, -step]) {
          const length = (N - now.N) / rate.N;
          if (length > 1e-9) offer(length);
        }
    }
    if (best) best.hinges = plastic.withoutTwins(best.hinges, hinges);
    return best;
  }

  /** Places of a member where the moment may be largest: ends, breaks, and where it turns at the next event. */
  private candidates(m: number, at: Rates): Place[] {
    const breaks = this.plastic.breaksOf(m, this.hinges);
    const found = new Set(breaks);
    for (let i = 0; i + 1 < breaks.length; i++) {
      const x = this.turningPlace(m, breaks[i]!, breaks[i + 1]!, at);
      if (x !== undefined) found.add(x);
    }
    return [...found].map((x) => ({ member: m, x }));
  }

  /**
   * Where between two breaks the moment turns when it reaches the plastic one: moments are cubics between breaks, so the
   * place and the factor are corrected by turns until both stand.
   */
  private turningPlace(m: number, from: number, to: number, at: Rates): number | undefined {
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
      const until = this.plastic.untilPlastic(m, { ...this.forces(place), dN: grown.N, dM: grown.M });
      if (until === undefined) return undefined;
      const moved = Math.abs(place.x - (x ?? -1));
      x = place.x;
      length = until;
      if (moved < 1e-12 * h) break;
    }
    return x;
  }
}
