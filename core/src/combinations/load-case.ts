import type { DesignLoadCase } from '../document/types.js';
import {
  loadCases,
  number,
  objectSchema,
  onlyWhen,
  option,
  optional,
  text,
  type Fields,
} from '../fields/index.js';
import { loadCategories } from '../model/schema.js';

/** The fields of a load case; its id is changed nowhere, factors by use and altitude are those of EN 1990 Table A1.1. */
export const loadCaseFields: Fields = {
  title: text({ title: 'title' }),
  category: option(loadCategories, { title: 'category' }),
  use: onlyWhen(
    'category',
    ['imposed'],
    optional(option(['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'], { title: 'use (EN 1990)' })),
  ),
  altitude: onlyWhen('category', ['snow'], optional(option(['low', 'high'], { title: 'altitude' }))),
  selfWeight: optional(number({ title: 'own weight ×' })),
  excludes: optional(loadCases({ title: 'never with' })),
};

/** JSON Schema of a load case; the meaning is in `types.ts`. */
export const loadCaseSchema = objectSchema({ id: text({ title: 'id' }), ...loadCaseFields });

/** Letters by which cases of a category are called; U and C are those of combinations. */
const letters: Readonly<Record<DesignLoadCase['category'], string>> = {
  permanent: 'G',
  imposed: 'Q',
  snow: 'S',
  wind: 'W',
  temperature: 'T',
  crane: 'K',
  prestress: 'P',
  accidental: 'A',
  seismic: 'E',
};

/** A load case of a category, called by its letter and, where that is taken, a number. */
export function initialLoadCase(
  category: DesignLoadCase['category'],
  cases: readonly DesignLoadCase[],
): DesignLoadCase {
  const letter = letters[category];
  const taken = new Set(cases.map(({ id }) => id));
  let id = letter;
  for (let i = 2; taken.has(id); i++) id = `${letter}${i}`;
  const title = category[0]!.toUpperCase() + category.slice(1);
  return { id, title: id === letter ? title : `${title} ${id.slice(1)}`, category };
}
