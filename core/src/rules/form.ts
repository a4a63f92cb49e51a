import { recordFields, type RecordField } from '../fields/record-fields.js';
import type { Rule } from '../document/types.js';
import type { RuleKind } from './rule.js';

/** The fields by which a kind's part of a rule is changed: those of its JSON Schema that fit what the rule holds. */
export function ruleFields(rule: Rule, kind: RuleKind): RecordField[] {
  return Object.entries(kind.schema).flatMap(([key, schema]) =>
    recordFields(schema, (rule as unknown as Record<string, unknown>)[key], key, key !== kind.key),
  );
}
