import { problem, type Problem } from '../base/problem.js';
import { greatestMagnitudes } from '../units/magnitudes.js';
import type { FrameModel, Load } from './types.js';

/** Deeper than any field of a model lies. */
const deepest = 12;

/** Between which magnitudes the numbers of one kind lie; 0 always may be. */
interface Limits {
  readonly least: number;
  readonly most: number;
  readonly words: string;
}

const lengths: Limits = {
  least: 0,
  most: greatestMagnitudes.length,
  words: 'coordinates and arms may be up to 100 000 m',
};
const loads: Limits = {
  least: 0,
  most: greatestMagnitudes.force,
  words: 'loads may be up to 1e12 N, or N/m',
};
const factors: Limits = { least: 1e-6, most: 1e6, words: 'factors are 0, or from 1e-6 to 1e6' };
/** What rounding leaves may stand in a model; what is smaller cannot be divided by. */
const others: Limits = { least: 1e-60, most: 1e18, words: 'it may be 0, or from 1e-60 to 1e18' };

/**
 * Numbers of a model that are not finite, or so large or small that working with them loses their digits, each with its path. The schema
 * says what else holds for each.
 */
export function findOutOfRange(model: FrameModel): Problem[] {
  if (allInRange(model)) return [];
  const found: Problem[] = [];
  look(model, '', 0, others, found);
  return found;
}

/** Whether all is in range: the common case, answered without making paths, what there are thousands of field by field. */
function allInRange({ nodes, members, loadCases = [], combinations = [], ...rest }: FrameModel): boolean {
  for (const { x, y = 0, z } of nodes)
    if (!isWithin(x, lengths) || !isWithin(y, lengths) || !isWithin(z, lengths)) return false;
  // What else a member has are names
  for (const { roll = 0, hinges, offsets, design } of members)
    if (
      !isWithin(roll, others) ||
      !areWithin(hinges, others) ||
      !areWithin(offsets, lengths) ||
      !areWithin(design, others)
    )
      return false;
  for (const { loads: own = [], selfWeight = 0, ...more } of loadCases)
    if (!isWithin(selfWeight, factors) || !own.every(isLoadWithin) || !areWithin(more, others)) return false;
  for (const { factors: own, ...more } of combinations)
    if (!areWithin(own, factors) || !areWithin(more, others)) return false;
  return areWithin(rest, others);
}

function isWithin(value: number, { least, most }: Limits): boolean {
  const size = Math.abs(value);
  return value === 0 || (size >= least && size <= most);
}

function isLoadWithin(load: Load): boolean {
  if (load.kind !== 'distributed') return areWithin(load, loads);
  const { q, from = 0, to = 1 } = load;
  return isWithin(q[0], loads) && isWithin(q[1], loads) && isWithin(from, loads) && isWithin(to, loads);
}

/** Whether all numbers in a value are within limits. */
function areWithin(value: unknown, limits: Limits, depth = 0): boolean {
  if (typeof value === 'number') return isWithin(value, limits);
  if (typeof value !== 'object' || value === null || depth > deepest) return true;
  if (Array.isArray(value)) {
    for (let i = 0; i < value.length; i++) if (!areWithin(value[i], limits, depth + 1)) return false;
    return true;
  }
  for (const key in value)
    if (!areWithin((value as Record<string, unknown>)[key], limits, depth + 1)) return false;
  return true;
}

/** Limits of what lies below these keys. */
const byKey: ReadonlyMap<string, Limits> = new Map([
  ['nodes', lengths],
  ['offsets', lengths],
  ['loads', loads],
  ['selfWeight', factors],
  ['factors', factors],
]);

function look(value: object, path: string, depth: number, limits: Limits, found: Problem[]): void {
  for (const key in value) {
    const item = (value as Record<string, unknown>)[key];
    const own = byKey.get(key) ?? limits;
    if (typeof item === 'number') {
      if (!isWithin(item, own)) found.push(outOfRange(item, `${path}/${key}`, own));
    } else if (typeof item === 'object' && item !== null && depth < deepest)
      look(item, `${path}/${key}`, depth + 1, own, found);
  }
}

function outOfRange(value: number, path: string, { words }: Limits): Problem {
  const message = Number.isFinite(value)
    ? `The number ${value} is out of range: ${words} (${path})`
    : `The number is not finite; correct what it is worked out from (${path})`;
  return problem('invalid-model', message, { path });
}
