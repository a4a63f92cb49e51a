import { buildFrame } from '../build.js';
import type { Design, NameReference, Step } from '../types.js';
import { addRule } from './rules.js';
import { addStep } from './steps.js';
import { freeId } from './ids.js';

/** What new members get until something else is chosen. */
const firstSection = 'IPE 200';

/**
 * Adds a step at the end of the recipe; where no rule gives its members a section, one does, before all others so that these win. The
 * material is that of the first rule that names one.
 */
export function addMadeStep(design: Design, step: Step): Design {
  const added = addStep(design, step);
  const [first] = added.alternatives;
  const frame = first && buildFrame(added, first);
  const bare = frame && !frame.ok && frame.problems.every(({ code }) => code === 'no-section');
  if (!bare) return added;
  const material: NameReference =
    design.rules.find((rule) => rule.material !== undefined)?.material ?? 'S355';
  const id = freeId(
    `${step.id} members`,
    design.rules.map((rule) => rule.id),
  );
  const title = `Members of ${step.title ?? step.id}`;
  return addRule(added, { id, title, members: `step == "${step.id}"`, section: firstSection, material }, 0);
}
