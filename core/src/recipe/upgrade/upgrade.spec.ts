import { readFileSync } from 'node:fs';
import { built } from '../../testing/designs.js';
import { parseDesign } from '../parse.js';
import type { Design } from '../types.js';
import { currentVersion } from './index.js';

const text = readFileSync(new URL('./testing/slip-shed-1.json', import.meta.url), 'utf8');

function upgradedDesign(): Design {
  const outcome = parseDesign(text);
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return outcome.value;
}

describe('a design of version 1', () => {
  it('is read as one of the current version', () => {
    const design = upgradedDesign();
    expect(design.version).toBe(currentVersion);
    expect(design.loadCases.map(({ category }) => category)).toEqual(['permanent', 'snow', 'wind']);
    expect(design.figures.length).toBe(9);
    expect(design.rules.every((rule) => rule.members !== undefined || rule.nodes !== undefined)).toBeTrue();
  });

  it('keeps all its alternatives, values and picks', () => {
    const old = JSON.parse(text) as { alternatives: object[]; parameters: object[] };
    const design = upgradedDesign();
    expect(design.alternatives).toEqual(jasmine.arrayWithExactContents(old.alternatives));
    expect(design.parameters).toEqual(jasmine.arrayWithExactContents(old.parameters));
  });

  it('builds the frame that it built', () => {
    const [fixed, pinned, hinged] = [0, 1, 2].map((i) => built(upgradedDesign(), i).model);
    expect(fixed!.members.length).toBe(4);
    expect(fixed!.supports![0]!.ry).toBe('fixed');
    expect(pinned!.supports![0]!.ry).toBeUndefined();
    expect(hinged!.members.filter(({ hinges }) => hinges).length).toBe(1);
    // Snow of 0.8 kN/m² on frames at 5.5 m, on plan
    expect(JSON.stringify(fixed!.loadCases)).toContain('[-4400,-4400]');
  });

  it('that is not of its own shape is refused in words', () => {
    const outcome = parseDesign(JSON.stringify({ ...(JSON.parse(text) as object), rules: 7 }));
    expect(!outcome.ok && outcome.problems[0]!.code).toBe('invalid-design');
  });
});
