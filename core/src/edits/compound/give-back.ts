import { buildFrame } from '../../build/build.js';
import type { Alternative, Design, Step } from '../../document/types.js';
import { proposeCondition } from '../../rules/propose.js';
import { freeId } from '../ids.js';
import { giveByRule } from '../rules.js';
import { addStep } from '../steps.js';

/** What was put on a member and the design is to hold; m from the member's start, N. */
export interface GivenBack {
  readonly title: string;
  /** Ids of the member's pieces. */
  readonly of: readonly string[];
  readonly profile?: string;
  readonly loads: readonly { readonly case: string; readonly x: number; readonly F: readonly number[] }[];
  readonly supports: readonly number[];
  readonly hinges: readonly number[];
}

const metres = (x: number): string => `${Number(x.toFixed(4))} m`;

/**
 * Writes into a design what was put on one member: loads and another section as rules on it, supports and hinges in its span as a step
 * that divides it there and a rule at the place. Undefined where no condition of a rule selects just this member.
 */
export function giveBack(
  design: Design,
  alternative: Alternative,
  { title, of, profile, loads, supports, hinges }: GivenBack,
): Design | undefined {
  const members = conditionFor(design, alternative, of);
  if (members === undefined) return undefined;
  let changed = design;
  if (profile) changed = giveByRule(changed, { members }, { section: profile }, title).design;
  for (const { case: id, x, F } of loads) {
    const load = { case: id, kind: 'point', at: metres(x), F: F.map((value) => `${value / 1e3} kN`) };
    changed = giveByRule(changed, { members }, { load }, title).design;
  }
  // From the end on: places nearer to the start stay where they are on the piece that is left
  const places = [
    ...supports.map((x) => ({ x, kind: 'support' as const })),
    ...hinges.map((x) => ({ x, kind: 'hinge' as const })),
  ].sort((a, b) => b.x - a.x);
  for (const { x, kind } of places) {
    const step: Step = {
      id: freeId(
        `${title} at ${metres(x)}`,
        changed.steps.map((one) => one.id),
      ),
      title: `${title}, ${kind} at ${metres(x)}`,
      edit: 'divide',
      members,
      at: [metres(x)],
      ...(kind === 'hinge' ? { split: true } : {}),
    };
    const divided = addStep(changed, step);
    const given =
      kind === 'support' ? supportAt(divided, step, title) : hingeAt(divided, alternative, step, title);
    if (!given) return undefined;
    changed = given;
  }
  return changed;
}

function conditionFor(design: Design, alternative: Alternative, of: readonly string[]): string | undefined {
  const frame = buildFrame(design, alternative);
  return frame.ok ? proposeCondition(frame.value.geometry, 'members', new Set(of)) : undefined;
}

/** Held across where a step divides a member. */
function supportAt(design: Design, step: Step, title: string): Design {
  const support = design.space === 'plane' ? { uz: 'fixed' } : { uy: 'fixed', uz: 'fixed' };
  return giveByRule(design, { nodes: `step == "${step.id}"` }, { support }, `${title}, in its span`).design;
}

/** A hinge at the end of the piece that ends where a step divides a member. */
function hingeAt(design: Design, alternative: Alternative, step: Step, title: string): Design | undefined {
  const frame = buildFrame(design, alternative);
  if (!frame.ok) return undefined;
  const { geometry } = frame.value;
  const made = new Set(
    [...geometry.nodes.values()].filter(({ tags }) => tags['step'] === step.id).map(({ id }) => id),
  );
  const before = [...geometry.members.values()].find(({ end }) => made.has(end));
  const condition = before && proposeCondition(geometry, 'members', new Set([before.id]));
  if (condition === undefined) return undefined;
  const hinge = design.space === 'plane' ? ['My'] : ['My', 'Mz'];
  return giveByRule(design, { members: condition }, { hinge, at: 'end' }, `${title}, in its span`).design;
}
