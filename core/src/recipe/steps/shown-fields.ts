import type { Step } from '../types.js';
import type { Field } from './fields/index.js';
import type { StepKind } from './step.js';

/** The fields of a step that apply to what its other fields say, in the order of their declaration. */
export function shownFields(kind: StepKind, step: Step): { name: string; field: Field<unknown> }[] {
  const fields = kind.fields as Readonly<Record<string, Field<unknown>>>;
  return Object.entries(fields).flatMap(([name, field]) => {
    const { when } = field;
    const applies = !when || when.is.includes(step[when.field] ?? fields[when.field]!.fallback);
    return applies ? [{ name, field }] : [];
  });
}
