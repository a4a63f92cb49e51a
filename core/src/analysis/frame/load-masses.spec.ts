import { EIy, modelOf } from '../../testing/models.js';
import { prepareEquations, prepareFrame, vibrationModes } from '../index.js';
import type { FrameModel, Load } from '../../model/types.js';

/** First frequency of a simply supported beam of 6 m whose masses come from loads too. */
function frequency(loads: Load[], massFrom?: Record<string, number>): number {
  const model: FrameModel = modelOf(
    'plane',
    { a: [0, 0], b: [6, 0] },
    [{ id: 'm', start: 'a', end: 'b' }],
    [
      { node: 'a', ux: 'fixed', uz: 'fixed' },
      { node: 'b', uz: 'fixed' },
    ],
    loads,
  );
  const frame = prepareFrame({ ...model, ...(massFrom ? { massFrom } : {}) });
  return vibrationModes(prepareEquations(frame), 1)[0]!.frequency;
}

const own = 0.01 * 8000;
/** f = π/2·√(EI/(μL⁴)) of a simply supported beam; its own mass turns with the section too (Rayleigh), ρI·(π/L)². */
const beam = (mu: number) =>
  (Math.PI / 2) * Math.sqrt(EIy / ((mu + 8000 * 2e-4 * (Math.PI / 6) ** 2) * 6 ** 4));

describe('masses that loads stand for', () => {
  const line: Load = { kind: 'distributed', member: 'm', direction: 'z', q: [-2e3, -2e3] };

  it('a line load adds q·ψ/g along the beam', () => {
    expect(frequency([line])).toBeCloseTo(beam(own), 3);
    expect(frequency([line], { L: 0.3 })).toBeCloseTo(beam(own + (0.3 * 2000) / 9.80665), 3);
  });

  it('a force at a point inside a member is a mass there: in the middle, Dunkerley’s bound from below', () => {
    const found = frequency([{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -50e3] }], { L: 1 });
    const M = 50e3 / 9.80665;
    // f of the mass alone, with k = 48EI/L³
    const alone = Math.sqrt((48 * EIy) / 6 ** 3 / M) / (2 * Math.PI);
    const dunkerley = 1 / Math.sqrt(1 / alone ** 2 + 1 / beam(own) ** 2);
    expect(found).toBeGreaterThan(dunkerley);
    expect(found).toBeLessThan(1.01 * dunkerley);
  });

  it('loads that lift have no mass, and loads across have none', () => {
    const lift: Load = { ...line, q: [2e3, 2e3] };
    const across: Load = { ...line, direction: 'x' };
    expect(frequency([lift, across], { L: 1 })).toBeCloseTo(beam(own), 3);
  });
});
