import type { Geometry, Note } from '../geometry/geometry.js';
import { Sketch } from '../geometry/sketch.js';
import type { Point } from '../geometry/vector.js';
import type { Step } from '../document/types.js';
import type { Tags } from '../language/types.js';
import type { Evaluated, FieldContext, Fields } from '../fields/index.js';

/** What a step is run with beside its own fields. */
export interface StepContext {
  readonly id: string;
  readonly space: 'plane' | 'solid';
  readonly names: FieldContext;
  /** Origin and turn about Z of a generator. */
  readonly at: Point;
  readonly turn: number;
  /** As written, for dimensions and messages. */
  readonly written: Readonly<Record<string, unknown>>;
}

/** A kind of step: a generator ("make") or an edit. One a file, listed in `index.ts`; all else follows from this. */
export interface StepKind<F extends Fields = Fields> {
  readonly verb: 'make' | 'edit';
  readonly kind: string;
  readonly title: string;
  /** A sentence or two: what it makes, where its origin is, what it is for. */
  readonly about: string;
  /** Roles of its members and places of its nodes. */
  readonly roles: readonly string[];
  readonly places: readonly string[];
  /** Group on the page of cards. */
  readonly group: 'make' | 'shape' | 'connect' | 'finish';
  /** Only in solid designs. */
  readonly solidOnly?: boolean;
  readonly fields: F;
  /** Steps and fields by which an edit shows what it does; a generator shows what its fields begin with. */
  readonly example?: { readonly before: readonly Step[]; readonly fields: Readonly<Record<string, unknown>> };
  run(before: Geometry, values: Evaluated<F>, context: StepContext): Geometry;
  /** The step in a few words, from its fields as written: "22 m × 6.4 m, duo-pitch 9°". */
  summary(written: Readonly<Record<string, unknown>>): string;
}

/** Declares a generator: `draw` draws it in its own axes. */
export function generator<F extends Fields>(
  kind: Omit<StepKind<F>, 'verb' | 'run' | 'group'> & {
    readonly draw: (sketch: Sketch, values: Evaluated<F>, context: StepContext) => void;
  },
): StepKind<F> {
  const { draw, ...rest } = kind;
  return {
    ...rest,
    verb: 'make',
    group: 'make',
    run(before, values, context) {
      const sketch = new Sketch(context.id);
      draw(sketch, values, context);
      return sketch.addTo(before, context.at, context.turn);
    },
  };
}

/** Declares an edit. */
export function edit<F extends Fields>(
  kind: Omit<StepKind<F>, 'verb' | 'example'> & Required<Pick<StepKind<F>, 'example'>>,
): StepKind<F> {
  return { ...kind, verb: 'edit' };
}

export type Condition = (tags: Tags) => boolean;
export type { Note };
