import type { Design, Rule } from '../types.js';
import { changed, movedTo, withFields, withItem, without } from './lists.js';

/** Sets fields of a rule; `undefined` takes a field away. */
export function setRule(design: Design, id: string, fields: Readonly<Record<string, unknown>>): Design {
  return { ...design, rules: changed(design.rules, id, (rule) => withFields(rule, fields)) };
}

/** Adds a rule at a place, at the end without one: later rules win. */
export function addRule(design: Design, rule: Rule, index?: number): Design {
  return { ...design, rules: withItem(design.rules, rule, index) };
}

export function removeRule(design: Design, id: string): Design {
  return { ...design, rules: without(design.rules, id) };
}

/** Moves a rule to another place: later rules win. */
export function moveRule(design: Design, id: string, index: number): Design {
  return { ...design, rules: movedTo(design.rules, id, index) };
}
