import type { FrameModel, Load, Member } from '../../model/types.js';
import type { Frame } from '../frame/frame.js';

/** A place where a hinge is or may be: on a member of the model as given, m from its start. */
export interface Place {
  readonly member: number;
  readonly x: number;
}
export interface Hinge extends Place {
  /** Of the moment when it formed. */
  readonly sign: number;
  /** At the end of the piece before x, or at the start of the piece behind it. */
  readonly side: 'before' | 'behind';
}

/** A piece of a member between its hinges, m from the member's start, and its number in the hinged model. */
export interface HingedPiece {
  readonly from: number;
  readonly to: number;
  readonly m: number;
}

/** The model with a node and a released moment at each hinge, and a load case of a unit moment for each. */
export function hingedModel(
  model: FrameModel,
  frame: Frame,
  hinges: readonly Hinge[],
): {
  model: FrameModel;
  locate: (place: Place, side?: Hinge['side']) => { m: number; x: number; before: boolean };
  /** Pieces of each member of the model as given. */
  pieces: readonly (readonly HingedPiece[])[];
} {
  const parts: HingedParts = { nodes: [...model.nodes], members: [], unitLoads: hinges.map(() => []) };
  const pieces = model.members.map((member, m) => cutMember(parts, frame, member, m, hinges));
  const loadCases = (model.loadCases ?? []).map((loadCase) => ({
    ...loadCase,
    loads: (loadCase.loads ?? []).flatMap((load) =>
      'member' in load
        ? splitLoad(load, pieces[frame.memberIndex.get(load.member)!]!, parts.members, frame)
        : [load],
    ),
  }));
  const units = parts.unitLoads.map((loads, h) => ({ id: `hinge ${h}`, loads }));
  const locate = ({ member, x }: Place, side?: Hinge['side']) => {
    const list = pieces[member]!;
    const piece =
      side === 'before'
        ? list.find(({ to }) => x <= to)!
        : [...list].reverse().find(({ from }) => x >= from)!;
    const chosen = piece.to - piece.from > 0 ? piece : list[0]!;
    return { m: chosen.m, x: x - chosen.from, before: side === 'before' };
  };
  const { nodes, members } = parts;
  return {
    model: { ...model, nodes, members, loadCases: [...loadCases, ...units], combinations: [] },
    locate,
    pieces,
  };
}

/** What the hinged model is put together from. */
interface HingedParts {
  readonly nodes: FrameModel['nodes'][number][];
  readonly members: Member[];
  /** By hinge. */
  readonly unitLoads: Load[][];
}

/** Cuts a member at its hinges, and adds its pieces, the nodes between them and the hinges' unit moments. */
function cutMember(
  { nodes, members, unitLoads }: HingedParts,
  frame: Frame,
  member: Member,
  m: number,
  hinges: readonly Hinge[],
): HingedPiece[] {
  const L = frame.length[m]!;
  const own = hinges.map((hinge, h) => ({ hinge, h })).filter(({ hinge }) => hinge.member === m);
  const inner = [...new Set(own.map(({ hinge }) => hinge.x))]
    .filter((x) => x > 0 && x < L)
    .sort((a, b) => a - b);
  const ends = [0, ...inner, L];
  const idAt = (x: number) => (x === 0 ? member.start : x === L ? member.end : `${member.id}@${x}`);
  for (const x of inner) {
    const from = 3 * frame.start[m]!;
    const point = [0, 1, 2].map(
      (k) => frame.xyz[from + k]! + frame.arms[6 * m + k]! + frame.axes[9 * m + k]! * x,
    );
    nodes.push({ id: idAt(x), x: point[0]!, z: point[2]! });
  }
  return ends.slice(1).map((to, i) => {
    const from = ends[i]!;
    const last = i === ends.length - 2;
    const id = ends.length === 2 ? member.id : `${member.id}#${i}`;
    const start = { ...(i === 0 ? member.hinges?.start : undefined) };
    const end = { ...(last ? member.hinges?.end : undefined) };
    for (const { hinge, h } of own) {
      const atStart = hinge.side === 'behind' && hinge.x === from;
      const atEnd = hinge.side === 'before' && hinge.x === to;
      if (!atStart && !atEnd) continue;
      if (atStart) start.My = 'free';
      else end.My = 'free';
      // The moment acts on the member inside the hinge and back on the node outside it
      const axis = [3, 4, 5].map((k) => frame.axes[9 * m + k]!);
      const sign = atStart ? 1 : -1;
      const vector = (by: number) => axis.map((a) => by * a) as [number, number, number];
      unitLoads[h]!.push(
        { kind: 'point', member: id, at: atStart ? 0 : 1, M: vector(sign) },
        { kind: 'node', node: idAt(atStart ? from : to), M: vector(-sign) },
      );
    }
    const piece: Member = { ...member, id, start: idAt(from), end: idAt(to), hinges: { start, end } };
    const { offsets } = member;
    if (offsets)
      piece.offsets = {
        start: i === 0 ? (offsets.start ?? [0, 0, 0]) : [0, 0, 0],
        end: last ? (offsets.end ?? [0, 0, 0]) : [0, 0, 0],
      };
    members.push(piece);
    return { from, to, m: members.length - 1 };
  });
}

/** A member's load on the pieces the member is cut into. */
export function splitLoad(
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
