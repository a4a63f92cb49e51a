import {
  equivalentForces,
  framingNodes,
  initialBow,
  type Analysis,
  type Bow,
  type Frame,
  type FrameState,
} from '../../analysis/index.js';
import { resolveSections, type ResolvedSection } from '../../sections/sections.js';
import type { FrameModel } from '../../model/types.js';
import type { CombinedState, ExpandedModel, ResultSelection } from '../../results/index.js';
import { columnLines, columnSways, type ColumnLine } from '../members/column-lines.js';
import { bucklingCurves } from '../en1993/buckling/buckling-curves.js';
import { BracingImperfections } from './bracing-imperfections.js';
import { checkSection } from '../members/section.js';
import { allSenses, hardly, sense, type Sense, type SenseLoads, type Told } from './senses.js';

/** A model whose strength combinations bring loads of their own, some in several senses. */
export interface WithOwnLoads {
  readonly model: ExpandedModel;
  readonly notes: readonly string[];
  /** What was brought in, in short, by combination. */
  readonly said: ReadonlyMap<string, string>;
}

/**
 * The model with the imperfections of EN 1993-1-1 5.3 as equivalent forces in every strength combination. Where the code asks for them,
 * those of 5.3.2: sway φ = φ0·αh·αm (5.3.2(3)a) of each column by its own line and plane, in the sense in which the combination itself
 * sways, in every sense where it hardly does; and bows e0 of Table 5.1 (elastic) in members whose compression is more than a quarter of
 * their Ncr (5.3.2(6)). Where braces hold other members, those of 5.3.3.
 *
 * @param analysis first-order states of the combinations
 * @returns the model with a load case `imperfection <combination>` each, and what was taken
 */
export function withStrengthImperfections(
  model: FrameModel,
  analysis: Analysis,
  selections: readonly ResultSelection[],
  secondOrder: boolean,
): WithOwnLoads {
  const { prepared, states } = analysis;
  const { frame } = prepared;
  const ofMembers = model.code?.imperfections ? new MemberImperfections(model, analysis) : undefined;
  const ofBracing = new BracingImperfections(model, frame, secondOrder);
  const notes: string[] = [];
  const said = new Map<string, string>();
  const strength = new Set(selections.filter(({ state }) => state === 'strength').map(({ id }) => id));
  const loaded = withLoads(model, (combination) => {
    const state = states.get(combination.id);
    if (!state || !strength.has(combination.id)) return [];
    const own = ofMembers?.of(state);
    const held = ofBracing.with(own?.senses, state);
    const told = [own?.told, held.told].filter((one) => one !== undefined);
    if (told.length === 0) return [];
    notes.push(`${combination.id}: ${told.map(({ long }) => long).join(' ')}`);
    said.set(combination.id, `with ${told.map(({ short }) => short).join(', ')}`);
    return held.senses;
  });
  return { model: loaded, notes, said };
}

/** Sways and bows of 5.3.2, state by state. */
class MemberImperfections {
  private readonly lines: readonly ColumnLine[];
  private readonly straight: Bow['members'][];
  private readonly sections: ReadonlyMap<string, ResolvedSection>;

  constructor(
    private readonly model: FrameModel,
    private readonly analysis: Analysis,
  ) {
    this.lines = columnLines(analysis.prepared.frame);
    this.straight = straightLines(analysis.prepared.frame);
    this.sections = resolveSections(model);
  }

  of(state: FrameState): { senses: readonly SenseLoads[]; told: Told } {
    const { prepared } = this.analysis;
    const { frame } = prepared;
    const bows = bowsOf(this.model, this.sections, frame, state, this.straight);
    const senses = sensesOf(frame, this.lines, state);
    return {
      told: noteOf(frame, this.lines, state, { senses, bows: bows.length }),
      senses: senses.map((sense) => ({
        ...sense,
        loads: equivalentForces(prepared, state, {
          direction: sense.direction,
          sway: columnSways(frame, this.lines, state, sense.direction).of,
          bows,
        }),
      })),
    };
  }
}

/** The model in which combinations bring loads of their own: in one sense as they are, in each further one as another state of theirs. */
export function withLoads(
  model: ExpandedModel,
  of: (combination: CombinedState) => readonly SenseLoads[],
  name = 'imperfection',
): ExpandedModel {
  const cases = [...(model.loadCases ?? [])];
  const combinations = (model.combinations ?? []).flatMap((combination) => {
    const senses = of(combination);
    if (senses.length === 0) return [combination];
    return senses.map(({ words, loads }, k): CombinedState => {
      const id = k === 0 ? combination.id : `${combination.id}, ${words}`;
      const own = `${name} ${id}`;
      cases.push({ id: own, category: 'permanent', loads: [...loads] });
      const factors = { ...combination.factors, [own]: 1 };
      if (senses.length === 1) return { ...combination, factors };
      const { situation } = combination;
      return {
        ...combination,
        id,
        factors,
        situation: {
          ...situation,
          combination: situation?.combination ?? combination.id,
          words: situation ? `${situation.words}, ${words}` : words,
          ...(k === 0 ? {} : { sameAxialForces: true }),
        },
      };
    });
  });
  return { ...model, loadCases: cases, combinations };
}

function noteOf(
  frame: Frame,
  lines: readonly ColumnLine[],
  state: FrameState,
  { senses, bows }: { senses: readonly Sense[]; bows: number },
): Told {
  const { greatest, height, columns } = columnSways(frame, lines, state, senses[0]!.direction);
  const where = senses.map(({ words }) => words).join(' and ');
  const sway = `sway imperfection 1/${(1 / greatest).toFixed(0)}`;
  const bowed = bows === 0 ? '' : `, ${bows} members bowed`;
  return {
    long: `${sway} (columns ${height.toFixed(1)} m high, ${columns} in a plane) ${where}${bowed} (EN 1993-1-1 5.3.2).`,
    short: `${sway} ${senses[0]!.words}${bowed}`,
  };
}

/** The sense in which the heads of the columns move, or every sense where they hardly do. */
function sensesOf(frame: Frame, lines: readonly ColumnLine[], state: FrameState): readonly Sense[] {
  let [x, y, height] = [0, 0, 0];
  for (const { head, foot, height: h } of lines) {
    x += state.displacements[6 * head]! - state.displacements[6 * foot]!;
    y += state.displacements[6 * head + 1]! - state.displacements[6 * foot + 1]!;
    height += h;
  }
  const drift = Math.hypot(x, y);
  if (lines.length === 0 || drift < (hardly * height) / 200) return allSenses(frame);
  return [sense(x / drift, y / drift)];
}

/** Members in straight lines from one node at which something meets to the next. */
function straightLines(frame: Frame): Bow['members'][] {
  const framing = framingNodes(frame);
  const at = new Map<number, number[]>();
  const taken = new Uint8Array(frame.memberIds.length);
  frame.memberIds.forEach((_, m) => {
    for (const n of [frame.start[m]!, frame.end[m]!])
      if (framing[n] === 0) at.set(n, [...(at.get(n) ?? []), m]);
  });
  const lines: Bow['members'][] = [];
  const walk = (first: number, from: number): void => {
    const line: { member: number; reversed: boolean }[] = [];
    for (let m: number | undefined = first, node = from; m !== undefined && taken[m] === 0;) {
      taken[m] = 1;
      const reversed: boolean = frame.start[m] !== node;
      line.push({ member: m, reversed });
      node = reversed ? frame.start[m]! : frame.end[m]!;
      m = at.get(node)?.find((other) => taken[other] === 0);
    }
    lines.push(line);
  };
  for (let m = 0; m < taken.length; m++)
    for (const n of [frame.start[m]!, frame.end[m]!]) if (taken[m] === 0 && framing[n] === 1) walk(m, n);
  return lines;
}

/** Compression of a member, mean of its ends, N. */
const compressionOf = (state: FrameState, m: number): number =>
  (state.memberForces[12 * m]! - state.memberForces[12 * m + 6]!) / 2;

/** Bows of the lines whose compression is more than a quarter of Ncr over the length that buckles. */
function bowsOf(
  model: FrameModel,
  sections: ReadonlyMap<string, ResolvedSection>,
  frame: Frame,
  state: FrameState,
  lines: readonly Bow['members'][],
): Bow[] {
  return lines.flatMap((members): Bow[] => {
    const first = members[0]!.member;
    const { section, design } = model.members[first]!;
    const N = Math.max(...members.map(({ member }) => compressionOf(state, member)));
    const checked = checkSection(sections.get(section)!);
    if (!(N > 0) || frame.axialOnly[first] || typeof checked === 'string') return [];
    const whole = members.reduce((sum, { member }) => sum + frame.length[member]!, 0);
    const [EIy, EIz] = [frame.rigidity[6 * first + 1]!, frame.rigidity[6 * first + 2]!];
    const axis = frame.plane || EIy <= EIz ? 'y' : 'z';
    const buckles = (axis === 'y' ? design?.Lcy : design?.Lcz) ?? whole;
    const weak = axis === 'y' ? EIy : EIz;
    if (buckles === 0 || N <= (0.25 * Math.PI ** 2 * weak) / buckles ** 2) return [];
    return [{ members, ratio: initialBow[bucklingCurves(checked)[axis]]!.elastic }];
  });
}
