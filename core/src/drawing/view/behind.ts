/** Numbers of a line on the sheet: x and y of its ends, px, how near its ends are to the reader, m, and half its width, px. */
export const laidLineSize = 7;

/** How much nearer a line must be where it passes before another, as a share of the depth of the frame: less is a joint. */
export const leastBefore = 0.04;

/** What stays free beside a line where another passes behind it, px. */
export const clearance = 2;

/** Lines that meet at less than this, the sine of the angle, are not interrupted: the gap would take most of them. */
const leastTurn = 0.2;

/** Shorter pieces between two gaps say nothing, px. */
const shortest = 4;

/** More lines than this are too dense to be told apart by gaps. */
const mostLines = 700;

/** Parts of a line where it passes behind others: shares of its length by turns from and to, in order and apart. */
export type Gaps = readonly number[];

const none: Gaps = [];

/**
 * Where each of the lines passes behind nearer ones.
 *
 * @param lines `laidLineSize` numbers each
 * @param least how much nearer, m, a line must be
 * @param clear what stays free beside a line, px
 * @returns a list for each line
 */
export function gapsBehind(lines: Float64Array, least: number, clear: number): Gaps[] {
  const count = lines.length / laidLineSize;
  const gaps: number[][] = Array.from({ length: count }, () => []);
  if (count > mostLines) return gaps;
  const asked = { least, clear, gaps };
  for (let i = 0; i < count; i++) for (let j = 0; j < i; j++) passOver(lines, i, j, asked);
  return gaps.map((own, i) => {
    const at = i * laidLineSize;
    const length = Math.hypot(lines[at + 2]! - lines[at]!, lines[at + 3]! - lines[at + 1]!);
    return merged(own, shortest / length);
  });
}

/** Takes out of the farther of two lines what passes behind the nearer one. */
function passOver(
  lines: Float64Array,
  i: number,
  j: number,
  { least, clear, gaps }: { least: number; clear: number; gaps: number[][] },
): void {
  const a = i * laidLineSize;
  const b = j * laidLineSize;
  const rx = lines[a + 2]! - lines[a]!;
  const ry = lines[a + 3]! - lines[a + 1]!;
  const sx = lines[b + 2]! - lines[b]!;
  const sy = lines[b + 3]! - lines[b + 1]!;
  const dx = lines[b]! - lines[a]!;
  const dy = lines[b + 1]! - lines[a + 1]!;
  const cross = rx * sy - ry * sx;
  const t = (dx * sy - dy * sx) / cross;
  const u = (dx * ry - dy * rx) / cross;
  // Neither holds for lines that are seen as points or run alike
  if (!(t >= 0 && t <= 1 && u >= 0 && u <= 1)) return;
  const r = Math.hypot(rx, ry);
  const s = Math.hypot(sx, sy);
  const sine = Math.abs(cross) / (r * s);
  if (sine < leastTurn) return;
  const nearer = depthAt(lines, a, t) - depthAt(lines, b, u);
  if (Math.abs(nearer) < least) return;
  const [far, at, length] = nearer < 0 ? [i, t, r] : [j, u, s];
  // Lines end half their width beyond their ends
  const half = (lines[a + 6]! + lines[b + 6]! + clear) / sine / length;
  gaps[far]!.push(Math.max(0, at - half), Math.min(1, at + half));
}

const depthAt = (lines: Float64Array, from: number, share: number): number =>
  lines[from + 4]! + share * (lines[from + 5]! - lines[from + 4]!);

/** Gaps in order; those that overlap, or are no farther apart than `least`, as one. */
function merged(gaps: readonly number[], least: number): Gaps {
  if (gaps.length === 0) return none;
  const pairs = Array.from({ length: gaps.length / 2 }, (_, k) => [gaps[2 * k]!, gaps[2 * k + 1]!] as const);
  pairs.sort(([x], [y]) => x - y);
  const out: number[] = [];
  for (const [from, to] of pairs)
    if (out.length > 0 && from - out.at(-1)! <= least) out[out.length - 1] = Math.max(out.at(-1)!, to);
    else out.push(from, to);
  return out;
}
