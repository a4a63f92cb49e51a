import { lazily } from '../base/lazily.js';
import { fail } from '../base/problem.js';
import { catalogue, type CatalogueEntry } from './catalogue/index.js';
import { profileKey } from './names.js';
import { editDistance } from './nearest.js';

/** Every profile with the key of its name; the library has thousands. */
export const keyedProfiles = lazily(() => catalogue.map((entry) => ({ entry, key: profileKey(entry.name) })));
const byKey = lazily(() => new Map(keyedProfiles().map(({ entry, key }) => [key, entry])));
const byName = lazily(() => new Map(catalogue.map((entry) => [entry.name, entry])));

/** The profile with this name in any usual spelling, or undefined. */
export function lookUpProfile(name: string): CatalogueEntry | undefined {
  return byName().get(name) ?? byKey().get(profileKey(name));
}

/**
 * Finds a profile by its name in any usual spelling.
 *
 * @param code of the problem: a frame model that names an unknown profile is an `invalid-model`
 * @throws ProblemError with the nearest names in `where.nearest`
 */
export function findProfile(
  name: string,
  where: Record<string, unknown> = {},
  code = 'unknown-profile',
): CatalogueEntry {
  const entry = lookUpProfile(name);
  if (entry) return entry;
  const near = nearestProfiles(name);
  return fail(code, `The library has no profile "${name}"; the nearest are ${near.join(', ')}.`, {
    ...where,
    nearest: near,
  });
}

/** The `count` names with the smallest edit distance to `name`. */
export function nearestProfiles(name: string, count = 3): string[] {
  const wanted = profileKey(name.slice(0, 40));
  const best: { name: string; distance: number }[] = [];
  for (const [key, entry] of byKey()) {
    // Lengths that differ bound the distance from below
    const worst = best.length < count ? Infinity : best[count - 1]!.distance;
    if (Math.abs(key.length - wanted.length) >= worst) continue;
    const distance = editDistance(wanted, key);
    if (distance >= worst) continue;
    best.push({ name: entry.name, distance });
    best.sort((a, b) => a.distance - b.distance);
    if (best.length > count) best.pop();
  }
  return best.map((entry) => entry.name);
}
