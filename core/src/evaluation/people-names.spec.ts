import { slipShed } from '../testing/designs.js';
import { parseDesign } from '../document/read.js';
import { parseQuery } from '../sections/query.js';
import { unwrapped } from '../base/problem.js';
import { freeId } from '../edits/index.js';
import type { Design } from '../document/types.js';
import { evaluateAlternative, summaryOf } from './index.js';

/** Names that every object has from its prototype. */
const everywhere = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf'];

/** The Slip shed in which a choice, its options, an alternative, a load case and a combination bear such names. */
function named([choice, option, alternative, G, S]: readonly string[]): Design {
  const shed = slipShed();
  const cases = new Map([
    [shed.loadCases[0]!.id, G!],
    [shed.loadCases[1]!.id, S!],
  ]);
  const renamed = (id: string) => cases.get(id) ?? id;
  const first = shed.choices[0]!;
  const taken = first.options[0]!.id;
  const picks = (own: Record<string, string>) =>
    Object.fromEntries(
      Object.entries(own).map(([key, value]) =>
        key === first.id ? [choice!, value === taken ? option! : value] : [key, value],
      ),
    );
  const text = JSON.stringify({
    ...shed,
    loadCases: shed.loadCases.map((one) => ({
      ...one,
      id: renamed(one.id),
      ...(one.excludes ? { excludes: one.excludes.map(renamed) } : {}),
    })),
    combinations: shed.combinations.map((one) => ({
      ...one,
      factors: Object.fromEntries(Object.entries(one.factors).map(([id, factor]) => [renamed(id), factor])),
    })),
    choices: [
      {
        ...first,
        id: choice,
        options: first.options.map((one) => ({ ...one, id: one.id === taken ? option : one.id })),
      },
      ...shed.choices.slice(1),
    ],
    alternatives: shed.alternatives.map((one, k) => ({
      ...one,
      id: k === 0 ? alternative : one.id,
      picks: picks(one.picks),
    })),
    reference: shed.reference === shed.alternatives[0]!.id ? alternative : shed.reference,
  });
  const inCases = (key: string, value: unknown): unknown =>
    key === 'case' && typeof value === 'string' ? renamed(value) : value;
  return unwrapped(parseDesign(JSON.stringify(JSON.parse(text, inCases))));
}

/** Verdict and figures of each alternative that can be worked out quickly. */
function worked(design: Design): unknown[] {
  return design.alternatives.map((alternative) => {
    const run = evaluateAlternative({ ...design, analysis: { order: 1, imperfections: false } }, alternative);
    const { status, figures, problems } = summaryOf(run, '');
    return [status, problems.map(({ message }) => message), figures.map(({ value }) => value)];
  });
}

describe('what people name is looked up among their own names only', () => {
  it('choices, options, alternatives, load cases: no name changes a result', () => {
    expect(worked(named(everywhere))).toEqual(worked(named(['c', 'o', 'a', 'G', 'S'])));
  });

  it('words of a formula and of a question', () => {
    for (const name of everywhere) {
      const shed = structuredClone(slipShed());
      (shed.parameters[0] as { value: string }).value = `1 m + ${name}`;
      const run = evaluateAlternative(shed, shed.alternatives[0]!, 'forces');
      expect(summaryOf(run, '').problems[0]!.message).withContext(name).toContain('which is no parameter');
      expect(() => parseQuery(name)).toThrowError(/a series is one of/);
      expect(() => parseQuery(`HEA with depth above 3 ${name}`))
        .withContext(name)
        .toThrowError();
    }
  });

  it('ids that follow from titles', () => {
    expect(freeId('Constructor', [])).toBe('constructor');
  });
});
