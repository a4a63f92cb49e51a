import type { FrameModel, Load } from '../model/types.js';
import { meanAxial } from './second-order/axial.js';
import type { FrameState } from './states.js';
import type { Prepared } from './static.js';

/** Initial sway and bow to be taken as equivalent forces. */
export interface Imperfections {
  /** Direction of the sway and of the bows, horizontal, global X and Y. */
  readonly direction: readonly [number, number];
  /** Initial sway φ, rad; see `initialSway`. */
  readonly sway: number;
  /** Initial bow e0/L of a member; 0 or undefined for none. See EN 1993-1-1 Table 5.1. */
  readonly bow?: (member: string) => number | undefined;
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
  frame.memberIds.forEach((member, m) => {
    const N = meanAxial(state.axial[m]!, loads.breaks[m]!);
    if (!(N < 0)) return;
    const L = frame.length[m]!;
    const rise = frame.axes[9 * m + 2]!;
    const upper = frame.nodeIds[rise >= 0 ? frame.end[m]! : frame.start[m]!]!;
    const lower = frame.nodeIds[rise >= 0 ? frame.start[m]! : frame.end[m]!]!;
    // The drift of a member that leans is its rise by φ, and the force along it turns by that much
    const H = -N * imperfections.sway * Math.abs(rise);
    if (H !== 0)
      out.push(
        { kind: 'node', node: upper, F: [H * d[0], H * d[1], 0] },
        { kind: 'node', node: lower, F: [-H * d[0], -H * d[1], 0] },
      );
    const e0 = (imperfections.bow?.(member) ?? 0) * L;
    if (e0 === 0) return;
    // The bow lies square to the member, in the vertical plane of the direction
    const along = d[0] * frame.axes[9 * m]! + d[1] * frame.axes[9 * m + 1]!;
    const square = [0, 1, 2].map((k) => (k < 2 ? d[k as 0 | 1] : 0) - along * frame.axes[9 * m + k]!);
    const length = Math.hypot(...square);
    if (!(length > 1e-9)) return;
    const q = (8 * -N * e0) / (L * L);
    const F = square.map((value) => (-q * L * value) / (2 * length)) as [number, number, number];
    (['x', 'y', 'z'] as const).forEach((direction, k) => {
      const value = (q * square[k]!) / length;
      if (value !== 0) out.push({ kind: 'distributed', member, direction, q: [value, value] });
    });
    out.push({ kind: 'point', member, at: 0, F }, { kind: 'point', member, at: 1, F });
  });
  return out;
}

/**
 * A model whose combinations each bring their own imperfections: the equivalent forces of each state become a load case
 * `imperfection <combination>` with the factor 1 in that combination.
 *
 * @param states first-order states by combination id
 */
export function withImperfections(
  model: FrameModel,
  prepared: Prepared,
  states: ReadonlyMap<string, FrameState>,
  imperfections: Imperfections,
): FrameModel {
  const cases = [...(model.loadCases ?? [])];
  const combinations = (model.combinations ?? []).map((combination) => {
    const state = states.get(combination.id);
    if (!state) return combination;
    const id = `imperfection ${combination.id}`;
    cases.push({ id, category: 'permanent', loads: equivalentForces(prepared, state, imperfections) });
    return { ...combination, factors: { ...combination.factors, [id]: 1 } };
  });
  return { ...model, loadCases: cases, combinations };
}
