import { analyse, prepareFrame, type Frame, type FrameState } from '../analysis/index.js';
import type { FrameModel, Load, Member, Support } from '../model/types.js';
import { unwrapped } from '../base/problem.js';

/** Round stiffnesses for hand calculation: EA 1e9 N, EIy 2e7 N·m², EIz 5e6, GJ 1e6, no shear deformation. */
export const plainSection = {
  id: 's',
  material: 'm',
  properties: { A: 0.01, Iy: 2e-4, Iz: 5e-5, J: 2e-5 },
};
export const plainMaterial = { id: 'm', E: 1e11, G: 5e10, density: 8000, expansion: 1e-5 };
export const EA = 1e9;
export const EIy = 2e7;
export const EIz = 5e6;
export const GJ = 1e6;

/** A model of members between points given as `[x, z]` or `[x, y, z]`, with one load case "L". */
export function modelOf(
  space: 'plane' | 'solid',
  points: Record<string, number[]>,
  members: (Partial<Member> & { id: string; start: string; end: string })[],
  supports: Support[],
  loads: Load[],
): FrameModel {
  return {
    format: 'hashira-frame',
    version: 1,
    space,
    materials: [plainMaterial],
    sections: [plainSection],
    nodes: Object.entries(points).map(([id, p]) =>
      p.length === 2 ? { id, x: p[0]!, z: p[1]! } : { id, x: p[0]!, y: p[1]!, z: p[2]! },
    ),
    members: members.map((member) => ({ section: 's', ...member })),
    supports,
    loadCases: [{ id: 'L', loads }],
  };
}

/** A support that holds everything. */
export function clamp(node: string): Support {
  return { node, ux: 'fixed', uy: 'fixed', uz: 'fixed', rx: 'fixed', ry: 'fixed', rz: 'fixed' };
}

/** Factors that show the only load case. */
export const one = Float64Array.of(1);

/** Analyses a model that must be analysable, in first order under its load case "L". */
export function solved(model: FrameModel): { frame: Frame; state: FrameState; notes: readonly string[] } {
  const frame = prepareFrame(model);
  const { states, notes } = unwrapped(analyse(frame, [{ id: 'L', kind: 'case', factors: one }]));
  return { frame, state: states.get('L')!, notes };
}

/** Expects `actual` within `relative` of `expected` (absolute below 1). */
export function expectClose(actual: number, expected: number, relative = 1e-9): void {
  const tolerance = relative * Math.max(Math.abs(expected), 1e-6);
  expect(Math.abs(actual - expected))
    .withContext(`${actual} against ${expected}`)
    .toBeLessThanOrEqual(tolerance);
}
