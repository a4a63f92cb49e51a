import type { Field, Fields } from '../fields/field.js';
import { conditionWords } from '../geometry/conditions/condition-words.js';
import { words } from './words.js';

/** A field's value: conditions as they are said, options by their labels, parts one after the other. */
export function fieldWords(
  field: Field<unknown> | undefined,
  value: unknown,
  titleOf: (id: string) => string,
): string {
  const form = field?.form;
  if (form?.kind === 'condition') return conditionWords(String(value), form.of, titleOf);
  if (form?.kind === 'option')
    return form.options.find((option) => option.value === value)?.label ?? words(value);
  if (form?.kind === 'flag') return value === true ? 'yes' : 'no';
  if (value !== null && typeof value === 'object' && !Array.isArray(value) && !('count' in value)) {
    const parts: Fields = form?.kind === 'record' ? form.fields : {};
    return Object.entries(value)
      .map(
        ([name, part]) =>
          `${(parts[name]?.title ?? name).toLowerCase()} ${fieldWords(parts[name], part, titleOf)}`,
      )
      .join(', ');
  }
  return words(value);
}
