import { flatPortal } from '../../testing/checked-designs.js';
import { built } from '../../testing/designs.js';
import { evaluateAlternative } from '../../evaluation/alternative.js';
import { benchOf, benchState } from '../../evaluation/bench/index.js';
import { memberSheet } from '../../evaluation/member-sheet/index.js';
import { giveBack } from './give-back.js';

const nothing = { title: 'beam', of: ['p.beam.1'], loads: [], supports: [], hinges: [] };

describe('giving a bench back', () => {
  it('writes loads and a section as rules, after which the frame has what the bench showed', () => {
    const design = flatPortal();
    const alternative = design.alternatives[0]!;
    const loads = [{ case: 'Q', x: 1.5, F: [0, 0, -20e3] as [number, number, number] }];
    const given = giveBack(design, alternative, { ...nothing, profile: 'IPE 400', loads })!;
    // The rule of the beam gives the section already and is changed; the load is a rule of its own
    expect(given.rules.length).toBe(design.rules.length + 1);
    const bench = benchState(
      benchOf(evaluateAlternative(design, alternative), 'beam'),
      { profile: 'IPE 400', loads },
      9,
    );
    const sheet = memberSheet(evaluateAlternative(given, given.alternatives[0]!), {
      member: 'beam',
      stations: 9,
    });
    sheet.curves[0]!.My!.forEach((value, i) =>
      expect(bench.curves[0]!.My![i]! / 1e3).toBeCloseTo(value / 1e3, 6),
    );
  });

  it('writes supports and hinges in the span as a step that divides, and a rule there', () => {
    const design = flatPortal();
    const given = giveBack(design, design.alternatives[0]!, { ...nothing, supports: [4], hinges: [2] })!;
    const { model } = built(given);
    expect(given.steps.filter(({ edit }) => edit === 'divide').length).toBe(2);
    const prop = model.supports!.find(({ node }) => !node.includes('base'))!;
    expect(model.nodes.find(({ id }) => id === prop.node)).toEqual(jasmine.objectContaining({ x: 4, z: 4 }));
    const hinged = model.members.filter(({ hinges }) => hinges?.end?.My === 'free');
    expect(hinged.length).toBe(1);
    expect(model.nodes.find(({ id }) => id === hinged[0]!.end)).toEqual(
      jasmine.objectContaining({ x: 2, z: 4 }),
    );
  });
});
