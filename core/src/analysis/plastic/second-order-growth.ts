import { fail } from '../../base/problem.js';
import type { FrameModel } from '../../model/types.js';
import { HingedEquilibrium, tryUnder, type ClosedHinge, type HingedState } from './hinged-equilibrium.js';
import type { Hinge, Place } from './hinged-model.js';
import { PlasticFrame } from './plastic-frame.js';
import type {
  GrowthParts,
  PlasticEvent,
  PlasticGrowth,
  PlasticLoads,
  PlasticOptions,
  PlasticState,
} from './types.js';

/** A place at its plastic moment, or how far the nearest is from it: |M| / M_N − 1. */
interface Nearest {
  readonly excess: number;
  readonly hinges: readonly Hinge[];
}

/** A stretch of the path with one set of hinges. */
interface Stretch {
  readonly from: number;
  readonly equilibrium: HingedEquilibrium;
}

/** The path at one place: t < 0 while the constant loads are put on, the factor λ from 0 on. */
interface At {
  readonly t: number;
  readonly now: HingedState;
  readonly near: Nearest;
}

/** Events and limits are found to this, against the factor. */
const precision = 1e-9;
/** Excess at which a place is at its plastic moment. */
const atPlastic = 1e-11;
/** The first look behind an event, against the factor. */
const glance = 1e-5;
/** A peak of the moment that moves away from a hinge inside a member is the same hinge up to here, against the length. */
const sameHinge = 0.1;

/**
 * Growth where states do not add up: in second order, and with members of one sign. Each state is found as a whole, with the hinges that
 * are there; the next event is sought along the path.
 */
export class SecondOrderGrowth {
  private readonly plastic: PlasticFrame;
  private readonly most: number;
  private readonly secondOrder: boolean;
  private open: Hinge[] = [];
  private closed: ClosedHinge[] = [];
  private readonly events: PlasticEvent[] = [];
  private readonly stretches: Stretch[] = [];
  private readonly known = new Map<number, PlasticState>();

  constructor(
    private readonly model: FrameModel,
    private readonly loads: PlasticLoads,
    options: PlasticOptions,
  ) {
    this.plastic = new PlasticFrame(model, options);
    this.most = options.most ?? 1e6;
    this.secondOrder = options.secondOrder ?? false;
  }

  *run(): GrowthParts {
    const start = this.loads.constant.some((value) => value !== 0) ? -1 : 0;
    let t = start;
    // Without loads there is a state unless the frame is none: that is told
    const elastic = this.stretch(t, []);
    elastic.under(this.loadsAt(start));
    const mostEvents = 20 * this.model.members.length + 100;
    for (let k = 0; k < mostEvents; k++) {
      const next = this.advance(t);
      t = next.t;
      yield { factor: Math.max(0, t), events: this.events.length };
      if (next.ends) return this.ended(next.ends, Math.max(0, t));
    }
    return fail('not-converged', 'The plastic hinges keep opening and closing; no collapse was found.');
  }

  private ended(end: PlasticGrowth['end'], factor: number): PlasticGrowth {
    return { events: this.events, end, factor, stateAt: (at) => this.stateAt(at) };
  }

  private loadsAt(t: number): Float64Array {
    const { constant, raised } = this.loads;
    return constant.map((value, c) => Math.min(1, 1 + t) * value + Math.max(0, t) * raised[c]!);
  }

  /** Begins a stretch with the hinges that are there now. */
  private stretch(from: number, moments: readonly number[]): HingedEquilibrium {
    const { model, plastic, open, closed, secondOrder } = this;
    const equilibrium = new HingedEquilibrium(
      model,
      plastic,
      { open: [...open], closed: [...closed] },
      secondOrder,
      moments,
    );
    this.stretches.push({ from, equilibrium });
    return equilibrium;
  }

  /** Goes on from t to the next event, and takes it in. */
  private advance(t: number): { t: number; ends?: PlasticGrowth['end'] } {
    const { equilibrium } = this.stretches[this.stretches.length - 1]!;
    const look = (at: number): At | undefined => {
      const now = tryUnder(equilibrium, this.loadsAt(at));
      return now && { t: at, now, near: this.nearest(equilibrium, now) };
    };
    let low = look(t);
    if (!low) return { t, ends: 'collapse' };
    let high: At | undefined;
    let beyond = Infinity;
    let step = glance * Math.max(Math.abs(t), 1e-2);
    for (let k = 0; k < 400 && !high; k++) {
      const at = Math.min(t < 0 ? Math.max(this.most, 0) : this.most, low.t + step, (low.t + beyond) / 2);
      const next = look(low.t < 0 && at > 0 ? 0 : at);
      if (!next) {
        beyond = at;
        if (beyond - low.t <= 10 * precision * Math.max(1, Math.abs(low.t)))
          return { t: low.t, ends: 'collapse' };
        step = (beyond - low.t) / 2;
        continue;
      }
      const reversed = equilibrium.open.findIndex(
        (hinge, h) => hinge.sign * (next.now.turns[h]! - low!.now.turns[h]!) < -1e-12,
      );
      if (reversed >= 0) return this.close(equilibrium, reversed, low, next, look);
      if (next.near.excess >= 0) high = next;
      else {
        const rate = (next.near.excess - low.near.excess) / (next.t - low.t);
        const to = rate > 0 ? -next.near.excess / rate : Infinity;
        if (next.t >= this.most) return { t: next.t, ends: 'most' };
        const widest = 2 * Math.max(next.t - low.t, 0.25 * Math.max(1, Math.abs(next.t)));
        step = Math.min(Math.max(1.02 * to, 1e-7), widest);
        low = next;
      }
    }
    return this.hingeBetween(low, high!, look);
  }

  /** A hinge that would turn backwards keeps its turn from where it begins to. */
  private close(
    equilibrium: HingedEquilibrium,
    h: number,
    low: At,
    high: At,
    look: (t: number) => At | undefined,
  ): { t: number } {
    const { sign } = equilibrium.open[h]!;
    let best = low;
    let [from, to] = [low.t, high.t];
    for (let k = 0; k < 40 && to - from > 1e-7 * Math.max(1, Math.abs(to)); k++) {
      const [a, b] = [look(from + (to - from) / 3), look(from + (2 * (to - from)) / 3)];
      if (!a || !b) break;
      for (const one of [a, b]) if (sign * one.now.turns[h]! > sign * best.now.turns[h]!) best = one;
      if (sign * a.now.turns[h]! > sign * b.now.turns[h]!) to = b.t;
      else from = a.t;
    }
    const hinge = this.open[h]!;
    this.record('closed', hinge, equilibrium, best);
    const moments = [...best.now.moments];
    const [own] = moments.splice(h, 1);
    this.open.splice(h, 1);
    this.closed.push({ hinge, turn: best.now.turns[h]! });
    this.stretch(best.t, [...moments, own!]);
    return { t: best.t };
  }

  /** Closes in on the first place that reaches its plastic moment, and takes the hinge in. */
  private hingeBetween(
    low: At,
    high: At,
    look: (t: number) => At | undefined,
  ): { t: number; ends?: PlasticGrowth['end'] } {
    let [a, b] = [low, high];
    for (let k = 0; k < 60 && b.t - a.t > precision * Math.max(1e-3, Math.abs(b.t)); k++) {
      const share = a.near.excess / (a.near.excess - b.near.excess);
      const next = look(a.t + (b.t - a.t) * (k % 4 === 3 ? 0.5 : Math.min(0.9999, Math.max(1e-4, share))));
      if (!next)
        return fail(
          'not-converged',
          'The moments of the plastic hinges did not settle between two states in which they did.',
        );
      if (next.near.excess > -atPlastic) b = next;
      else a = next;
      if (Math.abs(next.near.excess) < atPlastic) break;
    }
    const { equilibrium } = this.stretches[this.stretches.length - 1]!;
    const formed = this.plastic.withoutTwins(b.near.hinges, this.open);
    const [first] = formed;
    if (!first) return { t: b.t, ends: 'collapse' };
    this.record('hinge', first, equilibrium, b);
    const moments = b.now.moments.slice(0, this.open.length);
    const held = b.now.moments.slice(this.open.length);
    const N = equilibrium.forcesAt(b.now.state, first, first.side).N;
    this.open.push(first);
    // A place that had a hinge before turns on from where it stood
    this.closed = this.closed.filter(({ hinge }) => hinge.member !== first.member || hinge.x !== first.x);
    this.stretch(b.t, [...moments, first.sign * this.plastic.momentUnder(first.member, N), ...held]);
    return { t: b.t };
  }

  private record(
    kind: PlasticEvent['kind'],
    hinge: Hinge,
    equilibrium: HingedEquilibrium,
    { t, now }: At,
  ): void {
    const { N, M } = equilibrium.forcesAt(now.state, hinge, hinge.side);
    const member = this.plastic.frame.memberIds[hinge.member]!;
    this.events.push({ factor: Math.max(0, t), kind, member, x: hinge.x, moment: M, axial: N });
  }

  /** The place nearest to its plastic moment, where a hinge may form. */
  private nearest(equilibrium: HingedEquilibrium, { state }: HingedState): Nearest {
    const { plastic } = this;
    const { frame } = plastic;
    const found: { excess: number; hinge: Hinge }[] = [];
    frame.memberIds.forEach((_, m) => {
      if (frame.axialOnly[m]) return;
      for (const place of equilibrium.placesOf(state, m)) {
        if (plastic.leavesLoose(place, this.open)) continue;
        const side = place.x === frame.length[m]! ? 'before' : 'behind';
        const { N, M } = equilibrium.forcesAt(state, place, side);
        if (this.isHinge(place, Math.sign(M))) continue;
        const hinge: Hinge = { ...place, sign: Math.sign(M), side };
        found.push({ excess: Math.abs(M) / plastic.momentUnder(m, N) - 1, hinge });
      }
    });
    const excess = found.reduce((most, one) => Math.max(most, one.excess), -1);
    const near = 1e-7;
    return { excess, hinges: found.filter((one) => one.excess >= excess - near).map(({ hinge }) => hinge) };
  }

  /** Whether a place is a hinge already: its own, or one from which the peak of the moment has moved on. */
  private isHinge({ member, x }: Place, sign: number): boolean {
    const L = this.plastic.frame.length[member]!;
    const inside = (at: number) => at > 1e-9 * L && at < L * (1 - 1e-9);
    return this.open.some(
      (hinge) =>
        hinge.member === member &&
        (Math.abs(hinge.x - x) <= 1e-6 * L ||
          (inside(x) && inside(hinge.x) && hinge.sign === sign && Math.abs(hinge.x - x) <= sameHinge * L)),
    );
  }

  private stateAt(factor: number): PlasticState {
    let state = this.known.get(factor);
    if (!state) {
      const { equilibrium } = this.stretches.findLast(({ from }) => from < factor) ?? this.stretches[0]!;
      state = equilibrium.asGiven(equilibrium.under(this.loadsAt(factor)));
      this.known.set(factor, state);
    }
    return state;
  }
}
