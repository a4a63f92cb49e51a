import { applyAlternative } from '../../document/alternatives.js';
import { validateDesign } from '../../document/read.js';
import type { Design, Rule } from '../../document/types.js';
import { slipShed } from '../../testing/designs.js';
import {
  addAllCombinations,
  addChoice,
  addRule,
  changeShown,
  changeShownAlone,
  moveRule,
  optionsThatChange,
  removeRule,
  removeStep,
  setParameter,
  setRule,
  setStep,
  shownDesign,
} from '../index.js';

const shed = slipShed();
const alternativeOf = (design: Design, id: string) => design.alternatives.find((one) => one.id === id)!;
const seenIn = (design: Design, id: string) => applyAlternative(design, alternativeOf(design, id));
const ruleIn = (design: Design, alternative: string, rule: string): Rule | undefined =>
  seenIn(design, alternative).rules.find(({ id }) => id === rule);
const changed = (id: string, change: (design: Design) => Design, design = shed) =>
  changeShown(design, alternativeOf(design, id), change(shownDesign(design, alternativeOf(design, id))));
const alone = (id: string, change: (design: Design) => Design, design = shed) =>
  changeShownAlone(design, alternativeOf(design, id), change(shownDesign(design, alternativeOf(design, id))));
const isValid = (design: Design) => validateDesign(JSON.parse(JSON.stringify(design))).ok;

describe('what an alternative shows', () => {
  it('is what its options make of steps and rules, and names the options that do', () => {
    const haunched = shownDesign(shed, alternativeOf(shed, 'haunched'));
    expect(haunched.steps.map(({ id }) => id)).toEqual(['shed', 'haunch']);
    expect(haunched.rules.find(({ id }) => id === 'bases')!.support).toBe('pinned');
    expect(optionsThatChange(shed, alternativeOf(shed, 'haunched'), 'steps', 'haunch')).toEqual(['haunched']);
    expect(optionsThatChange(shed, alternativeOf(shed, 'haunched'), 'rules', 'bases')).toEqual(['pinned']);
    expect(optionsThatChange(shed, alternativeOf(shed, 'fixed'), 'rules', 'bases')).toEqual([]);
  });

  it('is changed in the option that holds the field, and in the design where none does', () => {
    const roller = changed('pinned', (design) => setRule(design, 'bases', { support: 'roller' }));
    expect(ruleIn(roller, 'pinned', 'bases')!.support).toBe('roller');
    expect(ruleIn(roller, 'three-hinges', 'bases')!.support).toBe('roller');
    expect(ruleIn(roller, 'fixed', 'bases')!.support).toBe('fixed');
    const titled = changed('pinned', (design) => setRule(design, 'bases', { title: 'Feet' }));
    expect(titled.rules.find(({ id }) => id === 'bases')!.title).toBe('Feet');
    expect(ruleIn(titled, 'pinned', 'bases')!.support).toBe('pinned');
    expect(titled.choices).toEqual(shed.choices);
  });

  it('of a step that an option adds, is changed in that option', () => {
    const deeper = changed('haunched', (design) =>
      setStep(design, 'haunch', { depth: '600 mm', at: undefined }),
    );
    expect(deeper.steps).toEqual(shed.steps);
    expect(seenIn(deeper, 'haunched').steps[1]).toEqual(jasmine.objectContaining({ depth: '600 mm' }));
    expect(isValid(deeper)).toBeTrue();
  });

  it('loses what is removed for all, with what options change of it, and keeps the order that it is given', () => {
    const without = changed('haunched', (design) => removeStep(design, 'haunch'));
    expect(seenIn(without, 'haunched').steps.map(({ id }) => id)).toEqual(['shed']);
    const loose = changed('pinned', (design) => removeRule(design, 'bases'));
    for (const { id } of shed.alternatives) expect(ruleIn(loose, id, 'bases')).toBeUndefined();
    const moved = changed('pinned', (design) => moveRule(design, 'bases', 0));
    expect(moved.rules[0]!.id).toBe('bases');
    expect(moved.rules[0]!.support).toBe('fixed');
  });

  it('gives a value to the option that holds the parameter', () => {
    const option = { id: 'wide', title: 'wide', changes: { parameters: { span: '26 m' } } };
    const wide = addChoice(shed, { id: 'size', title: 'Size', options: [option] });
    const wider = changed('fixed', (design) => setParameter(design, 'span', '27 m'), wide);
    expect(wider.parameters).toEqual(shed.parameters);
    expect(wider.choices.at(-1)!.options[0]!.changes.parameters).toEqual({ span: '27 m' });
    const taller = changed('fixed', (design) => setParameter(design, 'eaves', '7 m'), wide);
    expect(taller.parameters.find(({ name }) => name === 'eaves')!.value).toBe('7 m');
  });

  it('of one alternative alone goes into an option that no other picks, and wins over all others', () => {
    const hinge: Rule = {
      id: 'ends',
      title: 'Ends',
      members: 'role == "rafter"',
      hinge: ['My'],
      at: 'start',
    };
    const once = alone('pinned', (design) => addRule(design, hinge));
    const twice = alone('pinned', (design) => setRule(design, 'bases', { support: 'roller' }), once);
    expect(ruleIn(twice, 'pinned', 'ends')).toBeDefined();
    expect(ruleIn(twice, 'pinned', 'bases')!.support).toBe('roller');
    expect(ruleIn(twice, 'three-hinges', 'ends')).toBeUndefined();
    expect(ruleIn(twice, 'three-hinges', 'bases')!.support).toBe('pinned');
    const other = alone('fixed', (design) => removeRule(design, 'snow'), twice);
    expect(ruleIn(other, 'fixed', 'snow')!.off).toBeTrue();
    expect(ruleIn(other, 'pinned', 'snow')!.off).toBeUndefined();
    expect(other.choices.at(-1)!.options.map(({ title }) => title)).toEqual([
      'as the design',
      'Pinned bases',
      'Fixed bases',
    ]);
    expect(other.rules).toEqual(shed.rules);
    expect(isValid(other)).toBeTrue();
    // What one has alone is combined with nothing
    const combined = (design: Design) => addAllCombinations(design).alternatives.length;
    expect(combined(other)).toBe(combined(shed));
  });

  it('leaves a choice that people called Alone as it is', () => {
    const options = [{ id: 'as-it-is', title: 'as it is', changes: {} }];
    const named = addChoice(shed, { id: 'alone', title: 'Alone', options });
    const changed = alone('pinned', (design) => setRule(design, 'bases', { support: 'roller' }), named);
    expect(changed.choices.find(({ id }) => id === 'alone')!.options).toEqual(options);
    expect(ruleIn(changed, 'pinned', 'bases')!.support).toBe('roller');
    expect(ruleIn(changed, 'three-hinges', 'bases')!.support).toBe('pinned');
  });
});
