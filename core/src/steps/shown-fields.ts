import type { Step } from '../document/types.js';
import { angle, offset, optional, type Field } from '../fields/index.js';
import type { StepKind } from './step.js';

/** Where a generator puts what it makes, and how it is turned; see `StepContext`. */
const placing: Readonly<Record<string, Field<unknown>>> = {
  at: optional(offset({ title: 'Origin', about: '[x, z] or [x, y, z]; left out: 0.' })),
  turn: optional(angle({ title: 'Turn about the vertical' })),
};

/** The fields of a step that apply to what its other fields say, in the order of their declaration. */
export function shownFields(kind: StepKind, step: Step): { name: string; field: Field<unknown> }[] {
  const own = kind.fields as Readonly<Record<string, Field<unknown>>>;
  const fields = kind.verb === 'make' ? { ...own, ...placing } : own;
  return Object.entries(fields).flatMap(([name, field]) => {
    const { when } = field;
    const applies = !when || when.is.includes(step[when.field] ?? fields[when.field]!.fallback);
    return applies ? [{ name, field }] : [];
  });
}
