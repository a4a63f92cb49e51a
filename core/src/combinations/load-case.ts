import { loadCategories } from '../model/schema.js';
import { recordFields, type RecordField } from '../fields/record-fields.js';
import { object, text } from '../fields/schemas.js';
import type { DesignLoadCase } from '../document/types.js';

/** JSON Schema of a load case; the meaning is in `types.ts`. */
export const loadCaseSchema = object(
  {
    id: text,
    title: text,
    category: { enum: loadCategories },
    use: { enum: ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'] },
    altitude: { enum: ['low', 'high'] },
    selfWeight: { type: 'number' },
    excludes: { type: 'array', items: text, maxItems: 100 },
  },
  ['id', 'title', 'category'],
);

/** Categories whose combination factors depend on one more field (EN 1990 Table A1.1). */
const only: Readonly<Record<string, DesignLoadCase['category']>> = { use: 'imposed', altitude: 'snow' };

/** The fields by which a load case is changed: those that its category has. */
export function loadCaseFields(loadCase: DesignLoadCase): RecordField[] {
  return recordFields(loadCaseSchema, loadCase).filter(
    ({ path }) => !Object.hasOwn(only, path) || only[path] === loadCase.category,
  );
}

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
