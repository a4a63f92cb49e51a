import { problem, type Problem } from '../problem.js';
import type { FrameModel, Load } from './types.js';

/** Deeper than any field of a model lies. */
const deepest = 12;

/** Numbers of a model that are not finite, each with its path. The schema refuses them in files; this is for models that are built. */
export function findNotFinite(model: FrameModel): Problem[] {
  if (allFinite(model)) return [];
  const paths: string[] = [];
  look(model, '', 0, paths);
  return paths.map((path) =>
    problem('invalid-model', `The number is not finite; correct what it is worked out from (${path})`, {
      path,
    }),
  );
}

/** Whether all numbers of a model are finite: the common case, answered without making paths, what there are thousands of field by field. */
function allFinite({ nodes, members, loadCases = [], ...rest }: FrameModel): boolean {
  for (const { x, y = 0, z } of nodes)
    if (!Number.isFinite(x) || !Number.isFinite(y) || !Number.isFinite(z)) return false;
  // What else a member has are names
  for (const { roll = 0, hinges, offsets, design } of members)
    if (!Number.isFinite(roll) || !isFinite(hinges, 0) || !isFinite(offsets, 0) || !isFinite(design, 0))
      return false;
  for (const { loads = [], selfWeight = 0 } of loadCases)
    if (!Number.isFinite(selfWeight) || !loads.every(isFiniteLoad)) return false;
  return isFinite(rest, 0);
}

function isFiniteLoad(load: Load): boolean {
  if (load.kind !== 'distributed') return isFinite(load, 0);
  const { q, from = 0, to = 1 } = load;
  return Number.isFinite(q[0]) && Number.isFinite(q[1]) && Number.isFinite(from) && Number.isFinite(to);
}

/** Whether all numbers in a value are finite. */
function isFinite(value: unknown, depth: number): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (typeof value !== 'object' || value === null || depth > deepest) return true;
  if (Array.isArray(value)) {
    for (let i = 0; i < value.length; i++) if (!isFinite(value[i], depth + 1)) return false;
    return true;
  }
  for (const key in value) if (!isFinite((value as Record<string, unknown>)[key], depth + 1)) return false;
  return true;
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
