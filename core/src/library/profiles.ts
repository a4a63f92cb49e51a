import { fail } from '../problem.js';
import { catalogue, type CatalogueEntry } from './catalogue/index.js';

const byKey = new Map(catalogue.map((entry) => [key(entry.name), entry]));

/** Spelling without spaces, case and the "HE 240 B" order: `ipe300`, `HE 240 B` and `HEB 240` all find theirs. */
function key(name: string): string {
  const plain = name.toUpperCase().replace(/[\s_-]+/g, '');
  const swapped = /^HE(\d+)([AB])$/.exec(plain);
  return swapped ? `HE${swapped[2]}${swapped[1]}` : plain;
}

/**
 * Finds a rolled profile by its name in any usual spelling.
 *
 * @param code of the problem: a frame model that names an unknown profile is an `invalid-model`
 * @throws ProblemError with the nearest names in `where.nearest`
 */
export function findProfile(
  name: string,
  where: Record<string, unknown> = {},
  code = 'unknown-profile',
): CatalogueEntry {
  const entry = byKey.get(key(name));
  if (entry) return entry;
  const near = nearestProfiles(name);
  return fail(code, `The library has no profile "${name}"; the nearest are ${near.join(', ')}.`, {
    ...where,
    nearest: near,
  });
}

/** The `count` names with the smallest edit distance to `name`. */
export function nearestProfiles(name: string, count = 3): string[] {
  const wanted = key(name);
  return [...catalogue]
    .map((entry) => ({ name: entry.name, distance: editDistance(wanted, key(entry.name)) }))
    .sort((a, b) => a.distance - b.distance)
    .slice(0, count)
    .map((entry) => entry.name);
}

/** Levenshtein's distance. */
function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(next[j - 1]! + 1, row[j]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
    row = next;
  }
  return row[b.length]!;
}
