import type { Combine, Design, DesignCombination, DesignLoadCase, Rule } from '../document/types.js';
import { allCombinations } from '../combinations/index.js';
import { withoutPatches } from './choices/patches.js';
import { changed, withFields, withItem, without } from './lists.js';

export function addLoadCase(design: Design, loadCase: DesignLoadCase, index?: number): Design {
  return { ...design, loadCases: withItem(design.loadCases, loadCase, index) };
}

/** Sets fields of a load case; `undefined` takes a field away. */
export function setLoadCase(design: Design, id: string, fields: Readonly<Record<string, unknown>>): Design {
  return { ...design, loadCases: changed(design.loadCases, id, (one) => withFields(one, fields)) };
}

/** Removes a load case with its factors, its exclusions and the rules that load it, also those that options add. */
export function removeLoadCase(design: Design, id: string): Design {
  const loads = ({ load, area, train }: Partial<Rule>) =>
    [load, area, train].some((gives) => gives?.case === id);
  const inOptions = design.choices.flatMap(({ options }) =>
    options.flatMap(({ changes }) => (changes.rules ?? []).filter((patch) => loads(patch as Partial<Rule>))),
  );
  const gone = [...design.rules.filter(loads), ...inOptions].map((rule) => rule.id);
  const next = {
    ...design,
    loadCases: without(design.loadCases, id).map((one) =>
      one.excludes?.includes(id) ? { ...one, excludes: one.excludes.filter((other) => other !== id) } : one,
    ),
    combinations: design.combinations.map((one) => withoutFactor(one, id)),
    rules: design.rules.filter((rule) => !loads(rule)),
  };
  return withoutPatches(next, 'rules', gone);
}

function withoutFactor(combination: DesignCombination, loadCase: string): DesignCombination {
  if (!Object.hasOwn(combination.factors, loadCase)) return combination;
  const factors = Object.fromEntries(Object.entries(combination.factors).filter(([id]) => id !== loadCase));
  return { ...combination, factors };
}

export function addCombination(design: Design, combination: DesignCombination, index?: number): Design {
  return { ...design, combinations: withItem(design.combinations, combination, index) };
}

/** Sets title or state of a combination. */
export function setCombination(
  design: Design,
  id: string,
  fields: Readonly<Record<string, unknown>>,
): Design {
  return { ...design, combinations: changed(design.combinations, id, (one) => withFields(one, fields)) };
}

export function removeCombination(design: Design, id: string): Design {
  return { ...design, combinations: without(design.combinations, id) };
}

/** Sets the factor on a load case in a combination; 0 takes it out. */
export function setFactor(design: Design, combination: string, loadCase: string, factor: number): Design {
  return {
    ...design,
    combinations: changed(design.combinations, combination, (one) =>
      factor === 0
        ? withoutFactor(one, loadCase)
        : { ...one, factors: { ...one.factors, [loadCase]: factor } },
    ),
  };
}

/** Combinations by a code's rule, or by hand only. */
export function setCombine(design: Design, combine: Combine | undefined): Design {
  return withFields(design, { combine });
}

/** Takes the combinations that a rule makes into the list, so that they can be edited; the rule goes. */
export function listCombinations(design: Design): Design {
  return withFields({ ...design, combinations: allCombinations(design) }, { combine: undefined });
}
