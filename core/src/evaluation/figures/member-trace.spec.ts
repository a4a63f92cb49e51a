import { evaluateAlternative, questions } from '../index.js';
import { slipShed } from '../../testing/designs.js';

const trace = (order: 1 | 2) => {
  const shed = slipShed();
  const design = { ...shed, analysis: { ...shed.analysis, order } };
  const run = evaluateAlternative(design, design.alternatives[0]!, 'checks');
  return questions.memberSteps(run, { member: 'shed.column.1' }, '');
};

describe('the way to a member’s utilisation', () => {
  it('begins with the condition that governs, then its forces, then every condition from the worst on', () => {
    const { steps, of } = trace(2);
    expect(of).toEqual(['shed.column.1']);
    expect(steps.flatMap(({ heading }) => heading ?? [])).toEqual([
      jasmine.stringMatching(/^Bending about y, under U1, towards/),
      'Its forces from the analysis',
      'Every condition, the worst first',
    ]);
    const utilisation = steps.find(({ symbol }) => symbol === 'utilisation')!;
    expect(utilisation.from).toBe('My,Ed / Mc,y,Rd ≤ 1');
    // By a pocket calculator from the two lines that the formula names
    const valueOf = (symbol: string) => steps.find((one) => one.symbol === symbol)!.value;
    expect(utilisation.value).toBeCloseTo(valueOf('My,Ed') / valueOf('Mc,y,Rd'), 12);
    const last = steps.slice(steps.findIndex(({ heading }) => heading?.startsWith('Every')));
    const values = last.map(({ value }) => value);
    expect(values).toEqual([...values].sort((a, b) => b - a));
  });

  it('has the moment of first order as the sum of its load cases', () => {
    const { steps } = trace(1);
    const from = steps.findIndex(({ heading }) => heading === 'Its forces from the analysis');
    const to = steps.findIndex(({ heading }) => heading?.startsWith('Every'));
    const forces = steps.slice(from, to);
    const whole = forces.at(-1)!;
    expect(Math.abs(whole.value)).toBeCloseTo(steps.find(({ symbol }) => symbol === 'My,Ed')!.value, 3);
    // "1.35·G + 1.5·S + 0.9·W" by the lines before
    const sum = whole.from
      .split(' + ')
      .map((part) => part.split('·'))
      .reduce(
        (total, [factor, id]) =>
          total + Number(factor) * forces.find(({ symbol }) => symbol === `My(${id!})`)!.value,
        0,
      );
    expect(sum).toBeCloseTo(whole.value, 3);
  });

  it('of an unknown member is empty', () => {
    const shed = slipShed();
    const run = evaluateAlternative(shed, shed.alternatives[0]!, 'checks');
    expect(questions.memberSteps(run, { member: 'nobody' }, '')).toEqual({ steps: [], of: [] });
  });
});
