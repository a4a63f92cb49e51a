import { buildFrame } from '../build/build.js';
import type { Design, NameReference, Step } from '../document/types.js';
import { addRule } from './rules.js';
import { addStep } from './steps.js';
import { freeId } from './ids.js';

/** What new members get until something else is chosen. */
const firstSection = 'IPE 200';

/**
 * Adds a step at the end of the recipe; where no rule gives its members a section, one does, before all others so that these win. The
 * material is that of the first rule that names one.
 */
export function addStepWithSection(design: Design, step: Step): Design {
  const added = addStep(design, step);
  const [first] = added.alternatives;
  const frame = first && buildFrame(added, first);
  const bare = frame && !frame.ok && frame.problems.every(({ code }) => code === 'no-section');
  return bare
    ? withFirstSection(added, `step == "${step.id}"`, `Members of ${step.title ?? step.id}`)
    : added;
}

/** Gives a section to all members that no rule gives one, by a rule before all others. */
export function sectionForAll(design: Design): Design {
  return withFirstSection(design, 'true', 'Members without another section');
}

function withFirstSection(design: Design, members: string, title: string): Design {
  const material: NameReference =
    design.rules.find((rule) => rule.material !== undefined)?.material ?? 'S355';
  const id = freeId(
    title,
    design.rules.map((rule) => rule.id),
  );
  return addRule(design, { id, title, members, section: firstSection, material }, 0);
}
