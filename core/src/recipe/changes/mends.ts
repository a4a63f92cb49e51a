import type { Design, Step } from '../types.js';
import { freeId } from './ids.js';
import { removeRule } from './rules.js';

/** A change that mends what the model check remarks: a step at the end of the recipe, or a rule less. */
export type Mend = { readonly title: string } & (
  { readonly step: Omit<Step, 'id'> } | { readonly removeRule: string }
);

/** The design with a mend made. */
export function applyMend(design: Design, mend: Mend): Design {
  if ('removeRule' in mend) return removeRule(design, mend.removeRule);
  const id = freeId(
    typeof mend.step['edit'] === 'string' ? mend.step['edit'] : 'mend',
    design.steps.map((step) => step.id),
  );
  return { ...design, steps: [...design.steps, { ...mend.step, id }] };
}
