import { unloadedCombinations } from '../model/unloaded.js';
import type { FrameModel } from '../model/types.js';
import type { Note } from '../geometry/geometry.js';
import type { Design } from '../document/types.js';

/** What there is to say of load cases that no combination takes, and of strength combinations without any load. */
export function loadNotes(
  { loadCases, combine }: Pick<Design, 'loadCases' | 'combine'>,
  model: FrameModel,
): Note[] {
  const combinations = model.combinations ?? [];
  if (combinations.length === 0) return [];
  const taken = new Set(
    combinations.flatMap(({ factors }) => Object.keys(factors).filter((id) => factors[id] !== 0)),
  );
  const idle = loadCases
    .filter(({ id }) => !taken.has(id))
    .map(({ id, title, category }): Note => {
      const asked = combine && (category === 'accidental' || category === 'seismic');
      const advice = asked
        ? `Let combinations be made for ${category} situations too, or list one that names it.`
        : 'List a combination that names it, or take the case away.';
      return {
        code: 'case-in-no-combination',
        message: `Load case "${id}" (${title}) is in no combination, so nothing is checked for it. ${advice}`,
        where: { loadCase: id },
      };
    });
  const empty = unloadedCombinations(model).map(({ id }): Note => ({
    code: 'no-load',
    message: `Combination "${id}" carries no load in this frame: what is checked under it says nothing.`,
    where: { combination: id },
  }));
  return [...idle, ...empty];
}
