import type { Evaluated, FieldContext, Fields } from '../fields/index.js';
import type { Names } from '../language/compile.js';
import type { Place } from '../language/tree.js';
import type { Geometry, GeometryMember, GeometryNode } from '../geometry/geometry.js';
import type { Tags } from '../language/types.js';
import type { Design, Rule } from '../document/types.js';
import type { Assignment } from './assignment.js';

export interface Matched<T> {
  readonly thing: T;
  readonly tags: Tags;
}

/** What a rule is applied with. */
export interface RuleContext {
  readonly geometry: Geometry;
  readonly names: Names;
  /** For messages: which rule. */
  readonly place: Place;
  readonly space: 'plane' | 'solid';
  readonly loadCases: ReadonlySet<string>;
  readonly assignment: Assignment;
  /** The rule's id, and what it is called. */
  readonly rule: { readonly id: string; readonly title: string };
  /** Names of own sections. */
  readonly ownSections: ReadonlySet<string>;
  /** Names of own materials. */
  readonly ownMaterials: ReadonlySet<string>;
}

/** What every kind of rule declares. */
interface Declared<F extends Fields> {
  /** The rule's field that makes it of this kind. */
  readonly key: string;
  readonly title: string;
  /** Heading under which it is listed. */
  readonly gives: 'sections' | 'supports' | 'hinges' | 'lengths' | 'loads' | 'masses';
  /** What it gives where nothing is chosen yet. */
  initial(design: Pick<Design, 'loadCases' | 'rules'>): Partial<Rule>;
  /** Its field and those that go with it: schema, form, words and evaluation follow. */
  readonly fields: F;
  /** What a rule gives by it, in words; '' where another kind of the same rule says it. */
  words(rule: Rule): string;
}

interface Kind<Of extends 'members' | 'nodes', T, F extends Fields> extends Declared<F> {
  readonly of: Of;
  /** Gives what the evaluated fields say to what the rule matches. */
  apply(given: Evaluated<F>, matched: readonly Matched<T>[], context: RuleContext): void;
}

// oxlint-disable-next-line typescript/no-explicit-any -- a kind with any fields
type Any = any;

/** A kind of rule: what it gives to members or nodes. One a file, listed in `index.ts`. */
export type RuleKind = Kind<'members', GeometryMember, Any> | Kind<'nodes', GeometryNode, Any>;

/** Declares what a rule gives to members. */
export const memberRule = <F extends Fields>(
  kind: Omit<Kind<'members', GeometryMember, F>, 'of'>,
): RuleKind => ({ ...kind, of: 'members' });
/** Declares what a rule gives to nodes. */
export const nodeRule = <F extends Fields>(kind: Omit<Kind<'nodes', GeometryNode, F>, 'of'>): RuleKind => ({
  ...kind,
  of: 'nodes',
});

/** JSON Schemas of a kind's fields. */
export const schemasOf = ({ fields }: RuleKind): Record<string, object> =>
  Object.fromEntries(Object.entries(fields as Fields).map(([name, { schema }]) => [name, schema]));

/** What a rule's fields are evaluated with; no place is named in them. */
export const fieldContextOf = ({ names, space }: RuleContext): FieldContext => ({
  ...names,
  space,
  placeNamed: (name) => `"${name}" is the name of a place, which rules cannot use.`,
});

/** The place of a field of a rule, for messages. */
export const fieldOf = ({ place }: RuleContext, field: string): Place => ({
  what: `${place.what}, ${field}`,
  where: { ...place.where, field },
});
