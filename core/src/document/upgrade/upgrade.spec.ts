import { readFileSync } from 'node:fs';
import { built } from '../../testing/designs.js';
import type { FrameModel } from '../../model/types.js';
import { buildFrame } from '../../build/build.js';
import { parseDesign } from '../read.js';
import type { Design } from '../types.js';
import { currentVersion } from './index.js';

/** A document of version 1. */
interface Old {
  readonly rules: readonly { readonly id: string; readonly where: string }[];
}

/** What the first alternative builds, or why it does not. */
function tried(design: Design): { model?: FrameModel; problems: string[] } {
  const outcome = buildFrame(design, design.alternatives[0]!);
  return outcome.ok
    ? { model: outcome.value.model, problems: [] }
    : { problems: outcome.problems.map(({ code }) => code) };
}

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

  describe('whose options replace rules', () => {
    const old = JSON.parse(text) as Old;
    /** Each rule of the document, with one of its parts or another rule's in its place: what an option may have put there. */
    const replacements = old.rules.flatMap((rule) => [
      { id: rule.id, where: rule.where, set: { lengths: { Lcz: '2 m' } } },
      { id: rule.id, where: 'role == "column"', set: { section: 'HEB 200' } },
      { id: rule.id, where: 'place == "eaves"', hinge: ['My'] },
      { id: rule.id, where: 'place == "base"', support: 'pinned' },
      { id: rule.id, where: 'role == "column"', load: { case: 'W', direction: 'x', q: '1 kN/m' } },
      { id: rule.id, where: 'place == "base"', support: 'roller', set: { material: 'S235' } },
    ]);
    const model = (document: object) => {
      const outcome = parseDesign(JSON.stringify(document));
      if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
      const { model: found, problems } = tried(outcome.value);
      return { ...found, title: '', problems };
    };

    it('builds what it built: the rule that the option gives, and nothing of the one that it replaced', () => {
      for (const replacement of replacements) {
        const choice = {
          id: 'c',
          title: 'C',
          options: [{ id: 'o', title: 'O', changes: { rules: [replacement] } }],
        };
        const alternatives = [{ id: 'fixed', title: 'A', picks: { c: 'o' } }];
        const byOption = { ...old, choices: [choice], alternatives };
        // The same written out: version 1 put the option's rule in the place of the document's
        const rules = old.rules.map((rule) => (rule.id === replacement.id ? replacement : rule));
        const written = { ...old, rules, choices: [], alternatives: [{ ...alternatives[0]!, picks: {} }] };
        expect(model(byOption)).withContext(JSON.stringify(replacement)).toEqual(model(written));
      }
      expect(replacements.length).toBeGreaterThan(60);
    });

    it('also where two choices replace the same rule: the later one counts', () => {
      const [first, second] = [replacements[3]!, replacements[1]!].map((one) => ({ ...one, id: 'bases' }));
      const choiceOf = (id: string, rule: object) => ({
        id,
        title: id,
        options: [
          { id: 'none', title: 'none', changes: {} },
          { id: 'some', title: 'some', changes: { rules: [rule] } },
        ],
      });
      const choices = [choiceOf('one', { ...first, set: { roll: '10 deg' } }), choiceOf('two', second!)];
      const by = (picks: Record<string, string>) =>
        model({ ...old, choices, alternatives: [{ id: 'fixed', title: 'A', picks }] });
      expect(by({ one: 'some', two: 'some' })).toEqual(by({ one: 'none', two: 'some' }));
      expect(by({ one: 'some', two: 'none' })).not.toEqual(by({ one: 'none', two: 'none' }));
    });
  });

  it('that is not of its own shape is refused in words', () => {
    const outcome = parseDesign(JSON.stringify({ ...(JSON.parse(text) as object), rules: 7 }));
    expect(!outcome.ok && outcome.problems[0]!.code).toBe('invalid-design');
  });
});
