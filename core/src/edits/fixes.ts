import type { Design, Rule, Step } from '../document/types.js';
import { freeId } from './ids.js';
import { addRule, removeRule } from './rules.js';

/** A change that mends what the model check remarks: a step at the end of the recipe, a rule that wins over all, or a rule less. */
export type Mend = { readonly title: string } & (
  { readonly step: Omit<Step, 'id'> } | { readonly rule: Omit<Rule, 'id'> } | { readonly removeRule: string }
);

/** The design with a mend made. */
export function applyMend(design: Design, mend: Mend): Design {
  if ('removeRule' in mend) return removeRule(design, mend.removeRule);
  if ('rule' in mend) {
    const taken = design.rules.map((rule) => rule.id);
    return addRule(design, { ...mend.rule, id: freeId(mend.title, taken, 'mend') });
  }
  const id = freeId(
    typeof mend.step['edit'] === 'string' ? mend.step['edit'] : 'mend',
    design.steps.map((step) => step.id),
  );
  return { ...design, steps: [...design.steps, { ...mend.step, id }] };
}
