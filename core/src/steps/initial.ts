import type { Step } from '../document/types.js';
import type { Field } from '../fields/index.js';
import type { StepKind } from './step.js';

/** A new step with what its fields begin with, as far as they apply. */
export function initialStep(kind: StepKind, id: string): Step {
  const fields = kind.fields as Readonly<Record<string, Field<unknown>>>;
  const startOf = (name: string) => fields[name]?.initial ?? fields[name]?.fallback;
  const values = Object.entries(fields).flatMap(([name, { initial, when }]) => {
    const applies = !when || when.is.includes(startOf(when.field));
    return initial === undefined || !applies ? [] : [[name, initial] as const];
  });
  return { id, [kind.verb]: kind.kind, ...Object.fromEntries(values) };
}
