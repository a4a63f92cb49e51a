import type { Design, Rule, Step } from '../../document/types.js';
import { freeId } from '../ids.js';
import { addRule, removeRule } from '../rules.js';

/** A change that fixes what the model check warns of: a step at the end of the recipe, a rule that wins over all, or a rule less. */
export type Fix = { readonly title: string } & (
  | { readonly step: Omit<Step, 'id'> }
  | { readonly rule: Omit<Rule, 'id'> }
  | { readonly removeRule: string }
);

/** The design with a fix made. */
export function applyFix(design: Design, fix: Fix): Design {
  if ('removeRule' in fix) return removeRule(design, fix.removeRule);
  if ('rule' in fix) {
    const taken = design.rules.map((rule) => rule.id);
    return addRule(design, { ...fix.rule, id: freeId(fix.title, taken, 'fix') });
  }
  const id = freeId(
    typeof fix.step['edit'] === 'string' ? fix.step['edit'] : 'fix',
    design.steps.map((step) => step.id),
  );
  return { ...design, steps: [...design.steps, { ...fix.step, id }] };
}
