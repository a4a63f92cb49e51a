import { buildFrame } from '../../build/build.js';
import type { Design, NameReference, Step } from '../../document/types.js';
import { addRule } from '../rules.js';
import { addStep } from '../steps.js';
import { freeId } from '../ids.js';

/** What new members get until something else is chosen, and new braces. */
const firstSection = 'IPE 200';
const firstBrace = 'CHS 88.9x5';

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
    ? withFirstSection(
        added,
        `step == "${step.id}"`,
        `Members of ${step.title ?? step.id}`,
        'edit' in step && step.edit === 'brace' ? braceSection(design) : firstSection,
      )
    : added;
}

/** The section of a design's braces: what a rule gives them, else a parameter that is named after them. */
function braceSection({ rules, parameters }: Design): NameReference {
  const given = rules.findLast(
    ({ members, section }) => section !== undefined && members?.includes('"brace"'),
  );
  if (given) return given.section!;
  const named = parameters.find(
    ({ name, title, kind }) => kind === 'section' && /brac/i.test(`${name} ${title}`),
  );
  return named ? { parameter: named.name } : firstBrace;
}

/** Gives a section to all members that no rule gives one, by a rule before all others. */
export function sectionForAll(design: Design): Design {
  return withFirstSection(design, 'true', 'Members without another section');
}

function withFirstSection(
  design: Design,
  members: string,
  title: string,
  section: NameReference = firstSection,
): Design {
  const material: NameReference =
    design.rules.find((rule) => rule.material !== undefined)?.material ?? 'S355';
  const id = freeId(
    title,
    design.rules.map((rule) => rule.id),
  );
  return addRule(design, { id, title, members, section, material }, 0);
}
