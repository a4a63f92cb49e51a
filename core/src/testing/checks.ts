import { parseModel } from '../model/parse.js';
import { checkToFile, type ChecksFile, type CheckOptions } from '../files/checks-file.js';
import type { CodeChoice, FrameModel, Load, Material, MemberDesign, Section } from '../model/types.js';

/** A straight bar along X to be checked: simply supported (or held as `supports` says) under its loads in one combination U. */
export interface CheckedBar {
  readonly section: Partial<Section>;
  readonly material?: Material;
  readonly L: number;
  readonly loads: readonly Load[];
  readonly design?: MemberDesign;
  readonly code?: CodeChoice;
  readonly roll?: number;
  readonly space?: 'plane' | 'solid';
  readonly supports?: FrameModel['supports'];
}

const plane: FrameModel['supports'] = [
  { node: 'a', ux: 'fixed', uz: 'fixed' },
  { node: 'b', uz: 'fixed' },
];
const solid: FrameModel['supports'] = [
  { node: 'a', ux: 'fixed', uy: 'fixed', uz: 'fixed', rx: 'fixed' },
  { node: 'b', uy: 'fixed', uz: 'fixed' },
];

/** The model of a bar; member `m` from node `a` to node `b`. */
export function barModel(bar: CheckedBar): FrameModel {
  const { section, material = { id: 'S355' }, L, loads, design, code, roll = 0, space = 'plane' } = bar;
  return {
    format: 'hashira-frame',
    version: 1,
    space,
    materials: [material],
    sections: [{ id: 's', material: material.id, ...section }],
    nodes: [
      { id: 'a', x: 0, z: 0 },
      { id: 'b', x: L, z: 0 },
    ],
    members: [{ id: 'm', start: 'a', end: 'b', section: 's', roll, ...(design ? { design } : {}) }],
    supports: bar.supports ?? (space === 'plane' ? plane : solid)!,
    loadCases: [{ id: 'L', loads: [...loads] }],
    combinations: [{ id: 'U', state: 'strength', factors: { L: 1 } }],
    ...(code ? { code } : {}),
  };
}

/** Both ends held against turning about the bar's axis, so that a moment about it inside is shared by them. */
export const heldAgainstTwist: FrameModel['supports'] = ['a', 'b'].map((node) => ({
  node,
  ux: 'fixed',
  uy: 'fixed',
  uz: 'fixed',
  rx: 'fixed',
}));

/** Moment about the bar's axis in the middle, N·m: half of it in each half of a bar {@link heldAgainstTwist}. */
export const twist = (T: number): Load => ({ kind: 'point', member: 'm', at: 0.5, M: [T, 0, 0] });

/** Uniform load downwards, N/m. */
export const uniform = (q: number, direction: 'x' | 'y' | 'z' = 'z'): Load => ({
  kind: 'distributed',
  member: 'm',
  direction,
  q: [-q, -q],
});

/** Force along the bar at its end, tension positive, N. */
export const axial = (N: number): Load => ({ kind: 'node', node: 'b', F: [N, 0, 0] });

/** End moments of the bar about Y, positive where they make the bar sag, N·m. */
export const endMoments = (start: number, end: number): Load[] => [
  { kind: 'node', node: 'a', M: [0, start, 0] },
  { kind: 'node', node: 'b', M: [0, -end, 0] },
];

/** Checks a bar; throws with the first problem. */
export function checkBar(bar: CheckedBar, options?: CheckOptions): ChecksFile['members'][string] {
  return checkFile(barModel(bar), options).members['m']!;
}

/** Checks a model as a file is. */
export function checkFile(model: FrameModel, options?: CheckOptions): ChecksFile {
  const parsed = parseModel(JSON.stringify(model));
  if (!parsed.ok) throw new Error(parsed.problems[0]!.message);
  const outcome = checkToFile(parsed.value, options);
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return outcome.value;
}

type Checked = ChecksFile['members'][string];

/** The item of a clause (its beginning is enough) and axis. */
export function itemOf(checked: Checked, clause: string, axis?: string): Checked['items'][number] {
  const found = checked.items.find(
    (i) => i.clause.startsWith(clause) && (axis === undefined || i.axis === axis),
  );
  if (!found)
    throw new Error(
      `no item ${clause} ${axis ?? ''}; there are ${checked.items.map((i) => `${i.clause} ${i.axis ?? ''}`).join(', ')}`,
    );
  return found;
}

/** The value of a step of an item, by its symbol; the last one written. */
export function stepOf(item: Checked['items'][number], symbol: string): number {
  const found = (item.steps ?? []).filter((step) => step.symbol === symbol).pop();
  if (!found)
    throw new Error(`no step ${symbol}; there are ${(item.steps ?? []).map((s) => s.symbol).join(', ')}`);
  return found.value;
}

/** Expects a value within `relative` of one from outside, whose digits or simpler formula allow no more. */
export function near(actual: number | undefined, expected: number, relative = 5e-3): void {
  expect(Math.abs(actual! / expected - 1))
    .withContext(`${actual} against ${expected}`)
    .toBeLessThan(relative);
}

/** Checks a bar of a profile and grade. */
export function profileBar(
  profile: string,
  grade: string,
  L: number,
  loads: readonly Load[],
  { options, ...more }: Partial<CheckedBar> & { readonly options?: CheckOptions } = {},
): Checked {
  return checkBar({ section: { profile }, material: { id: grade }, L, loads, ...more }, options);
}
