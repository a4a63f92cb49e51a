import type { Design, PortalStep, Rule } from '../types.js';

/** Changes fields of a step, for all alternatives. */
export function setStep(
  design: Design,
  id: string,
  fields: Partial<Omit<PortalStep, 'id' | 'make'>>,
): Design {
  return { ...design, steps: design.steps.map((s) => (s.id === id ? { ...s, ...fields } : s)) };
}

/** Replaces a rule by one with the same id. */
export function setRule(design: Design, rule: Rule): Design {
  return { ...design, rules: design.rules.map((r) => (r.id === rule.id ? rule : r)) };
}

/** Renames the design. */
export function setTitle(design: Design, title: string): Design {
  return { ...design, title };
}
