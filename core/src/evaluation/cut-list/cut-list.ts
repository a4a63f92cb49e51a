import { prepareFrame, type Frame } from '../../analysis/index.js';
import type { BuiltFrame } from '../../build/build.js';
import type { GeometryMember, Note } from '../../geometry/geometry.js';
import { namerOf } from '../../build/namer.js';
import type { Namer } from '../../geometry/names.js';
import { boxOf, cutAngle, cutTurn, endPlane, overallLength, square, type EndPlane } from './cuts.js';
import { cutsKey } from './marks.js';

/** An end of a piece: the angle of its cut from square, and where it leans, as a turn about the axis from local z; rad. */
export interface CutEnd {
  readonly angle: number;
  readonly turn: number;
}

/** Equal pieces of steel. */
export interface CutListRow {
  readonly mark: string;
  /** Of a taper the section at its start, and that at its end. */
  readonly section: string;
  readonly endSection?: string;
  readonly material: string;
  /** From tip to tip, and along the axis between the two cuts, m. */
  readonly length: number;
  readonly axisLength: number;
  readonly start: CutEnd;
  readonly end: CutEnd;
  readonly count: number;
  /** kg, of one piece and of all. */
  readonly mass: number;
  readonly totalMass: number;
  /** Ids of the pieces' first members, and what they are called. */
  readonly members: readonly string[];
  readonly titles: readonly string[];
}

export interface CutList {
  readonly rows: readonly CutListRow[];
  /** kg of all pieces. */
  readonly mass: number;
  /** Cuts that are not possible, and lengths that nothing is left of. */
  readonly notes: readonly Note[];
}

/** One piece of steel: members in line that have the same section. */
interface Piece {
  readonly members: readonly GeometryMember[];
  readonly start: EndPlane;
  readonly end: EndPlane;
  readonly axisLength: number;
}

/**
 * The pieces of steel that a frame is made of, with the cuts that `trim` gave them; uncut ends are square at the nodes. A physical member
 * is one piece as long as its section stays the same. Pieces that can be laid onto each other share a mark.
 */
export function cutList(built: BuiltFrame): CutList {
  const frame = prepareFrame(built.model);
  const namer = namerOf(built);
  const notes: Note[] = [];
  const groups = new Map<string, Piece[]>();
  for (const run of runsOf(built)) {
    const piece = pieceOf(frame, run, namer, notes);
    const m = frame.memberIndex.get(run[0]!.id)!;
    const { section, endSection } = built.model.members[m]!;
    const { shape } = frame.sections[m]!;
    const key = [
      section,
      endSection ?? '',
      Math.round(piece.axisLength * 1e4),
      // A taper cannot be turned end for end
      cutsKey(endSection ? undefined : shape, piece.start, piece.end),
    ].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), piece]);
  }
  const rows = [...groups.values()].map((pieces) => rowOf(frame, built, pieces, namer));
  rows.sort(
    (a, b) =>
      (a.section < b.section ? -1 : a.section > b.section ? 1 : 0) ||
      b.length - a.length ||
      (a.members[0]! < b.members[0]! ? -1 : 1),
  );
  return {
    rows: rows.map((row, i) => ({ ...row, mark: String(i + 1) })),
    mass: rows.reduce((sum, { totalMass }) => sum + totalMass, 0),
    notes,
  };
}

/** Members in line with one section, from start to end. */
function runsOf({ geometry, model }: BuiltFrame): GeometryMember[][] {
  const sections = new Map(model.members.map(({ id, section, endSection }) => [id, { section, endSection }]));
  const runs: GeometryMember[][] = [];
  for (const { members } of geometry.lines.values()) {
    let run: GeometryMember[] = [];
    for (const id of members) {
      const last = run.at(-1) && sections.get(run.at(-1)!.id)!;
      const own = sections.get(id)!;
      const goesOn = last && !last.endSection && !own.endSection && last.section === own.section;
      if (last && !goesOn) {
        runs.push(run);
        run = [];
      }
      run.push(geometry.members.get(id)!);
    }
    if (run.length > 0) runs.push(run);
  }
  return runs;
}

function pieceOf(frame: Frame, run: readonly GeometryMember[], namer: Namer, notes: Note[]): Piece {
  const length = run.reduce((sum, { id }) => sum + frame.length[frame.memberIndex.get(id)!]!, 0);
  const planeAt = (member: GeometryMember, end: 'start' | 'end'): EndPlane => {
    const cut = member.cuts?.[end];
    if (!cut) return square(end);
    const plane = endPlane(frame, frame.memberIndex.get(member.id)!, end, cut);
    if (typeof plane !== 'string') return plane;
    notes.push({
      code: 'cut',
      message: `The ${namer.member(member.id)} is left square at its ${end}: ${plane}. Change the step that trims it.`,
      where: { member: member.id },
    });
    return square(end);
  };
  const [start, end] = [planeAt(run[0]!, 'start'), planeAt(run.at(-1)!, 'end')];
  const axisLength = length - start.shorter - end.shorter;
  if (axisLength <= 0)
    notes.push({
      code: 'cut',
      message: `Nothing is left of the ${namer.member(run[0]!.id)} between its cuts; it is listed with its length between the nodes.`,
      where: { member: run[0]!.id },
    });
  return axisLength > 0
    ? { members: run, start, end, axisLength }
    : { members: run, start: square('start'), end: square('end'), axisLength: length };
}

function rowOf(
  frame: Frame,
  { model, geometry }: BuiltFrame,
  pieces: readonly Piece[],
  namer: Namer,
): Omit<CutListRow, 'mark'> {
  const { members, start, end, axisLength } = pieces[0]!;
  const m = frame.memberIndex.get(members[0]!.id)!;
  const length = members.reduce((sum, { id }) => sum + frame.length[frame.memberIndex.get(id)!]!, 0);
  const { endSection } = model.members[m]!;
  // Of a prism that planes cut the volume is A times the length of its axis
  const mass = frame.massPerLength[m]! * axisLength;
  const endOf = (plane: EndPlane): CutEnd => ({ angle: cutAngle(plane), turn: cutTurn(plane) });
  return {
    section: frame.sections[m]!.title,
    ...(endSection === undefined ? {} : { endSection }),
    material: frame.sections[m]!.material.id,
    length: overallLength(length, start, end, boxOf(frame, m)),
    axisLength,
    start: endOf(start),
    end: endOf(end),
    count: pieces.length,
    mass,
    totalMass: mass * pieces.length,
    members: pieces.map(({ members: [first] }) => first!.id),
    titles: pieces.map(({ members: run }) => {
      const whole = run.length === geometry.lines.get(run[0]!.line)!.members.length;
      return namer.member(whole ? run[0]!.line : run[0]!.id);
    }),
  };
}
