import { analyse, prepareFrame, type Frame, type FrameState } from '../src/analysis/index.js';
import type { FrameModel, Load, Member, Section, Support } from '../src/model/types.js';
import { ProblemError } from '../src/base/problem.js';
import { resultSelections } from '../src/results/index.js';

/** One number of the analysis against one from outside. */
export interface VerificationCase {
  readonly title: string;
  /** Where the expected value comes from: closed form, book, benchmark. */
  readonly source: string;
  /** What is compared, with its unit. */
  readonly quantity: string;
  readonly expected: number;
  /** Relative; what the source's own digits or theory allow. */
  readonly tolerance: number;
  compute(): number;
}

/** Cases on one subject. */
export interface VerificationGroup {
  readonly title: string;
  readonly cases: readonly VerificationCase[];
}

/** E 210 GPa, G 80.769 GPa (ν = 0.3). */
export const steel = { id: 'steel', E: 2.1e11, G: 2.1e11 / 2.6, density: 7850, expansion: 1.2e-5 };
/** Round numbers: EA 2.1e9 N, EIy 4.2e7 N·m², EIz 1.05e7, no shear deformation. */
export const stiff: Section = {
  id: 's',
  material: 'steel',
  properties: { A: 0.01, Iy: 2e-4, Iz: 5e-5, J: 2e-5 },
};
export const EA = 2.1e9;
export const EIy = 4.2e7;
export const EIz = 1.05e7;

export const pinned = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed' });
export const roller = (node: string): Support => ({ node, uz: 'fixed' });
export const fixed = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed', ry: 'fixed' });
export const clamped = (node: string): Support => ({
  node,
  ux: 'fixed',
  uy: 'fixed',
  uz: 'fixed',
  rx: 'fixed',
  ry: 'fixed',
  rz: 'fixed',
});

/** A plane model (points [x, z]) or one in space (points [x, y, z]) with one load case "L". */
export function model(
  points: Record<string, readonly number[]>,
  members: readonly (Partial<Member> & { id: string; start: string; end: string })[],
  supports: Support[],
  loads: Load[],
  changes: Partial<FrameModel> = {},
): FrameModel {
  const nodes = Object.entries(points).map(([id, p]) =>
    p.length === 2 ? { id, x: p[0]!, z: p[1]! } : { id, x: p[0]!, y: p[1]!, z: p[2]! },
  );
  return {
    format: 'hashira-frame',
    version: 1,
    space: Object.values(points)[0]!.length === 2 ? 'plane' : 'solid',
    materials: [steel],
    sections: [stiff],
    nodes,
    members: members.map((member) => ({ section: 's', ...member })),
    supports,
    loadCases: [{ id: 'L', loads }],
    ...changes,
  };
}

/** A straight member from (0, 0) to (L, 0) or up to (0, L), as one or several members "m1" … between nodes "n0" … */
export function straight(
  L: number,
  count: number,
  upright: boolean,
): { points: Record<string, readonly number[]>; members: { id: string; start: string; end: string }[] } {
  const points: Record<string, readonly number[]> = {};
  for (let i = 0; i <= count; i++) points[`n${i}`] = upright ? [0, (L * i) / count] : [(L * i) / count, 0];
  return {
    points,
    members: Array.from({ length: count }, (_, i) => ({ id: `m${i + 1}`, start: `n${i}`, end: `n${i + 1}` })),
  };
}

/** The state of a model under its first selection, which must be analysable. */
export function stateOf(
  given: FrameModel,
  secondOrder = false,
  id?: string,
): { frame: Frame; state: FrameState } {
  const frame = prepareFrame(given);
  const selections = resultSelections(given);
  const outcome = analyse(frame, selections, { secondOrder });
  if (!outcome.ok) throw new ProblemError(outcome.problems);
  return { frame, state: outcome.value.states.get(id ?? selections[0]!.id)! };
}

/** Displacement of a node, global: 0 … 5 for ux … rz. */
export function displacement(result: ReturnType<typeof stateOf>, node: string, k: number): number {
  return result.state.displacements[6 * result.frame.nodeIndex.get(node)! + k]!;
}

/** Reaction at a node, global: 0 … 5 for Fx … Mz. */
export function reaction(result: ReturnType<typeof stateOf>, node: string, k: number): number {
  return result.state.reactions[6 * result.frame.nodeIndex.get(node)! + k]!;
}
