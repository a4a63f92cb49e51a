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
import type { FrameModel, Load, LoadCase } from '../model/types.js';
import type { CombinedState, ExpandedModel, ResultSelection } from '../results/index.js';
import { columnLines, columnSways, type ColumnLine } from './column-lines.js';
import { bracingSystems, type BracingSystem } from './en1993/bracing-systems.js';
import { bucklingCurves } from './en1993/buckling-curves.js';
import {
  bracingLoads,
  heldForce,
  initialBowOf,
  sagsOf,
  softnessOf,
  stabilisingForce,
  type StabilisingForce,
} from './en1993/stabilising-forces.js';
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

/** What was taken, at length and in short. */
interface Told {
  readonly long: string;
  readonly short: string;
}

/** Sways and bows of 5.3.2, state by state. */
class MemberImperfections {
  private readonly lines: readonly ColumnLine[];
  private readonly straight: Bow['members'][];

  constructor(
    private readonly model: FrameModel,
    private readonly analysis: Analysis,
  ) {
    this.lines = columnLines(analysis.prepared.frame);
    this.straight = straightLines(analysis.prepared.frame);
  }

  of(state: FrameState): { senses: readonly SenseLoads[]; told: Told } {
    const { prepared } = this.analysis;
    const { frame } = prepared;
    const bows = bowsOf(this.model, frame, state, this.straight);
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

/** Bows of what bracing systems hold (5.3.3), state by state. */
class BracingImperfections {
  private readonly systems: readonly BracingSystem[];
  private softness: ReturnType<typeof softnessOf> | undefined;

  constructor(
    private readonly model: FrameModel,
    private readonly frame: Frame,
    private readonly secondOrder: boolean,
  ) {
    this.systems = bracingSystems(model, frame);
  }

  /** The senses in which members sway, or one without, each with the forces of the bracing: in both its senses where neither is nearer. */
  with(
    swaying: readonly SenseLoads[] | undefined,
    state: FrameState,
  ): { senses: readonly SenseLoads[]; told?: Told } {
    const forces = new Map(
      this.systems.map((system) => [system, heldForce(this.model, this.frame, system, state)] as const),
    );
    const active = this.systems.filter((system) => forces.get(system)! > 0);
    if (active.length === 0) return { senses: swaying ?? [] };
    const found = new Map<BracingSystem, StabilisingForce>();
    const loadsOf = (system: BracingSystem, sense: 1 | -1): readonly Load[] => {
      const force = stabilisingForce(
        system,
        state,
        forces.get(system)!,
        sense,
        this.softnessOf(system, sense),
      );
      if (force.q > (found.get(system)?.q ?? 0)) found.set(system, force);
      return bracingLoads(system, this.frame, sense * force.q);
    };
    const senses = (swaying ?? [undefined]).flatMap((one): SenseLoads[] => {
      const given = active.map((system) => bowSense(system, state, one?.direction));
      const variants = given.includes(undefined) ? ([1, -1] as const) : ([1] as const);
      return variants.map((variant) => ({
        direction: one?.direction ?? [0, 0],
        words: [
          one?.words,
          variants.length === 1 ? undefined : bowWords(active[given.indexOf(undefined)]!, variant),
        ]
          .filter((part) => part !== undefined)
          .join(', '),
        loads: [
          ...(one?.loads ?? []),
          ...active.flatMap((system, k) => loadsOf(system, given[k] ?? variant)),
        ],
      }));
    });
    return { senses, told: bracingNote([...found]) };
  }

  private softnessOf(system: BracingSystem, sense: 1 | -1): number[] | undefined {
    if (this.secondOrder) return undefined;
    this.softness ??= softnessOf(this.model, this.frame, this.systems);
    return this.softness(system, sense);
  }
}

/** The sense in which a bow makes things worse: that of the sway along it, else that in which the bracing sags; undefined where neither. */
function bowSense(
  system: BracingSystem,
  state: FrameState,
  [dx, dy]: readonly [number, number] = [0, 0],
): 1 | -1 | undefined {
  const along = dx * system.across[0] + dy * system.across[1];
  if (Math.abs(along) >= 0.5) return along > 0 ? 1 : -1;
  const [there, back] = [Math.max(...sagsOf(system, state, 1)), Math.max(...sagsOf(system, state, -1))];
  const decided = hardly * initialBowOf(system);
  if (Math.abs(there - back) < decided) return undefined;
  return there > back ? 1 : -1;
}

function bowWords({ across }: BracingSystem, sign: 1 | -1): string {
  const [x, y, z] = across.map((value) => sign * value) as [number, number, number];
  const level = Math.hypot(x, y) > Math.abs(z);
  return `bracing ${level ? sense(x, y).words : `towards ${z > 0 ? '+' : '−'}z`}`;
}

function bracingNote(found: readonly (readonly [BracingSystem, StabilisingForce])[]): Told {
  const [system, force] = found.reduce((a, b) => (b[1].q > a[1].q ? b : a));
  const number = found.length === 1 ? 'bracing' : `${found.length} bracing systems, of the most loaded:`;
  const sag = force.sag > 0 ? `, δq = ${(force.sag * 1e3).toFixed(1)} mm` : '';
  return {
    long: `${number} holds ${system.holds} members of ${(force.N / 1e3).toFixed(0)} kN over ${system.span.toFixed(1)} m: qd = ${(force.q / 1e3).toFixed(2)} kN/m (e0 = ${(force.bow * 1e3).toFixed(1)} mm${sag}; EN 1993-1-1 5.3.3).`,
    short: `bracing forces qd = ${(force.q / 1e3).toFixed(2)} kN/m`,
  };
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
