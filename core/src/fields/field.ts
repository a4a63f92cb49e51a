import type { QuantityName } from '../units/quantities.js';
import type { Names } from '../language/compile.js';
import type { Place } from '../language/tree.js';
import type { Point } from '../geometry/vector.js';

/** One of a few values, under its name. */
export interface Choice {
  readonly label: string;
  readonly value: string | number | boolean;
}

/** One way in which a field may be written. */
export interface Way {
  readonly label: string;
  /** What is written where it is chosen. */
  readonly start: unknown;
  /** What is written instead where something stands there already: the same said in this way. */
  from?(written: unknown, space: 'plane' | 'solid'): unknown;
  /** Offered only where a value is written so. */
  readonly rare?: true;
  is(written: unknown): boolean;
  /** By which what is written is changed further. */
  readonly field?: Field<unknown>;
}

/** How a field is asked for on a screen. */
export type FieldForm =
  | {
      readonly kind: 'quantity';
      /** '' for any. */
      readonly quantity: QuantityName | '';
      readonly slider?: readonly [number, number];
      /** It may read the tags of these. */
      readonly of?: 'members' | 'nodes';
    }
  | { readonly kind: 'count'; readonly least: number; readonly most: number }
  /** A plain number without a unit, not a formula. */
  | { readonly kind: 'number' }
  | { readonly kind: 'option'; readonly options: readonly Choice[] }
  | { readonly kind: 'flag' }
  | { readonly kind: 'text' }
  /** An end of a member: its start, its end, or where a place of the frame is. */
  | { readonly kind: 'end' }
  /** Values or words with commas between; in a document one text, or a list. */
  | { readonly kind: 'list'; readonly quantity: QuantityName | ''; readonly as: 'text' | 'list' }
  | { readonly kind: 'point' }
  /** Points that can be dragged: in which plane two numbers lie, and how many must stay. */
  | { readonly kind: 'points'; readonly plane: 'xz' | 'xy'; readonly least: number }
  | { readonly kind: 'condition'; readonly of: 'members' | 'nodes' }
  /** A name of the library or of the design's own, or in rules `{ "parameter": … }`. */
  | { readonly kind: 'section' | 'material' }
  /** A load case of the design, or some of them. */
  | { readonly kind: 'case' | 'cases' }
  | { readonly kind: 'record'; readonly fields: Fields }
  /** Exactly one of several fields. */
  | { readonly kind: 'variants'; readonly variants: Fields }
  /** Fields that depend on a kind, which may be left out where it is the first. */
  | { readonly kind: 'kinds'; readonly common: Fields; readonly kinds: Readonly<Record<string, Fields>> }
  /** Several ways to write one value. */
  | { readonly kind: 'ways'; readonly ways: readonly Way[] }
  | { readonly kind: 'json' };

/** What a field is evaluated with: names, and what names of places mean. */
export interface FieldContext extends Names {
  readonly space: 'plane' | 'solid';
  /** Where a node, or a place on a member, named in a field is; what is wrong with the name otherwise. */
  readonly placeNamed: (name: string) => { readonly at: Point; readonly node?: string } | string;
}

/** One field of a step kind: what it is called, what it may be, and how it becomes a value. */
export interface Field<T> {
  readonly title: string;
  /** More than the title says, with units and limits. */
  readonly about?: string;
  readonly optional: boolean;
  /** What counts where the field is left out; absent: it must be written. */
  readonly fallback?: unknown;
  /** What a new step has there, as written; absent: the fallback. */
  readonly initial?: unknown;
  /** JSON Schema of what may be written. */
  readonly schema: object;
  readonly form: FieldForm;
  /** What it is said to be where it is left out; absent: nothing is said. */
  readonly absent?: string;
  /** It is asked for in solid designs only. */
  readonly onlySolid?: true;
  /** Its options are drawn where a picture of them can be made. */
  readonly drawn?: true;
  /** Shown and used only where another field has one of these values. */
  readonly when?: { readonly field: string; readonly is: readonly unknown[] };
  read(written: unknown, context: FieldContext, place: Place): T;
}

// oxlint-disable-next-line typescript/no-explicit-any -- a list of fields of any types
export type Fields = Readonly<Record<string, Field<any>>>;

/** Values of a step's fields, SI. */
export type Evaluated<F extends Fields> = {
  readonly [K in keyof F]: F[K] extends Field<infer T> ? T : never;
};

/** What every declaration of a field says. */
export interface Head {
  readonly title: string;
  readonly about?: string;
  readonly initial?: unknown;
  readonly fallback?: unknown;
  readonly when?: Field<unknown>['when'];
  readonly absent?: string;
  readonly onlySolid?: true;
  readonly drawn?: true;
}

/** A field that must be written, unless it has a fallback. */
export function field<T>(head: Head, rest: Pick<Field<T>, 'schema' | 'form' | 'read'>): Field<T> {
  return { optional: false, ...head, ...rest };
}

/** The same field, undefined where it is not written. */
export function optional<T>(of: Field<T>): Field<T | undefined> {
  return { ...of, optional: true };
}

/** Only where another field has one of these values; undefined elsewhere. */
export function onlyWhen<T>(name: string, is: readonly unknown[], of: Field<T>): Field<T> {
  return { ...of, when: { field: name, is } };
}
