import { slipShed } from '../testing/designs.js';
import { addMadeStep, removeStep } from './changes/index.js';
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
    const design = addMadeStep(slipShed(), {
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
    const design = addMadeStep(slipShed(), {
      id: 'mast',
      make: 'line',
      points: [
        ['3 m', '0 m'],
        ['3 m', '3 m'],
      ],
    });
    expect(design.rules[0]).toEqual({
      id: 'mast-members',
      title: 'Members of mast',
      members: 'step == "mast"',
      section: 'IPE 200',
      material: { parameter: 'steel' },
    });
  });

  it('adds nothing where rules reach them', () => {
    const before = slipShed();
    const design = addMadeStep(before, {
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
});
