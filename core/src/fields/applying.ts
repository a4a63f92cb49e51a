import type { Field, Fields } from './field.js';

/** A field with its name in the record that it belongs to. */
export interface NamedField {
  readonly name: string;
  readonly field: Field<unknown>;
}

/**
 * The fields of a record that apply to what its other fields say, in the order of their declaration; those of solid designs only where one
 * is asked for, or where they are written.
 */
export function applyingFields(
  fields: Fields,
  record: Readonly<Record<string, unknown>>,
  space: 'plane' | 'solid' = 'solid',
): NamedField[] {
  return Object.entries(fields).flatMap(([name, field]: [string, Field<unknown>]) => {
    const { when, onlySolid } = field;
    const applies = !when || when.is.includes(record[when.field] ?? fields[when.field]?.fallback);
    const exists = !onlySolid || space === 'solid' || record[name] !== undefined;
    return applies && exists ? [{ name, field }] : [];
  });
}

/** What a record of these fields begins with: those that must be written, and those that have a beginning of their own. */
export function startOf(fields: Fields): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([name, { initial, fallback, optional }]: [string, Field<unknown>]) => {
      const start = initial ?? (optional ? undefined : fallback);
      return start === undefined ? [] : [[name, start]];
    }),
  );
}
