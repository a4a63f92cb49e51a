import { slipShed } from '../testing/designs.js';
import { parseDesign, validateDesign } from './read.js';

const messageOf = (value: unknown) => {
  const outcome = typeof value === 'string' ? parseDesign(value) : validateDesign(value);
  return outcome.ok ? 'taken' : outcome.problems.map((p) => `${p.code}: ${p.message}`).join('\n');
};

describe('a design file', () => {
  it('is taken as it is written', () => {
    const text = JSON.stringify(slipShed());
    const outcome = parseDesign(text);
    expect(outcome.ok && JSON.stringify(outcome.value)).toBe(text);
  });

  it('is kept although an expression in it is wrong, so that it can be fixed', () => {
    const design = slipShed();
    design.parameters[0]!.value = 'spann +';
    expect(messageOf(design)).toBe('taken');
  });

  it('is refused in words when it is something else', () => {
    expect(messageOf('no json')).toContain('invalid-design: The file is not JSON');
    expect(messageOf([])).toContain('a JSON object is expected');
    expect(messageOf({ format: 'hashira-frame' })).toContain('its format is "hashira-frame"');
    expect(messageOf({})).toContain('its format is missing');
    expect(messageOf({ ...slipShed(), version: 3 })).toContain('newer-version');
    expect(messageOf({ ...slipShed(), colour: 'red' })).toContain('"colour" is not known');
    expect(messageOf({ ...slipShed(), reference: 'x' })).toContain('reference "x"');
    const decided = { ...slipShed(), decision: { alternative: 'x' } };
    expect(messageOf(decided)).toContain('decided for "x", which is no alternative');
    expect(messageOf({ ...decided, decision: { alternative: 'pinned', note: 'why' } })).toBe('taken');
  });

  it('is refused when an id is used twice or a load case does not exist', () => {
    const twice = slipShed();
    twice.alternatives.push({ ...twice.alternatives[0]! });
    expect(messageOf(twice)).toContain('Two alternatives have the id "fixed"');
    const lost = slipShed();
    lost.combinations[0]!.factors['Q'] = 1;
    expect(messageOf(lost)).toContain('unknown load case "Q"');
  });
});
