import type { Design, NameReference, Step } from '../../document/types.js';
import { freeId } from '../ids.js';
import { giveByRule } from '../rules.js';
import { addStep } from '../steps.js';

/** Role of members that were drawn by hand; one rule gives all of them their section. */
const role = 'drawn';

/**
 * Adds a member from a place to another, each named (a node, or "member@share") or by its coordinates, as a step at the end of the recipe:
 * it stays attached to what it names. The first one
 * brings a rule that gives drawn members a section, in the material of the first rule that names one.
 */
export function drawMember(
  design: Design,
  from: string | readonly string[],
  to: string | readonly string[],
): { design: Design; id: string } {
  const id = freeId(
    role,
    design.steps.map((step) => step.id),
  );
  const step: Step = {
    id,
    make: 'line',
    title: 'Drawn member',
    points: [from, to].map((place) => (typeof place === 'string' ? place : [...place])),
    role,
  };
  const drawn = addStep(design, step);
  const condition = `role == "${role}"`;
  if (design.rules.some(({ members, section }) => members === condition && section !== undefined))
    return { design: drawn, id };
  const material: NameReference =
    design.rules.find((rule) => rule.material !== undefined)?.material ?? 'S355';
  const given = giveByRule(drawn, { members: condition }, { section: 'IPE 200', material }, 'Drawn members');
  return { design: given.design, id };
}
