import { angle, offset, optional, type Field, type Fields } from '../fields/index.js';
import type { StepKind } from './step.js';

/** Where a generator puts what it makes, and how it is turned; see `StepContext`. */
const placing: Readonly<Record<string, Field<unknown>>> = {
  at: optional(offset({ title: 'Origin', about: '[x, z] or [x, y, z]; left out: 0.' })),
  turn: optional(angle({ title: 'Turn about the vertical' })),
};

/** The fields by which a step of a kind is changed: its own, and of a generator also where it stands. */
export const stepFields = (kind: StepKind): Fields =>
  kind.verb === 'make' ? { ...kind.fields, ...placing } : kind.fields;
