import { fail } from '../base/problem.js';
import type { Design, DesignCombination } from '../document/types.js';
import { asce7 } from './asce7.js';
import { sorted, type CombinationRule } from './code.js';
import { en1990, en1990ab } from './en1990.js';

/** Every rule that makes combinations. */
export const combinationRules: readonly CombinationRule[] = [en1990, en1990ab, asce7];

/** Most combinations that are made. */
const most = 500;
/** More variable cases than this have too many subsets. */
const mostVariable = 10;

/**
 * The combinations of a design: those listed, then those made by its code's rule, no two alike, called U1 … and C1 ….
 *
 * @throws ProblemError for a rule that is not known, or too many combinations
 */
export function allCombinations(
  design: Pick<Design, 'combine' | 'combinations' | 'loadCases'>,
): DesignCombination[] {
  const { combine, combinations, loadCases } = design;
  if (!combine) return [...combinations];
  const where = { path: '/combine/by' };
  const rule = combinationRules.find(({ by }) => by === combine.by);
  if (!rule)
    return fail(
      'invalid-design',
      `"combine" names the rule "${combine.by}", which is not known; choose ${combinationRules.map(({ by }) => by).join(', ')}.`,
      where,
    );
  const variable = sorted(loadCases).variable.length;
  if (variable > mostVariable)
    fail(
      'too-many',
      `"combine" would join ${variable} variable load cases, too many to be combined by rule; list the combinations, or let cases exclude each other.`,
      where,
    );
  const seen = new Set(combinations.map(({ state, factors }) => keyOf(state, factors)));
  const taken = new Set([...combinations, ...loadCases].map(({ id }) => id));
  const out = [...combinations];
  const counts = { strength: 0, service: 0 };
  const cases = sorted(loadCases);
  const made = combine.states.flatMap((state) => {
    const make = rule.states[state];
    if (make) return make(cases);
    const known = Object.keys(rule.states).join(', ');
    return fail(
      'invalid-design',
      `"combine" asks for ${state} combinations, which ${rule.title} does not have; choose among ${known}.`,
      { path: '/combine/states' },
    );
  });
  for (const { state, factors, title } of made) {
    const key = keyOf(state, factors);
    if (Object.keys(factors).length === 0 || seen.has(key)) continue;
    seen.add(key);
    let id: string;
    do id = `${state === 'strength' ? 'U' : 'C'}${++counts[state]}`;
    while (taken.has(id));
    out.push({ id, title, state, factors: { ...factors } });
  }
  if (out.length > most)
    fail(
      'too-many',
      `"combine" would make ${out.length} combinations; ${most} at most are possible. Let cases exclude each other, or list the combinations.`,
      where,
    );
  return out;
}

function keyOf(state: string, factors: Readonly<Record<string, number>>): string {
  return `${state} ${Object.keys(factors)
    .sort()
    .map((id) => `${id}:${factors[id]!.toFixed(6)}`)
    .join(' ')}`;
}
