import type { Alternative, Changes, Choice, Design, Patch, Rule } from '../../document/types.js';
import { matchRecords, renamed } from './match-records.js';

/** A design with its load cases, steps, rules and choices called as another design calls them, where they hold the same. */
export function renamedLike(design: Design, like: Design): Design {
  const withCases = renameCases(design, renamed(matchRecords(like.loadCases, design.loadCases)));
  const withSteps = renamePatched(withCases, 'steps', renamed(matchRecords(like.steps, withCases.steps)));
  const withRules = renamePatched(withSteps, 'rules', renamed(matchRecords(like.rules, withSteps.rules)));
  return renameChoices(withRules, renamed(matchRecords(like.choices, withRules.choices)));
}

type Names = ReadonlyMap<string, string>;

const named = (names: Names, id: string): string => names.get(id) ?? id;

const withKeys = <T>(names: Names, record: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([key, value]) => [named(names, key), value]));

function renameCases(design: Design, names: Names): Design {
  if (names.size === 0) return design;
  const { massFrom } = design.analysis;
  return {
    ...design,
    analysis: massFrom ? { ...design.analysis, massFrom: withKeys(names, massFrom) } : design.analysis,
    loadCases: design.loadCases.map((one) => ({
      ...one,
      id: named(names, one.id),
      ...(one.excludes ? { excludes: one.excludes.map((id) => named(names, id)) } : {}),
    })),
    combinations: design.combinations.map((one) => ({ ...one, factors: withKeys(names, one.factors) })),
    rules: design.rules.map((rule) => ruleWithCases(rule, names)),
    choices: changedOptions(design.choices, ({ rules, ...changes }) => ({
      ...changes,
      ...(rules ? { rules: rules.map((rule) => ruleWithCases(rule, names)) } : {}),
    })),
  };
}

/** A rule, or a patch of one, whose loads act in the cases of other names. */
function ruleWithCases<T extends Rule | Patch>(rule: T, names: Names): T {
  const out = { ...rule };
  for (const key of ['load', 'area', 'train'] as const) {
    const part = rule[key] as { readonly case?: string } | undefined;
    if (part?.case !== undefined) Object.assign(out, { [key]: { ...part, case: named(names, part.case) } });
  }
  return out;
}

/** Steps or rules under other names, also where options change them. */
function renamePatched(design: Design, key: 'steps' | 'rules', names: Names): Design {
  if (names.size === 0) return design;
  const rename = <T extends { id: string }>(list: readonly T[]): T[] =>
    list.map((one) => ({ ...one, id: named(names, one.id) }));
  return {
    ...design,
    [key]: rename(design[key] as { id: string }[]),
    choices: changedOptions(design.choices, (changes) =>
      changes[key] ? { ...changes, [key]: rename(changes[key]) } : changes,
    ),
  };
}

const changedOptions = (choices: readonly Choice[], change: (changes: Changes) => Changes): Choice[] =>
  choices.map((choice) => ({
    ...choice,
    options: choice.options.map((option) => ({ ...option, changes: change(option.changes) })),
  }));

function renameChoices(design: Design, names: Names): Design {
  if (names.size === 0) return design;
  return {
    ...design,
    choices: design.choices.map((one) => ({ ...one, id: named(names, one.id) })),
    alternatives: design.alternatives.map((one): Alternative => ({
      ...one,
      picks: withKeys(names, one.picks),
    })),
  };
}
