import { initialSway, type Frame, type FrameState } from '../../analysis/index.js';

/** Members that stand: their rise is at least this share of their length. */
const standing = 0.9;
/** Columns whose feet lie this near to a vertical plane stand in it, m. */
const samePlane = 0.1;

/** Columns one above the other from a support to their head. */
export interface ColumnLine {
  readonly members: readonly number[];
  readonly foot: number;
  readonly head: number;
  /** m */
  readonly height: number;
}

/** The lines of columns that stand on supports. */
export function columnLines(frame: Frame): ColumnLine[] {
  const stands = frame.memberIds.map(
    (_, m) => Math.abs(frame.axes[9 * m + 2]!) >= standing && !frame.axialOnly[m],
  );
  const z = (n: number) => frame.xyz[3 * n + 2]!;
  const lowerEnd = (m: number) => (z(frame.start[m]!) <= z(frame.end[m]!) ? frame.start[m]! : frame.end[m]!);
  const upperEnd = (m: number) => (lowerEnd(m) === frame.start[m] ? frame.end[m]! : frame.start[m]!);
  const above = new Map<number, number>();
  stands.forEach((stand, m) => {
    if (stand) above.set(lowerEnd(m), m);
  });
  const isFoot = (n: number) => frame.restraint[6 * n + 2]! > 0;
  return stands.flatMap((stand, m): ColumnLine[] => {
    const foot = lowerEnd(m);
    if (!stand || !isFoot(foot)) return [];
    const members = [m];
    let head = upperEnd(m);
    for (let next = above.get(head); next !== undefined && !isFoot(head); next = above.get(head)) {
      members.push(next);
      head = upperEnd(next);
    }
    return [{ members, foot, head, height: z(head) - z(foot) }];
  });
}

/** Initial sways of a frame in one direction. */
export interface ColumnSways {
  /** φ of a member: of a column that of its line; of others the greatest. rad */
  readonly of: (member: number) => number;
  readonly greatest: number;
  /** Of the line with the greatest φ: its height in m, and the columns that count in its plane. */
  readonly height: number;
  readonly columns: number;
}

/**
 * φ = φ0·αh·αm of every line of columns by its own height and by the columns of its vertical plane along the sway that carry at least
 * half of their mean load (EN 1993-1-1 5.3.2(3)a). A frame without columns has φ0.
 */
export function columnSways(
  frame: Frame,
  lines: readonly ColumnLine[],
  state: FrameState,
  [dx, dy]: readonly [number, number],
): ColumnSways {
  const across = (n: number) => -dy * frame.xyz[3 * n]! + dx * frame.xyz[3 * n + 1]!;
  const load = ({ members: [m] }: ColumnLine) =>
    Math.max(0, (state.memberForces[12 * m!]! - state.memberForces[12 * m! + 6]!) / 2);
  const byMember = new Map<number, number>();
  let worst = { greatest: initialSway(1, 1).phi, height: 0, columns: 1 };
  lines.forEach((line, k) => {
    const plane = lines
      .filter(({ foot }) => Math.abs(across(foot) - across(line.foot)) <= samePlane)
      .map(load);
    const carrying = plane.filter((N) => N > 0);
    const mean = carrying.reduce((sum, N) => sum + N, 0) / Math.max(1, carrying.length);
    const columns = Math.max(1, carrying.filter((N) => N >= mean / 2).length);
    const { phi } = initialSway(line.height, columns);
    for (const m of line.members) byMember.set(m, phi);
    if (k === 0 || phi > worst.greatest) worst = { greatest: phi, height: line.height, columns };
  });
  return { ...worst, of: (m) => byMember.get(m) ?? worst.greatest };
}
