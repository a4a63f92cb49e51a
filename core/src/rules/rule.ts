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
  /** Names of own sections. */
  readonly ownSections: ReadonlySet<string>;
  /** Names of own materials. */
  readonly ownMaterials: ReadonlySet<string>;
}

/** Fields that rules are written with. */
type RuleField = Extract<{ [K in keyof Rule]: string extends K ? never : K }[keyof Rule], string>;

interface Kind<Of extends 'members' | 'nodes', T> {
  /** The rule's field that makes it of this kind. */
  readonly key: RuleField;
  readonly of: Of;
  readonly title: string;
  /** Heading under which it is listed. */
  readonly gives: 'sections' | 'supports' | 'hinges' | 'lengths' | 'loads' | 'masses';
  /** What it gives where nothing is chosen yet. */
  initial(design: Pick<Design, 'loadCases' | 'rules'>): Partial<Rule>;
  /** JSON Schema of its field and of those that go with it. */
  readonly schema: Readonly<Record<string, object>>;
  apply(rule: Rule, matched: readonly Matched<T>[], context: RuleContext): void;
}

/** A kind of rule: what it gives to members or nodes. One a file, listed in `index.ts`. */
export type RuleKind = Kind<'members', GeometryMember> | Kind<'nodes', GeometryNode>;

/** Declares what a rule gives to members. */
export const memberRule = (kind: Omit<Kind<'members', GeometryMember>, 'of'>): RuleKind => ({
  ...kind,
  of: 'members',
});
/** Declares what a rule gives to nodes. */
export const nodeRule = (kind: Omit<Kind<'nodes', GeometryNode>, 'of'>): RuleKind => ({
  ...kind,
  of: 'nodes',
});

/** The place of a field of a rule, for messages. */
export const fieldOf = ({ place }: RuleContext, field: string): Place => ({
  what: `${place.what}, ${field}`,
  where: { ...place.where, field },
});
