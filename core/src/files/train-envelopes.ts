import { emptyRecord } from '../base/own-value.js';
import {
  factorFrame,
  influenceLine,
  trainExtremes,
  type Frame,
  type FrameState,
  type InfluenceLine,
  type InfluenceTarget,
  type Prepared,
  type Progress,
  type TrainExtreme,
} from '../analysis/index.js';
import type { FrameModel, TrainLoad } from '../model/types.js';
import { forceNames, memberStations, type ForceName } from '../results/index.js';

/** Least and greatest value. */
type Range = [least: number, greatest: number];
/** Where the first force of the train stands then, m along its line; of several trains in one case a list, in their order. */
type Places = [number | number[], number | number[]];

/** An envelope at a place of a member, SI; in a plane frame N, Vz and My. */
export type EnvelopeStation = { x: number; at: Partial<Record<ForceName, Places>> } & Partial<
  Record<ForceName, Range>
>;

/** What the trains of a load case bring, alone or on top of a combination's other loads. */
export interface TrainEnvelope {
  members: Record<string, EnvelopeStation[]>;
  /** Global components: forces N, moments N·m. */
  reactions: Record<string, { F: Range[]; M: Range[]; at: { F: Places[]; M: Places[] } }>;
}

interface Travelling {
  /** Extremes of a target's influence line. */
  extremes(line: (travelled: TrainLoad) => InfluenceLine): { min: TrainExtreme; max: TrainExtreme };
}

/** Envelopes of a frame's trains, by influence lines: first order, all members acting. */
export class TrainEnvelopes {
  private readonly frame: Frame;
  private readonly names: readonly ForceName[];
  private readonly factor;
  private readonly byCase = new Map<string, Travelling[]>();
  private readonly known = new Map<string, { range: Range; at: Places }>();

  constructor(
    private readonly model: FrameModel,
    private readonly prepared: Prepared,
    private readonly stations: number,
    private readonly progress?: Progress,
  ) {
    this.frame = prepared.frame;
    this.names = this.frame.plane ? ['N', 'Vz', 'My'] : forceNames;
    this.factor = factorFrame(prepared);
    for (const train of model.trains ?? [])
      this.byCase.set(train.case, [...(this.byCase.get(train.case) ?? []), travelling(train)]);
  }

  /**
   * The envelope under a load case or combination; undefined where no train takes part in it.
   *
   * @param factors on the load cases, in their order
   * @param state of the other loads; absent: there are none
   */
  of(factors: Float64Array, state: FrameState | undefined): TrainEnvelope | undefined {
    const acting = this.frame.loadCases.flatMap(({ id }, c) =>
      factors[c] !== 0 && this.byCase.has(id) ? [{ id, factor: factors[c]! }] : [],
    );
    if (acting.length === 0) return undefined;
    const { memberIds } = this.frame;
    const members = Object.fromEntries(
      memberIds.map((id, m) => {
        this.progress?.step(m / memberIds.length);
        return [id, this.along(m, acting, state)];
      }),
    );
    return { members, reactions: this.reactions(acting, state) };
  }

  private along(
    m: number,
    acting: readonly { id: string; factor: number }[],
    state: FrameState | undefined,
  ): EnvelopeStation[] {
    const { frame, stations } = this;
    const L = frame.length[m]!;
    const places = state
      ? memberStations(frame, state.field(m), m, stations)
      : Array.from({ length: stations }, (_, i) => ({ x: (L * i) / (stations - 1) }));
    return places.map((place) => {
      const station: EnvelopeStation = { x: place.x, at: {} };
      for (const name of this.names) {
        const target = { kind: 'force', member: frame.memberIds[m]!, x: place.x, name } as const;
        const { range, at } = this.summed(acting, `${m} ${place.x} ${name}`, (train) =>
          this.line(target, train),
        );
        const base = (place as Partial<Record<ForceName, number>>)[name] ?? 0;
        station[name] = [base + range[0], base + range[1]];
        station.at[name] = at;
      }
      return station;
    });
  }

  private reactions(
    acting: readonly { id: string; factor: number }[],
    state: FrameState | undefined,
  ): TrainEnvelope['reactions'] {
    const out: TrainEnvelope['reactions'] = emptyRecord();
    for (const { node } of this.model.supports ?? []) {
      const n = this.frame.nodeIndex.get(node)!;
      const of = (first: number) =>
        [0, 1, 2].map((k) => {
          const { range, at } = this.summed(acting, `reaction ${n} ${first + k}`, (train) =>
            this.reactionLine(node, n, first, k, train),
          );
          const base = state?.reactions[6 * n + first + k] ?? 0;
          return { range: [base + range[0], base + range[1]] as Range, at };
        });
      const [F, M] = [of(0), of(3)];
      out[node] = {
        F: F.map(({ range }) => range),
        M: M.map(({ range }) => range),
        at: { F: F.map(({ at }) => at), M: M.map(({ at }) => at) },
      };
    }
    return out;
  }

  /** Extremes of all trains that take part, each with its factor, one on top of the other. */
  private summed(
    acting: readonly { id: string; factor: number }[],
    key: string,
    line: (train: TrainLoad) => InfluenceLine,
  ): { range: Range; at: Places } {
    const whole = `${key} ${acting.map(({ id, factor }) => `${id} ${factor}`).join(' ')}`;
    const known = this.known.get(whole);
    if (known) return known;
    const range: Range = [0, 0];
    const at: [number[], number[]] = [[], []];
    for (const { id, factor } of acting)
      for (const one of this.byCase.get(id)!) {
        const { min, max } = one.extremes(line);
        const [low, high] = factor > 0 ? [min, max] : [max, min];
        range[0] += factor * low.value;
        range[1] += factor * high.value;
        at[0].push(low.at);
        at[1].push(high.at);
      }
    const single = at[0].length === 1;
    const found = { range, at: (single ? [at[0][0]!, at[1][0]!] : at) as Places };
    this.known.set(whole, found);
    return found;
  }

  private line(target: InfluenceTarget, train: TrainLoad): InfluenceLine {
    return influenceLine(this.prepared, this.factor, target, travelled(train));
  }

  /** A global component of a reaction: of an inclined support the sum of what acts along its axes. */
  private reactionLine(node: string, n: number, first: number, k: number, train: TrainLoad): InfluenceLine {
    const Q = this.frame.supportAxes.get(n);
    const parts = [0, 1, 2].flatMap((freedom) => {
      const share = Q ? Q[3 * freedom + k]! : freedom === k ? 1 : 0;
      return share !== 0 && this.frame.restraint[6 * n + first + freedom] !== 0
        ? [{ share, line: this.line({ kind: 'reaction', node, freedom: first + freedom }, train) }]
        : [];
    });
    if (parts.length === 0) {
      const length = train.members.reduce(
        (sum, id) => sum + this.frame.length[this.frame.memberIndex.get(id)!]!,
        0,
      );
      return { breaks: [0, length], coefficients: [new Float64Array(1)] };
    }
    const { breaks, coefficients } = parts[0]!.line;
    return {
      breaks,
      coefficients: coefficients.map((c, s) =>
        c.map((_, i) => parts.reduce((sum, { share, line }) => sum + share * line.coefficients[s]![i]!, 0)),
      ),
    };
  }
}

const travelled = ({ members, direction }: TrainLoad) => {
  const size = Math.hypot(...direction);
  return {
    members: members.map((id) => ({ id })),
    direction: direction.map((c) => c / size) as [number, number, number],
  };
};

function travelling(train: TrainLoad): Travelling {
  let behind = 0;
  const forces = train.forces.map((force, i) => {
    behind += i === 0 ? 0 : train.gaps[i - 1]!;
    return { force, behind };
  });
  return { extremes: (line) => trainExtremes(line(train), forces) };
}
