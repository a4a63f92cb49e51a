import { attempt, fail, ProblemError } from '../../base/problem.js';
import type { FrameModel } from '../../model/types.js';
import { analyse, type FrameState } from '../first-order/states.js';
import { prepareFrame, type Frame } from '../frame/frame.js';
import { derivative, rootsBetween } from '../polynomial.js';
import { sumOfFields } from '../sum-of-fields.js';
import { hingeTurn, sectionForces } from './hinge-functions.js';
import { hingedModel, type Hinge, type Place } from './hinged-model.js';
import type { PlasticFrame } from './plastic-frame.js';
import type { PlasticState } from './types.js';

/** A hinge that has closed: it keeps the turn that it had. */
export interface ClosedHinge {
  readonly hinge: Hinge;
  readonly turn: number;
}

/** The frame in equilibrium with its hinges at their plastic moments. */
export interface HingedState {
  readonly state: FrameState;
  /** Moments of the open hinges, then of the closed ones, N·m. */
  readonly moments: readonly number[];
  /** Turns of the open hinges, positive in the sense of a sagging moment. */
  readonly turns: readonly number[];
}

const mostRounds = 60;
/** Change of the hinges' moments against the plastic one at which they stand. */
const settled = 1e-10;

/** A frame with a set of hinges: its equilibrium under any loads, found as a whole. */
export class HingedEquilibrium {
  private readonly parts: ReturnType<typeof hingedModel>;
  private readonly frame: Frame;
  readonly open: readonly Hinge[];
  private readonly closed: readonly ClosedHinge[];
  private readonly all: readonly Hinge[];
  private moments: number[];

  /** @param begin moments to begin with: of the open hinges, then of the closed ones */
  constructor(
    private readonly model: FrameModel,
    private readonly plastic: PlasticFrame,
    { open, closed }: { readonly open: readonly Hinge[]; readonly closed: readonly ClosedHinge[] },
    private readonly secondOrder: boolean,
    begin: readonly number[] = [],
  ) {
    this.open = open;
    this.closed = closed;
    this.all = [...open, ...closed.map(({ hinge }) => hinge)];
    this.parts = hingedModel(model, plastic.frame, this.all);
    this.frame = prepareFrame(this.parts.model);
    this.moments = this.all.map((hinge, h) => begin[h] ?? hinge.sign * plastic.Mpl[hinge.member]!);
  }

  /** @throws ProblemError `mechanism`, `diverged`, `not-converged` where it has none */
  under(loads: Float64Array): HingedState {
    const { open, closed, plastic } = this;
    let moments = [...this.moments];
    let before: { moments: number[]; gaps: number[] } | undefined;
    for (let round = 0; round < mostRounds; round++) {
      const state = this.analysed(loads, moments);
      const wanted = open.map(
        (hinge) => hinge.sign * plastic.momentUnder(hinge.member, this.forcesAt(state, hinge, hinge.side).N),
      );
      const gaps = closed.map(({ hinge, turn }) => this.turnOf(state, hinge) - turn);
      const scale = (h: number) => plastic.Mpl[this.all[h]!.member]!;
      const change = wanted.reduce(
        (most, value, h) => Math.max(most, Math.abs(value - moments[h]!) / scale(h)),
        0,
      );
      const open0 = open.length;
      if (
        change <= settled &&
        gaps.every((gap) => Math.abs(gap) <= 1e-12 + 1e-9 * this.greatestTurn(state))
      ) {
        this.moments = moments;
        return { state, moments, turns: open.map((hinge) => this.turnOf(state, hinge)) };
      }
      const held = closed.map((_, c) => {
        const h = open0 + c;
        const gap = gaps[c]!;
        const last = before && moments[h]! - before.moments[h]!;
        // The first step shows how much the hinge turns by its moment
        if (!before || !last || gap === before.gaps[c]) return moments[h]! + 1e-3 * scale(h);
        return moments[h]! - (gap * last) / (gap - before.gaps[c]!);
      });
      before = { moments, gaps };
      moments = [...wanted, ...held];
    }
    return fail('not-converged', 'The moments of the plastic hinges did not settle.');
  }

  private analysed(loads: Float64Array, moments: readonly number[]): FrameState {
    const factors = new Float64Array(loads.length + moments.length);
    factors.set(loads);
    factors.set(moments, loads.length);
    const { secondOrder } = this;
    const outcome = analyse(this.frame, [{ id: 'loads', kind: 'combination', factors }], { secondOrder });
    if (!outcome.ok) throw new ProblemError(outcome.problems);
    return outcome.value.states.get('loads')!;
  }

  /** N and My at a place of the model as given. */
  forcesAt(state: FrameState, place: Place, side?: Hinge['side']): { N: number; M: number } {
    const { m, x, before } = this.parts.locate(place, side);
    return sectionForces(state.field(m), x, before);
  }

  private turnOf(state: FrameState, hinge: Hinge): number {
    return hingeTurn(this.frame, state, this.parts.locate(hinge, hinge.side).m, hinge.side);
  }

  private greatestTurn({ displacements }: FrameState): number {
    let most = 0;
    for (let k = 4; k < displacements.length; k += 6) most = Math.max(most, Math.abs(displacements[k]!));
    return most;
  }

  /** Places of a member where its moment may be largest: its breaks, and where it turns between them. */
  placesOf(state: FrameState, member: number): Place[] {
    const length = this.plastic.frame.length[member]!;
    return this.parts.pieces[member]!.flatMap(({ m, from }) => {
      const { breaks, forces, forceTerms: terms } = state.field(m);
      const found: Place[] = [];
      for (let s = 0; s + 1 < breaks.length; s++) {
        const at = terms * (6 * s + 4);
        const h = breaks[s + 1]! - breaks[s]!;
        for (const t of [0, ...rootsBetween(derivative(forces.subarray(at, at + terms)), 0, h), h]) {
          const x = from + breaks[s]! + t;
          found.push({ member, x: Math.abs(x - length) <= 1e-9 * length ? length : x });
        }
      }
      return found;
    });
  }

  /** The state as the model as given has it. */
  asGiven({ state }: HingedState): PlasticState {
    const { frame } = this.plastic;
    return {
      displacements: state.displacements.subarray(0, 6 * this.model.nodes.length),
      field: (member) =>
        sumOfFields(
          this.parts.pieces[member]!.map(({ m, from }) => ({ field: state.field(m), factor: 1, from })),
          frame.length[member]!,
        ),
    };
  }
}

/** The state under loads, or undefined where there is none. */
export function tryUnder(equilibrium: HingedEquilibrium, loads: Float64Array): HingedState | undefined {
  const outcome = attempt(() => equilibrium.under(loads));
  return outcome.ok ? outcome.value : undefined;
}
