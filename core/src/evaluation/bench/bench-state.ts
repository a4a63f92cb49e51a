import { prepareFrame } from '../../analysis/index.js';
import { fail } from '../../base/problem.js';
import { MemberChecker } from '../../checks/index.js';
import {
  freedoms,
  type FrameModel,
  type Hinges,
  type Load,
  type LoadCase,
  type Member,
  type Support,
  type Vector,
} from '../../model/types.js';
import type { ResultSelection } from '../../results/index.js';
import { alongMember, type Curve, type Envelope } from '../member-sheet/curves.js';
import { unitMoves, type Bench, type BenchLoad } from './bench.js';
import { joinedStates } from './joined.js';

/** A point load that was put on the bench. */
export interface AddedLoad {
  readonly case: string;
  /** m from the start. */
  readonly x: number;
  /** Global, N. */
  readonly F: Vector;
}

/** What was changed on the bench; m from the member's start. */
export interface BenchChanges {
  /** Absent: as long as in the frame. */
  readonly length?: number;
  /** Name of a profile of the library for the whole member. */
  readonly profile?: string;
  /** Points at which it is held against moving across, globally along X, Y and Z but for its own axis. */
  readonly supports?: readonly number[];
  /** Hinges about y, and z in space. */
  readonly hinges?: readonly number[];
  readonly loads?: readonly AddedLoad[];
  /** Places of loads that were moved, by their number in the bench's loads: where a point load stands, or a distributed one begins. */
  readonly moved?: Readonly<Record<number, number>>;
}

/** A benched member under every combination: its curves, and what its ends take. */
export interface BenchState {
  readonly length: number;
  readonly curves: readonly Curve[];
  readonly envelope: Envelope;
  readonly utilisation: number | null;
}

/** A place of the bench's model. */
interface Cut {
  readonly x: number;
  readonly id: string;
}

/**
 * The benched member with changes, in first order: the member by itself is condensed to the nodes that it shares with the rest, both are
 * joined there, and its functions follow from how these nodes move. Unchanged it gives the frame's own numbers.
 *
 * @throws ProblemError `out-of-range` for places beyond the member, `mechanism` where it falls
 */
export function benchState(bench: Bench, changes: BenchChanges = {}, stations = 41): BenchState {
  const length = changes.length ?? bench.length;
  if (!(length > 0)) fail('out-of-range', 'The member needs a length above zero.', {});
  const scale = length / bench.length;
  const model = memberModel(bench, changes, scale);
  const frame = prepareFrame(model);
  const states = joinedStates(bench, frame, model);
  const selections = bench.combinations.map(({ id, state }): ResultSelection => ({
    id,
    kind: 'combination',
    state,
    factors: new Float64Array(0),
  }));
  const checker = new MemberChecker(model, frame, selections, ({ id }, m) => states.get(id)!.field(m));
  const check = checker.check(0);
  return {
    length,
    ...alongMember({ frame, selections }, checker, 0, { stations }),
    utilisation: check.reasons.length > 0 ? null : (check.utilisation ?? 0),
  };
}

/** The member alone: its pieces, cut where something was put, its shared nodes held. */
function memberModel(bench: Bench, changes: BenchChanges, scale: number): FrameModel {
  const length = bench.length * scale;
  const near = 1e-6 * length;
  const inside = (x: number, what: string): number =>
    x > near && x < length - near
      ? x
      : fail(
          'out-of-range',
          `A ${what} at ${x.toPrecision(3)} m is not between the ends of the member, which is ${length.toPrecision(4)} m long.`,
          { x },
        );
  const hinges = (changes.hinges ?? []).map((x) => inside(x, 'hinge'));
  const supports = (changes.supports ?? []).map((x) => inside(x, 'support'));
  const shared = bench.nodes.map(({ id, x }) => ({ id, x: x * scale }));
  const cuts: Cut[] = [...shared];
  const cut = (x: number) => {
    if (!cuts.some((one) => Math.abs(one.x - x) <= near)) cuts.push({ x, id: `place ${cuts.length}` });
  };
  for (const { to } of bench.pieces) cut(to * scale);
  for (const x of [...hinges, ...supports]) cut(x);
  cuts.sort((a, b) => a.x - b.x);
  const isAt = (x: number, list: readonly number[]) => list.some((one) => Math.abs(one - x) <= near);
  const profile = changes.profile;
  const members = cuts
    .slice(1)
    .map((end, k) => pieceBetween(bench, changes, { start: cuts[k]!, end, k, scale, hinges, near }));
  const node = ({ x, id }: Cut) => {
    const arm = armAt(bench, x / scale);
    const at = [0, 1, 2].map((k) => bench.origin[k]! + bench.axes[k]! * x - arm[k]!);
    return bench.space === 'plane' ? { id, x: at[0]!, z: at[2]! } : { id, x: at[0]!, y: at[1]!, z: at[2]! };
  };
  const held = (name: string): Support => ({ node: name, ...heldAll(bench) });
  const lanes = cuts
    .filter(({ x }) => isAt(x, supports))
    .map(({ id }) => ({ node: id, ...heldAcross(bench) }));
  const cases = caseLoads(bench, changes, { scale, cuts, members, near });
  return {
    format: 'hashira-frame',
    version: 1,
    space: bench.space,
    materials: bench.materials,
    sections: profile ? [...bench.sections, ...profileSections(profile, bench)] : bench.sections,
    nodes: cuts.map(node),
    members,
    supports: [
      ...shared.map(({ id }) => held(id)),
      ...lanes.filter((one) => !shared.some(({ id }) => id === one.node)),
    ],
    loadCases: [...cases, ...unitMoves(bench.nodes, bench.space).map(({ loadCase }) => loadCase)],
    code: bench.code,
  };
}

/** The member between two cuts, with what its piece of the frame has there. */
function pieceBetween(
  bench: Bench,
  { profile }: BenchChanges,
  {
    start,
    end,
    k,
    scale,
    hinges,
    near,
  }: {
    readonly start: Cut;
    readonly end: Cut;
    readonly k: number;
    readonly scale: number;
    readonly hinges: readonly number[];
    readonly near: number;
  },
): Member {
  const middle = (start.x + end.x) / 2;
  const own = bench.pieces.find(({ to }) => middle < to * scale) ?? bench.pieces[bench.pieces.length - 1]!;
  const { member } = own;
  const { endSection: _, offsets, hinges: given, ...rest } = member;
  const [begins, ends] = [
    Math.abs(start.x - own.from * scale) <= near,
    Math.abs(end.x - own.to * scale) <= near,
  ];
  const first = begins ? given?.start : undefined;
  const last = ends ? given?.end : undefined;
  const bends: Hinges = bench.space === 'plane' ? { My: 'free' } : { My: 'free', Mz: 'free' };
  const atEnd = hinges.some((x) => Math.abs(x - end.x) <= near) ? { ...last, ...bends } : last;
  return {
    ...rest,
    id: `piece ${k}`,
    start: start.id,
    end: end.id,
    section: profile ? sectionName(profile, bench, member) : member.section,
    ...(first || atEnd
      ? { hinges: { ...(first ? { start: first } : {}), ...(atEnd ? { end: atEnd } : {}) } }
      : {}),
    ...(offsets
      ? {
          offsets: {
            start: (begins ? offsets.start : undefined) ?? [0, 0, 0],
            end: (ends ? offsets.end : undefined) ?? [0, 0, 0],
          },
        }
      : {}),
    design: { ...withoutRestraints(member.design), group: 'benched' },
  };
}

/** The arm from a node of the frame to the member's axis; none where no piece begins or ends. */
function armAt({ pieces, length }: Bench, x: number): Vector {
  const near = 1e-6 * length;
  const begins = pieces.find(({ from }) => Math.abs(from - x) <= near)?.member.offsets?.start;
  const ends = pieces.find(({ to }) => Math.abs(to - x) <= near)?.member.offsets?.end;
  return begins ?? ends ?? [0, 0, 0];
}

const sectionName = (profile: string, bench: Bench, member: Member): string =>
  `${profile} ${bench.sections.find(({ id }) => id === member.section)!.material}`;

function profileSections(profile: string, bench: Bench): FrameModel['sections'] {
  const materials = new Set(
    bench.pieces.map(({ member }) => bench.sections.find(({ id }) => id === member.section)!.material),
  );
  const taken = new Set(bench.sections.map(({ id }) => id));
  return [...materials]
    .map((material) => ({ id: `${profile} ${material}`, material, profile }))
    .filter(({ id }) => !taken.has(id));
}

/** Named nodes of the frame are not the bench's. */
function withoutRestraints(design: Member['design']): Member['design'] {
  const { restraints: _, group: __, ...rest } = design ?? {};
  return rest;
}

function heldAll({ space }: Bench): Omit<Support, 'node'> {
  const names = space === 'plane' ? ['ux', 'uz', 'ry'] : freedoms;
  return Object.fromEntries(names.map((name) => [name, 'fixed']));
}

/** Held across the member: along the global directions that are not near its own. */
function heldAcross({ axes, space }: Bench): Omit<Support, 'node'> {
  const along = [0, 1, 2].map((k) => Math.abs(axes[k]!));
  const names = (space === 'plane' ? (['ux', 'uz'] as const) : (['ux', 'uy', 'uz'] as const)).filter(
    (name) => along['xyz'.indexOf(name[1]!)]! < 0.9,
  );
  return Object.fromEntries(names.map((name) => [name, 'fixed']));
}

/** Loads by case on the pieces that they lie on. */
function caseLoads(
  bench: Bench,
  changes: BenchChanges,
  at: {
    readonly scale: number;
    readonly cuts: readonly Cut[];
    readonly members: readonly Member[];
    readonly near: number;
  },
): LoadCase[] {
  const { scale, cuts, members, near } = at;
  const length = bench.length * scale;
  const out = new Map<string, Load[]>(Object.keys(bench.selfWeight).map((id) => [id, []]));
  const put = (id: string, load: Load) => void out.get(id)?.push(load);
  const point = (id: string, x: number, load: Omit<Extract<Load, { kind: 'point' }>, 'member' | 'at'>) => {
    const place = Math.min(length, Math.max(0, x));
    let k = 0;
    while (k + 2 < cuts.length && place >= cuts[k + 1]!.x - near) k++;
    const [from, to] = [cuts[k]!.x, cuts[k + 1]!.x];
    put(id, { ...load, member: members[k]!.id, at: Math.min(1, Math.max(0, (place - from) / (to - from))) });
  };
  const spread = (one: Extract<BenchLoad, { kind: 'distributed' }>, shift: number) => {
    const [a, b] = [one.from * scale + shift, one.to * scale + shift];
    const q = (x: number) => one.load.q[0] + ((one.load.q[1] - one.load.q[0]) * (x - a)) / (b - a);
    members.forEach((member, k) => {
      const [from, to] = [cuts[k]!.x, cuts[k + 1]!.x];
      const [low, high] = [Math.max(a, from), Math.min(b, to)];
      if (high - low <= 1e-12 * length) return;
      put(one.case, {
        ...one.load,
        member: member.id,
        q: [q(low), q(high)],
        from: (low - from) / (to - from),
        to: (high - from) / (to - from),
      });
    });
  };
  bench.loads.forEach((one, i) => {
    const moved = changes.moved?.[i];
    if (one.kind === 'point') point(one.case, moved ?? one.x * scale, one.load);
    else if (one.kind === 'distributed') spread(one, moved === undefined ? 0 : moved - one.from * scale);
    else {
      const piece = bench.pieces.find(({ member }) => 'member' in one.load && member.id === one.load.member)!;
      members.forEach((member, k) => {
        const middle = (cuts[k]!.x + cuts[k + 1]!.x) / 2;
        if (middle > piece.from * scale && middle < piece.to * scale)
          put(one.case, { ...one.load, member: member.id } as Load);
      });
    }
  });
  for (const { case: id, x, F } of changes.loads ?? []) point(id, x, { kind: 'point', F });
  return [...out].map(([id, loads]) => ({ id, selfWeight: bench.selfWeight[id]!, loads }));
}
