import type { Load } from '../../model/types.js';
import { meanAxial } from '../second-order/axial.js';
import type { Frame } from '../frame/frame.js';
import type { FrameState } from '../first-order/states.js';
import type { Prepared } from '../first-order/static.js';

/** Initial sway and bow to be taken as equivalent forces. */
export interface Imperfections {
  /** Direction of the sway and of the bows, horizontal, global X and Y. */
  readonly direction: readonly [number, number];
  /** Initial sway φ of a member, rad; see `initialSway`. */
  readonly sway: (member: number) => number;
  /** Initial bows. */
  readonly bows?: readonly Bow[];
}

/** An initial bow of a line of members from node to node, which what merely divides it does not interrupt. */
export interface Bow {
  /** Members that follow one another, with the sense in which each is drawn. */
  readonly members: readonly { readonly member: number; readonly reversed: boolean }[];
  /** e0/L of the whole line, EN 1993-1-1 Table 5.1. */
  readonly ratio: number;
}

/**
 * Initial sway of EN 1993-1-1 5.3.2(3)a: φ = φ0·αh·αm, φ0 = 1/200, αh = 2/√h between 2/3 and 1, αm = √(0.5(1 + 1/m)).
 *
 * @param height of the structure, m
 * @param columns in a row, those counted that carry at least half the mean load
 */
export function initialSway(
  height: number,
  columns: number,
): { phi: number; alphaH: number; alphaM: number } {
  const alphaH = Math.min(1, Math.max(2 / 3, 2 / Math.sqrt(height)));
  const alphaM = Math.sqrt(0.5 * (1 + 1 / columns));
  return { phi: (alphaH * alphaM) / 200, alphaH, alphaM };
}

/** Initial bow e0/L by buckling curve for elastic and for plastic analysis, EN 1993-1-1 Table 5.1. */
export const initialBow: Readonly<Record<string, { elastic: number; plastic: number }>> = {
  a0: { elastic: 1 / 350, plastic: 1 / 300 },
  a: { elastic: 1 / 300, plastic: 1 / 250 },
  b: { elastic: 1 / 250, plastic: 1 / 200 },
  c: { elastic: 1 / 200, plastic: 1 / 150 },
  d: { elastic: 1 / 150, plastic: 1 / 100 },
};

/**
 * Equivalent forces of imperfections for one state, EN 1993-1-1 5.3.2(7): every member in compression that rises brings
 * φ·N at its upper end and against it at its lower; a bow brings q = 8·N·e0/L² along the member and 4·N·e0/L against it
 * at the ends. They balance but for the moment of the loads that lean.
 *
 * @returns loads to be added to the combination's own
 */
export function equivalentForces(
  { frame, loads }: Prepared,
  state: FrameState,
  imperfections: Imperfections,
): Load[] {
  const out: Load[] = [];
  const [dx, dy] = imperfections.direction;
  const size = Math.hypot(dx, dy);
  if (!(size > 0)) return out;
  const d = [dx / size, dy / size] as const;
  frame.memberIds.forEach((_, m) => {
    const N = meanAxial(state.axial[m]!, loads.breaks[m]!);
    if (!(N < 0)) return;
    const rise = frame.axes[9 * m + 2]!;
    const upper = frame.nodeIds[rise >= 0 ? frame.end[m]! : frame.start[m]!]!;
    const lower = frame.nodeIds[rise >= 0 ? frame.start[m]! : frame.end[m]!]!;
    // The drift of a member that leans is its rise by φ, and the force along it turns by that much
    const H = -N * imperfections.sway(m) * Math.abs(rise);
    if (H !== 0)
      out.push(
        { kind: 'node', node: upper, F: [H * d[0], H * d[1], 0] },
        { kind: 'node', node: lower, F: [-H * d[0], -H * d[1], 0] },
      );
  });
  for (const bow of imperfections.bows ?? []) out.push(...bowForces(frame, loads, state, bow, d));
  return out;
}

/** What a bow brings: q = 8·N·e0/L² all along its line, and 4·N·e0/L against it at the line's ends. */
function bowForces(
  frame: Frame,
  loads: Prepared['loads'],
  state: FrameState,
  { members, ratio }: Bow,
  d: readonly [number, number],
): Load[] {
  const out: Load[] = [];
  const whole = members.reduce((sum, { member: m }) => sum + frame.length[m]!, 0);
  const N = members.reduce(
    (sum, { member: m }) => sum + meanAxial(state.axial[m]!, loads.breaks[m]!) * (frame.length[m]! / whole),
    0,
  );
  if (!(N < 0)) return out;
  const q = (8 * -N * ratio) / whole;
  members.forEach(({ member: m, reversed }, k) => {
    const member = frame.memberIds[m]!;
    // The bow lies square to the member, in the vertical plane of the direction
    const along = d[0] * frame.axes[9 * m]! + d[1] * frame.axes[9 * m + 1]!;
    const square = [0, 1, 2].map((k) => (k < 2 ? d[k as 0 | 1] : 0) - along * frame.axes[9 * m + k]!);
    const length = Math.hypot(...square);
    if (!(length > 1e-9)) return;
    const F = square.map((value) => (-q * whole * value) / (2 * length)) as [number, number, number];
    (['x', 'y', 'z'] as const).forEach((direction, k) => {
      const value = (q * square[k]!) / length;
      if (value !== 0) out.push({ kind: 'distributed', member, direction, q: [value, value] });
    });
    if (k === 0) out.push({ kind: 'point', member, at: reversed ? 1 : 0, F });
    if (k === members.length - 1) out.push({ kind: 'point', member, at: reversed ? 0 : 1, F });
  });
  return out;
}
