import { problem, type Problem } from '../problem.js';

/** Deeper than any field of a model lies. */
const deepest = 12;

/** Numbers of a model that are not finite, each with its path. The schema refuses them in files; this is for models that are built. */
export function findNotFinite(model: object): Problem[] {
  const paths: string[] = [];
  look(model, '', 0, paths);
  return paths.map((path) =>
    problem('invalid-model', `The number is not finite; correct what it is worked out from (${path})`, {
      path,
    }),
  );
}

function look(value: object, path: string, depth: number, found: string[]): void {
  for (const key in value) {
    const item = (value as Record<string, unknown>)[key];
    if (typeof item === 'number') {
      if (!Number.isFinite(item)) found.push(`${path}/${key}`);
    } else if (typeof item === 'object' && item !== null && depth < deepest)
      look(item, `${path}/${key}`, depth + 1, found);
  }
}
