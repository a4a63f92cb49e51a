import { slipShed } from '../testing/designs.js';
import { validateDesign } from '../document/read.js';
import type { Design } from '../document/types.js';
import { buildFrame } from '../build/build.js';
import { startingPoints } from '../starts/index.js';
import * as changes from './index.js';
import { metric } from '../units/units.js';

/** Freezes all of a design, so that a change that writes into it throws. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) {
    Object.values(value).forEach(frozen);
    Object.freeze(value);
  }
  return value;
}

/** One use of every function that changes a design. */
const withLine = (design: Design): Design =>
  changes.addStepWithSection(design, {
    id: 'mast',
    make: 'line',
    points: [
      ['3 m', '0 m'],
      ['3 m', '3 m'],
      ['4 m', '4 m'],
    ],
  });

const uses: Readonly<Record<string, (design: Design) => Design>> = {
  duplicateAlternative: (d) => changes.duplicateAlternative(d, 'pinned').design,
  insertAlternative: (d) => changes.insertAlternative(d, { id: 'x', title: 'X', picks: {} }, 1),
  pickOption: (d) => changes.pickOption(d, 'pinned', 'apex-joint', 'hinged'),
  removeAlternative: (d) => changes.removeAlternative(d, 'pinned'),
  renameAlternative: (d) => changes.renameAlternative(d, 'pinned', 'Other'),
  setReference: (d) => changes.setReference(d, 'pinned'),
  decideFor: (d) => changes.decideFor(d, 'pinned', 'It needs no foundation that turns.'),
  addAllCombinations: (d) => changes.addAllCombinations(d),
  addChoice: (d) =>
    changes.addChoice(d, { id: 'k', title: 'K', options: [{ id: 'o', title: 'O', changes: {} }] }),
  addOption: (d) => changes.addOption(d, 'apex-joint', { id: 'o', title: 'O', changes: {} }),
  recordIntoOption: (d) =>
    changes.recordIntoOption(d, changes.setParameter(d, 'span', '24 m'), {
      choice: 'apex-joint',
      option: 'hinged',
    }),
  removeChoice: (d) => changes.removeChoice(d, 'apex-joint'),
  removeOption: (d) => changes.removeOption(d, 'base-fixity', 'springs'),
  renameChoice: (d) => changes.renameChoice(d, 'apex-joint', 'Crown'),
  renameOption: (d) => changes.renameOption(d, 'apex-joint', 'hinged', 'pinned'),
  setOptionChanges: (d) => changes.setOptionChanges(d, 'apex-joint', 'hinged', {}),
  shownDesign: (d) => changes.shownDesign(d, d.alternatives[1]!),
  changeShown: (d) => {
    const [, pinned] = d.alternatives;
    const shown = changes.shownDesign(d, pinned!);
    return changes.changeShown(d, pinned!, changes.setRule(shown, 'bases', { support: 'roller' }));
  },
  changeShownAlone: (d) => {
    const [, pinned] = d.alternatives;
    const shown = changes.shownDesign(d, pinned!);
    return changes.changeShownAlone(d, pinned!, changes.setRule(shown, 'bases', { support: 'roller' }));
  },
  withOption: (d) => changes.withOption(d, 'apex-joint', 'hinged'),
  addFigure: (d) => changes.addFigure(d, { id: 'f', title: 'F', kind: 'cost' }),
  moveFigure: (d) => changes.moveFigure(d, 'mass', 0),
  removeFigure: (d) => changes.removeFigure(d, 'mass'),
  setFigure: (d) => changes.setFigure(d, 'mass', { limit: '4000 kg' }),
  setFigureField: (d) => changes.setFigureField(d, 'mass', 'rates/IPE', 2),
  addCombination: (d) => changes.addCombination(d, { id: 'U10', state: 'strength', factors: { G: 1 } }),
  addLoadCase: (d) => changes.addLoadCase(d, { id: 'K', title: 'Crane', category: 'crane' }),
  listCombinations: (d) =>
    changes.listCombinations(changes.setCombine(d, { by: 'EN1990-6.10', states: ['strength'] })),
  removeCombination: (d) => changes.removeCombination(d, 'U1'),
  removeLoadCase: (d) => changes.removeLoadCase(d, 'S'),
  setCombination: (d) => changes.setCombination(d, 'U1', { title: 'Heavy snow' }),
  setCombine: (d) => changes.setCombine(d, { by: 'EN1990-6.10', states: ['strength'] }),
  setFactor: (d) => changes.setFactor(d, 'U1', 'W', 0.3),
  setLoadCase: (d) => changes.setLoadCase(d, 'S', { altitude: 'high' }),
  addParameter: (d) =>
    changes.addParameter(d, { name: 'n', title: 'N', kind: 'quantity', quantity: 'number', value: '3' }),
  dropOwnParameter: (d) =>
    changes.dropOwnParameter(changes.setOwnParameter(d, 'pinned', 'span', '9 m'), 'pinned', 'span'),
  removeParameter: (d) => changes.removeParameter(d, 'haunch_depth'),
  renameParameter: (d) => changes.renameParameter(d, 'span', 'width'),
  setOwnParameter: (d) => changes.setOwnParameter(d, 'pinned', 'span', '9 m'),
  setParameter: (d) => changes.setParameter(d, 'span', '9 m'),
  setParameterFields: (d) => changes.setParameterFields(d, 'span', { max: '60 m', step: undefined }),
  setValue: (d) => changes.setValue(d, 'span', '9 m', 'pinned'),
  applyFix: (d) => changes.applyFix(d, { title: 'Remove the rule', removeRule: 'snow' }),
  drawMember: (d) => changes.drawMember(d, 'shed.base.1', 'shed.apex.1').design,
  giveByRule: (d) => changes.giveByRule(d, { members: 'role == "rafter"' }, { section: 'IPE 400' }).design,
  giveBack: (d) =>
    changes.giveBack(d, d.alternatives[0]!, {
      title: 'left rafter',
      of: ['shed.rafter.1.left'],
      loads: [{ case: 'S', x: 2, F: [0, 0, -5e3] }],
      supports: [4],
      hinges: [],
    })!,
  setGroupSection: (d) => changes.setGroupSection(d, { id: 'column_section', kind: 'parameter' }, 'HEB 260'),
  setRuleField: (d) => changes.setRuleField(d, 'snow', 'load/q', '-2 kN/m'),
  addPoint: (d) => changes.addPoint(withLine(d), { step: 'mast', list: 'points', index: 0 }),
  movePoint: (d) =>
    changes.movePoint(
      withLine(d),
      {
        step: 'mast',
        list: 'points',
        index: 1,
        axes: [0, 2],
        least: 2,
        at: [0, 0, 0],
        free: [0, 2],
        turn: 0,
      },
      [1, 0, 0],
    ),
  removePoint: (d) => changes.removePoint(withLine(d), { step: 'mast', list: 'points', index: 1, least: 2 }),
  addRule: (d) => changes.addRule(d, { id: 'r', members: 'true', roll: '0 deg' }),
  moveRule: (d) => changes.moveRule(d, 'rafters', 0),
  removeRule: (d) => changes.removeRule(d, 'snow'),
  setRule: (d) => changes.setRule(d, 'rafters', { title: 'Roof' }),
  addSection: (d) => changes.addSection(d, { id: 'own', material: 'S355', profile: 'IPE 400' }),
  addSections: (d) => changes.addSections(d, [{ name: 'made', shape: { type: 'round', d: 0.04 } }]),
  setAnalysis: (d) => changes.setAnalysis(d, { order: 1, imperfections: false }),
  setSetting: (d) => changes.setSetting(d, 'code/gammaM1', 1.1),
  addAxis: (d) => changes.addAxis(d, { along: 'x', at: ['0 m', '5 m'], names: 'A' }),
  removeAxis: (d) =>
    changes.removeAxis(changes.addAxis(d, { along: 'x', at: ['0 m'], names: 'A' }), d.axes.length),
  setAxis: (d) =>
    changes.setAxis(changes.addAxis(d, { along: 'x', at: ['0 m'], names: 'A' }), d.axes.length, {
      names: '1',
    }),
  takeTypedParameter: (d) => {
    const typed = changes.takeTypedParameter(d, d.alternatives[0]!, 'span', '24,5 m', { units: metric });
    return 'design' in typed ? typed.design : d;
  },
  setTitle: (d) => changes.setTitle(d, 'Other'),
  sectionForAll: (d) => changes.sectionForAll(d),
  addStepWithSection: (d) =>
    changes.addStepWithSection(d, {
      id: 'ring',
      make: 'line',
      points: [
        ['0 m', '0 m'],
        ['1 m', '3 m'],
      ],
    }),
  addStep: (d) => changes.addStep(d, { id: 'x', edit: 'remove', members: 'role == "brace"' }),
  duplicateStep: (d) => changes.duplicateStep(d, 'shed').design,
  moveStep: (d) => changes.moveStep(d, 'shed', 3),
  removeStep: (d) => changes.removeStep(d, 'shed'),
  setStep: (d) => changes.setStep(d, 'shed', { roof: 'mono' }),
  setStepField: (d) => changes.setStepField(d, 'shed', 'bays/0', '9 m'),
  switchStep: (d) => changes.switchStep(d, 'shed', false),
};

describe('every change of a design', () => {
  it('is tried here', () => {
    const helpers = ['freeId', 'freeTitle', 'optionsThatChange', 'usesOf'];
    const all = Object.keys(changes).filter((name) => !helpers.includes(name));
    expect(Object.keys(uses).sort()).toEqual(all.sort());
  });

  for (const [name, use] of Object.entries(uses))
    it(`${name} gives a sound design and leaves the one before as it was, so that it can be taken back`, () => {
      const before = frozen(slipShed());
      const text = JSON.stringify(before);
      const after = use(before);
      const outcome = validateDesign(JSON.parse(JSON.stringify(after)));
      expect(outcome.ok ? '' : outcome.problems[0]!.message).toBe('');
      expect(JSON.stringify(before)).toBe(text);
      if (!['dropOwnParameter', 'removeAxis', 'moveStep'].includes(name))
        expect(JSON.stringify(after)).not.toBe(text);
    });
});

describe('renaming a parameter', () => {
  it('renames it in every expression, rule, figure and alternative, and in no text', () => {
    const renamed = changes.renameParameter(
      changes.setOwnParameter(slipShed(), 'pinned', 'span', '9 m'),
      'span',
      'width',
    );
    expect(renamed.parameters.find(({ name }) => name === 'haunch_length')!.value).toBe('width / 10');
    expect(renamed.alternatives[1]!.parameters).toEqual({ width: '9 m' });
    expect(changes.usesOf(slipShed(), 'span').map(({ kind }) => kind)).toContain('step');
  });
});

const valid = (design: ReturnType<typeof slipShed>): string => {
  const outcome = validateDesign(structuredClone(design));
  return outcome.ok ? '' : outcome.problems[0]!.message;
};

describe('removing what options change', () => {
  it('takes the change away with it, so that no part of a part is left', () => {
    for (const rule of slipShed().rules) {
      const removed = changes.removeRule(slipShed(), rule.id);
      expect(valid(removed)).withContext(rule.id).toBe('');
    }
    for (const step of slipShed().steps)
      expect(valid(changes.removeStep(slipShed(), step.id)))
        .withContext(step.id)
        .toBe('');
    for (const one of slipShed().loadCases)
      expect(valid(changes.removeLoadCase(slipShed(), one.id)))
        .withContext(one.id)
        .toBe('');
  });

  it('in every starting point, too, and each builds or says why not', () => {
    for (const start of startingPoints) {
      const design = start.design();
      const smaller = [
        ...design.rules.map(({ id }) => changes.removeRule(design, id)),
        ...design.steps.map(({ id }) => changes.removeStep(design, id)),
        ...design.loadCases.map(({ id }) => changes.removeLoadCase(design, id)),
      ];
      for (const one of smaller) {
        expect(valid(one)).withContext(start.title).toBe('');
        for (const alternative of one.alternatives) {
          const frame = buildFrame(one, alternative);
          for (const { message } of frame.ok ? [] : frame.problems) expect(message).toMatch(/[.;]/);
        }
      }
    }
  });
});

describe('recording into an option', () => {
  it('keeps the design as it was and puts what was changed into the option', () => {
    const before = slipShed();
    let after = changes.setParameter(before, 'span', '24 m');
    after = changes.setStep(after, 'shed', { roof: 'mono' });
    after = changes.addRule(after, { id: 'extra', members: 'true', roll: '0 deg' });
    const recorded = changes.recordIntoOption(before, after, { choice: 'apex-joint', option: 'hinged' });
    expect(recorded.parameters).toEqual(before.parameters);
    expect(recorded.steps).toEqual(before.steps);
    const option = recorded.choices
      .find(({ id }) => id === 'apex-joint')!
      .options.find(({ id }) => id === 'hinged')!;
    expect(option.changes.parameters).toEqual({ span: '24 m' });
    expect(option.changes.steps).toEqual([{ id: 'shed', roof: 'mono' }]);
    expect(option.changes.rules!.some(({ id }) => id === 'extra')).toBeTrue();
  });

  it('shows what the option holds, so that it can be changed again and taken back', () => {
    const design = slipShed();
    const into = { choice: 'apex-joint', option: 'hinged' };
    const recorded = (before: typeof design, change: (seen: typeof design) => typeof design) =>
      changes.recordIntoOption(before, change(changes.withOption(before, into.choice, into.option)), into);
    const rule = { id: 'ends', members: 'role == "rafter"', hinge: ['My'], at: 'start' };
    const added = recorded(design, (seen) => changes.addRule(seen, rule));
    expect(added.rules).toEqual(design.rules);
    const again = recorded(added, (seen) => changes.setRule(seen, 'ends', { at: 'both' }));
    const patchOf = (one: typeof design) =>
      one.choices
        .find(({ id }) => id === into.choice)!
        .options.find(({ id }) => id === into.option)!
        .changes.rules!.find(({ id }) => id === 'ends')!;
    expect(patchOf(again)['at']).toBe('both');
    // A rule that an option added is switched off in it; one of the design stays in the design
    const gone = recorded(again, (seen) => changes.removeRule(changes.removeRule(seen, 'ends'), 'snow'));
    expect(patchOf(gone).off).toBeTrue();
    expect(gone.rules).toEqual(design.rules);
    expect(valid(gone)).toBe('');
  });

  it('changes the design where an option cannot hold it, beside what it can', () => {
    const design = slipShed();
    const seen = changes.withOption(design, 'apex-joint', 'hinged');
    const after = changes.setParameter(
      changes.addLoadCase(seen, { id: 'K', title: 'Crane', category: 'crane' }),
      'span',
      '25 m',
    );
    const recorded = changes.recordIntoOption(design, after, { choice: 'apex-joint', option: 'hinged' });
    expect(recorded.loadCases.at(-1)!.id).toBe('K');
    expect(recorded.parameters).toEqual(design.parameters);
  });
});
