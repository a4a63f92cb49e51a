import { slipShed } from '../testing/designs.js';
import { addLoadCase } from '../edits/index.js';
import { validateDesign } from '../document/read.js';
import { loadCategories } from '../model/schema.js';
import { applyingFields } from '../fields/applying.js';
import { initialLoadCase, loadCaseFields } from './load-case.js';

describe('a load case', () => {
  it('of each category is valid as it begins, and called by a letter that is free', () => {
    let design = slipShed();
    for (const category of [...loadCategories, ...loadCategories])
      design = addLoadCase(design, initialLoadCase(category, design.loadCases));
    const outcome = validateDesign(structuredClone(design));
    expect(outcome.ok ? '' : outcome.problems[0]!.message).toBe('');
    const ids = design.loadCases.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain('Q');
    expect(ids).toContain('Q2');
  });

  it('has a use where it is imposed, and an altitude where it is snow (EN 1990 Table A1.1)', () => {
    const paths = (category: (typeof loadCategories)[number]) =>
      applyingFields(loadCaseFields, { category }).map(({ name }) => name);
    expect(paths('imposed')).toEqual(['title', 'category', 'use', 'selfWeight', 'excludes']);
    expect(paths('snow')).toEqual(['title', 'category', 'altitude', 'selfWeight', 'excludes']);
    expect(paths('wind')).toEqual(['title', 'category', 'selfWeight', 'excludes']);
  });
});
