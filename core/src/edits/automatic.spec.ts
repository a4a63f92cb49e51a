import type { Design, Rule, Step } from '../document/types.js';
import { startingPoints } from '../starts/index.js';
import { slipShed } from '../testing/designs.js';
import { addStepWithSection, giveByRule, setRule, setRuleField } from './index.js';

const titleOf = (design: Design, id: string) => design.rules.find((rule) => rule.id === id)!.title;

describe('a title that tells what a rule gives', () => {
  const nodes = 'place == "base" and side == "left"';
  const given = giveByRule(slipShed(), { nodes }, { support: 'pinned' }, 'left base');

  it('follows what it gives', () => {
    expect(titleOf(given.design, given.id)).toBe('left base: pinned');
    expect(titleOf(setRule(given.design, given.id, { support: 'roller' }), given.id)).toBe(
      'left base: roller',
    );
    expect(titleOf(setRuleField(given.design, given.id, 'support', 'fixed'), given.id)).toBe(
      'left base: fixed',
    );
  });

  it('stays as it was named', () => {
    const named = setRule(given.design, given.id, { title: 'Feet' });
    expect(titleOf(setRule(named, given.id, { support: 'roller' }), given.id)).toBe('Feet');
    const both = setRule(given.design, given.id, { title: 'Foot', support: 'roller' });
    expect(titleOf(both, given.id)).toBe('Foot');
  });
});

describe('the first section of new braces', () => {
  const brace: Step = { id: 'cross', edit: 'brace', pattern: 'x', panels: 'true' };
  const sectionOf = (design: Design): Rule['section'] =>
    addStepWithSection(design, brace).rules.find(({ members }) => members === 'step == "cross"')?.section;
  const start = startingPoints.find(({ kind }) => kind === 'storey-frame')!.design();
  const bare: Design = {
    ...start,
    parameters: start.parameters.filter(({ name, title }) => !/brac/i.test(`${name} ${title}`)),
    choices: [],
    alternatives: start.alternatives.slice(0, 1).map((one) => ({ ...one, picks: {} })),
    rules: start.rules.filter((rule) => !JSON.stringify(rule).includes('brac')),
  };
  const braced = (parameters: Design['parameters']): Design => ({
    ...bare,
    parameters: [...bare.parameters, ...parameters],
  });

  it('is that of a parameter named after them, else a tube', () => {
    expect(sectionOf(bare)).toBe('CHS 88.9x5');
    const named = { name: 'bracing', title: 'Bracing', kind: 'section' as const, value: 'CHS 114.3x5' };
    expect(sectionOf(braced([named]))).toEqual({ parameter: 'bracing' });
  });
});
