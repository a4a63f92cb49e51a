import { slipShed } from '../../testing/designs.js';
import { takeTypedParameter } from './typed-parameter.js';
import { metric } from '../../units/units.js';

/** The span of the shed, 8 m to 40 m, with something typed. */
function typed(text: string, own?: string) {
  const design = slipShed();
  const outcome = takeTypedParameter(design, design.alternatives[0]!, 'span', text, {
    ...(own === undefined ? {} : { own }),
    units: metric,
  });
  if ('refused' in outcome) return outcome.refused;
  const span = outcome.design.parameters.find(({ name }) => name === 'span')!;
  return { ...span, words: outcome.words, own: outcome.design.alternatives[0]!.parameters };
}
const taken = (text: string) => typed(text) as Exclude<ReturnType<typeof typed>, string>;

describe('a value that is typed for a parameter', () => {
  it('is taken as it is written; a bare number has the unit that is shown, a decimal comma is one', () => {
    expect(taken('24 m').value).toBe('24 m');
    expect(taken('24,5 m').value).toBe('24.5 m');
    expect(taken('24,5').value).toBe('24.5 m');
    expect(taken('max(20 m, 3 * eaves)').value).toBe('max(20 m, 3 * eaves)');
    expect(taken('24 m').words).toBeUndefined();
  });

  it('widens the range where it lies beyond it', () => {
    const wide = taken('45 m');
    expect(wide).toEqual(jasmine.objectContaining({ value: '45 m', max: '45 m', min: '8 m' }));
    expect(wide.words!.replace(/\u00a0/g, ' ')).toBe('The range was widened: up to 45.0 m.');
    expect(taken('6 m')).toEqual(jasmine.objectContaining({ value: '6 m', min: '6 m' }));
  });

  it('is refused in a sentence where it cannot be', () => {
    expect(typed('-5 m')).toContain('it may be from 8.00');
    expect(typed('0 m')).toContain('it may be from 8.00');
    expect(typed('24 kN')).toContain('needs a value in m');
    expect(typed('2 * reach')).toContain('"reach"');
    expect(typed('22 m +')).toMatch(/parameter "span"/i);
    expect(typed('spacing * 4 + span')).toContain('circle');
  });

  it('does not widen a limit that follows other parameters', () => {
    const design = slipShed();
    const span = design.parameters.find(({ name }) => name === 'span')!;
    Object.assign(span, { max: '4 * eaves' });
    const outcome = takeTypedParameter(design, design.alternatives[0]!, 'span', '30 m', { units: metric });
    expect('refused' in outcome && outcome.refused).toContain('it may be from');
  });

  it('is one alternative’s own where that is asked for', () => {
    expect(typed('24 m', 'fixed')).toEqual(
      jasmine.objectContaining({ value: '22 m', own: { span: '24 m' } }),
    );
  });
});
