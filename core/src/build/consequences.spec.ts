import { slipShed } from '../testing/designs.js';
import { addStepWithSection, removeStep, sectionForAll } from '../edits/index.js';
import { buildFrame } from './build.js';
import { consequencesOf } from './consequences.js';

describe('the consequences of a change', () => {
  it('are what fails and did not before', () => {
    const design = slipShed();
    const lost = consequencesOf(design, removeStep(design, 'shed'), design.alternatives[0]!);
    expect(lost.length).toBeGreaterThan(0);
    for (const sentence of lost) expect(sentence).toMatch(/[.:]/);
  });

  it('are none where nothing changes', () => {
    const design = slipShed();
    expect(consequencesOf(design, design, design.alternatives[0]!)).toEqual([]);
  });

  it('are rules that matched something and match nothing any more', () => {
    const design = addStepWithSection(slipShed(), {
      id: 'extra',
      make: 'line',
      points: [
        ['0 m', '0 m'],
        ['0.4 m', '3 m'],
      ],
    });
    expect(consequencesOf(design, removeStep(design, 'extra'), design.alternatives[0]!)).toEqual([
      'Rule "Members of extra" will match nothing: step == "extra".',
    ]);
  });
});

describe('adding a step with members that no rule knows', () => {
  it('gives them a section before all other rules, in the material that the design uses', () => {
    const design = addStepWithSection(slipShed(), {
      id: 'mast',
      make: 'line',
      points: [
        ['3 m', '0 m'],
        ['3 m', '3 m'],
      ],
    });
    expect(design.rules[0]).toEqual({
      id: 'members-of-mast',
      title: 'Members of mast',
      members: 'step == "mast"',
      section: 'IPE 200',
      material: { parameter: 'steel' },
    });
  });

  it('adds nothing where rules reach them', () => {
    const before = slipShed();
    const design = addStepWithSection(before, {
      id: 'mast',
      make: 'line',
      points: [
        ['3 m', '0 m'],
        ['3 m', '3 m'],
      ],
      role: 'column',
    });
    expect(design.rules).toEqual(before.rules);
  });

  it('one rule gives a section to all that have none, and says who was without, in words', () => {
    const design = {
      ...slipShed(),
      rules: slipShed().rules.filter(({ section }) => section === undefined),
    };
    const bare = buildFrame(design, design.alternatives[0]!);
    expect(bare.ok ? '' : bare.problems[0]!.message).toBe(
      'No rule gives the left column and 3 more a section; add one that matches.',
    );
    const fixed = sectionForAll(design);
    expect(buildFrame(fixed, fixed.alternatives[0]!).ok).toBeTrue();
  });
});
