import { withValues } from '../fields/with-values.js';
import { stepFields } from './step-fields.js';
import type { StepKind } from './step.js';

/** Fields that hold words, which parameters may be called like. */
const worded: ReadonlySet<string> = new Set(['option', 'flag', 'text', 'condition', 'section']);

/**
 * A step, or some of its fields, with the values of parameters in the place of their names, in fields that hold values.
 *
 * @param texts how the value of a parameter reads, by its name
 */
export function stepWithValues<T extends object>(
  kind: StepKind,
  step: T,
  texts: ReadonlyMap<string, string>,
): T {
  const fields = stepFields(kind);
  return Object.fromEntries(
    Object.entries(step).map(([name, value]) => {
      const form = fields[name]?.form.kind;
      return [name, form && worded.has(form) ? (value as unknown) : withValues(value as unknown, texts)];
    }),
  ) as T;
}
