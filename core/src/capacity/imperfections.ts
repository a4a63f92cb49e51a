import {
  equivalentForces,
  framingNodes,
  initialBow,
  type Analysis,
  type Bow,
  type Frame,
  type FrameState,
} from '../analysis/index.js';
import { resolveSections } from '../library/sections.js';
import type { FrameModel, LoadCase } from '../model/types.js';
import type { CombinedState, ExpandedModel, ResultSelection } from '../results/index.js';
import { columnLines, columnSways, type ColumnLine } from './column-lines.js';
import { bucklingCurves } from './en1993/buckling-curves.js';
import { checkSection } from './section.js';

/** A model whose strength combinations bring loads of their own, some in several senses. */
export interface WithOwnLoads {
  readonly model: ExpandedModel;
  readonly notes: readonly string[];
  /** What was brought in, in short, by combination. */
  readonly said: ReadonlyMap<string, string>;
}

/** Horizontal directions, and how they are told. */
export interface Sense {
  readonly direction: readonly [number, number];
  readonly words: string;
}

/** Both senses of every direction in which a frame can sway: in the plane, or along and across its longest level member. */
export function allSenses(frame: Frame): readonly Sense[] {
  if (frame.plane) return [sense(1, 0), sense(-1, 0)];
  const [x, y] = longestInPlan(frame);
  return [sense(x, y), sense(-x, -y), sense(-y, x), sense(y, -x)];
}

function sense(x: number, y: number): Sense {
  const near = (value: number) => (Math.abs(value) < 1e-9 ? 0 : value);
  const direction = [near(x), near(y)] as const;
  const along =
    direction[1] === 0 ? `${x > 0 ? '+' : '−'}x` : direction[0] === 0 ? `${y > 0 ? '+' : '−'}y` : '';
  const both = () => `(${direction.map((v) => v.toFixed(2).replace('-', '−')).join(', ')})`;
  return { direction, words: `towards ${along || both()}` };
}

/** Direction in plan of the member that reaches furthest there; along x where all stand. */
function longestInPlan({ axes, length, axialOnly }: Frame): [number, number] {
  let found: [number, number] = [1, 0];
  let most = 0;
  length.forEach((L, m) => {
    // Bars brace the frame: they run across its directions
    if (axialOnly[m]) return;
    const [x, y] = [axes[9 * m]!, axes[9 * m + 1]!];
    const size = Math.hypot(x, y);
    if (!(size * L > most * (1 + 1e-6)) || size < 1e-3) return;
    most = size * L;
    found = [x / size, y / size];
  });
  return found;
}

/** Sway below which a frame hardly sways, as a share of the initial sway that is taken. */
const hardly = 0.1;

/**
 * The model with the imperfections of EN 1993-1-1 5.3.2 as equivalent forces in every strength combination: sway φ = φ0·αh·αm
 * (5.3.2(3)a) of each column by its own line and plane, in the sense in which the combination itself sways, in every sense where it
 * hardly does; and bows e0 of Table 5.1 (elastic) in members whose compression is more than a quarter of their Ncr (5.3.2(6)).
 *
 * @param analysis first-order states of the combinations
 * @returns the model with a load case `imperfection <combination>` each, and what was taken
 */
export function withStrengthImperfections(
  model: FrameModel,
  analysis: Analysis,
  selections: readonly ResultSelection[],
): WithOwnLoads {
  const { prepared, states } = analysis;
  const { frame } = prepared;
  const lines = columnLines(frame);
  const straight = straightLines(frame);
  const notes: string[] = [];
  const said = new Map<string, string>();
  const strength = new Set(selections.filter(({ state }) => state === 'strength').map(({ id }) => id));
  const loaded = withLoads(model, (combination) => {
    const state = states.get(combination.id);
    if (!state || !strength.has(combination.id)) return [];
    const bows = bowsOf(model, frame, state, straight);
    const senses = sensesOf(frame, lines, state);
    const told = noteOf(frame, lines, state, { senses, bows: bows.length });
    notes.push(`${combination.id}: ${told.long}`);
    said.set(combination.id, told.short);
    return senses.map((sense) => ({
      ...sense,
      loads: equivalentForces(prepared, state, {
        direction: sense.direction,
        sway: columnSways(frame, lines, state, sense.direction).of,
        bows,
      }),
    }));
  });
  return { model: loaded, notes, said };
}

/** Loads of a combination in one sense. */
type SenseLoads = Sense & { readonly loads: NonNullable<LoadCase['loads']> };

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
      cases.push({ id: own, category: 'permanent', loads });
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
): { long: string; short: string } {
  const { greatest, height, columns } = columnSways(frame, lines, state, senses[0]!.direction);
  const where = senses.map(({ words }) => words).join(' and ');
  const sway = `sway imperfection 1/${(1 / greatest).toFixed(0)}`;
  const bowed = bows === 0 ? '' : `, ${bows} members bowed`;
  return {
    long: `${sway} (columns ${height.toFixed(1)} m high, ${columns} in a plane) ${where}${bowed} (EN 1993-1-1 5.3.2).`,
    short: `with ${sway} ${senses[0]!.words}${bowed}`,
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
function bowsOf(model: FrameModel, frame: Frame, state: FrameState, lines: readonly Bow['members'][]): Bow[] {
  const sections = resolveSections(model);
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
