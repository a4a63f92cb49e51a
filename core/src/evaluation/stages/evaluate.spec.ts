import { prepareEquations, prepareFrame } from '../../analysis/index.js';
import { ProblemError, unwrapped } from '../../base/problem.js';
import { setParameter } from '../../edits/index.js';
import type { Section } from '../../model/types.js';
import { built, slipShed } from '../../testing/designs.js';
import { evaluate, verdictOn } from './index.js';
import { vary } from './vary.js';

const shed = slipShed();
const { model } = built(shed);

describe('an evaluation', () => {
  it('goes as far as it is asked, and has the same numbers at each stage', () => {
    const forces = unwrapped(evaluate(model, { upTo: 'forces' }));
    expect(forces.checks).toBeUndefined();
    expect(verdictOn(forces)).toBeUndefined();
    const checks = unwrapped(evaluate(model, { upTo: 'checks' }));
    expect(checks.stability).toBeUndefined();
    const whole = unwrapped(evaluate(model));
    expect(whole.checks!.map(({ utilisation }) => utilisation)).toEqual(
      checks.checks!.map(({ utilisation }) => utilisation),
    );
    for (const [id, state] of forces.forces.states)
      expect(whole.forces.states.get(id)!.displacements).toEqual(state.displacements);
    expect(verdictOn(whole)!.alphaCr).toBeGreaterThan(1);
  });

  it('tells why a frame has none', () => {
    const loose = { ...model, supports: [] };
    const outcome = evaluate(loose, { upTo: 'forces' });
    expect(outcome.ok ? '' : outcome.problems[0]!.code).toBe('mechanism');
  });
});

describe('a model with other sections', () => {
  const columns = model.members.filter(({ section }) => section.startsWith('HEB 300'));
  const stronger: Section = { id: 'HEB 340 S355', profile: 'HEB 340', material: 'S355' };
  const varied = vary(model, new Map(columns.map(({ id }) => [id, stronger])));

  it('comes to what the design built anew with them comes to', () => {
    expect(columns.length).toBeGreaterThan(1);
    const anew = built(setParameter(shed, 'column_section', 'HEB 340')).model;
    const [one, other] = [varied, anew].map((each) => unwrapped(evaluate(each)));
    expect(one!.checks!.map(({ member, utilisation }) => [member, utilisation])).toEqual(
      other!.checks!.map(({ member, utilisation }) => [member, utilisation]),
    );
  });

  it('keeps the rest of the model, and the symbolic factorization', () => {
    expect(varied.nodes).toBe(model.nodes);
    expect(varied.loadCases).toBe(model.loadCases);
    const plans = [model, varied].map((each) => prepareEquations(prepareFrame(each)).plan);
    expect(plans[1]).toBe(plans[0]);
  });

  it('has none for members that are not there', () => {
    expect(() => vary(model, new Map([['nobody', stronger]]))).toThrowMatching(
      (error) => error instanceof ProblemError && error.message.includes('"nobody"'),
    );
  });
});
