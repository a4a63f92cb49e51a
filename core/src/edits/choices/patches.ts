import type { Design } from '../../document/types.js';

/** The design without what its options change in parts that are no longer there; left alone, such a change would add a part of a part. */
export function withoutPatches(design: Design, list: 'steps' | 'rules', gone: readonly string[]): Design {
  if (gone.length === 0) return design;
  const lost = new Set(gone);
  return {
    ...design,
    choices: design.choices.map((choice) => ({
      ...choice,
      options: choice.options.map((option) => {
        const patches = option.changes[list];
        if (!patches?.some(({ id }) => lost.has(id))) return option;
        const { [list]: _, ...changes } = option.changes;
        const kept = patches.filter(({ id }) => !lost.has(id));
        return { ...option, changes: kept.length > 0 ? { ...changes, [list]: kept } : changes };
      }),
    })),
  };
}
