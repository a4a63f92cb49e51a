import { problem, type Problem } from '../problem.js';

/** Deeper than any field of a model lies. */
const deepest = 12;

/** Numbers of a model that are not finite, each with its path. The schema refuses them in files; this is for models that are built. */
export function findNotFinite(value: unknown, path = '', depth = 0): Problem[] {
  const problems: Problem[] = [];
  const look = (item: unknown, key: string | number): void => {
    if (typeof item === 'number') {
      if (Number.isFinite(item)) return;
      const at = `${path}/${key}`;
      problems.push(
        problem('invalid-model', `The number is ${item}; give a finite number (${at})`, { path: at }),
      );
    } else if (typeof item === 'object' && item !== null && depth < deepest)
      problems.push(...findNotFinite(item, `${path}/${key}`, depth + 1));
  };
  if (Array.isArray(value)) value.forEach(look);
  else for (const key in value as object) look((value as Record<string, unknown>)[key], key);
  return problems;
}
