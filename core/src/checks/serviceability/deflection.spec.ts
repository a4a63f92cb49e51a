import type { Load, Support } from '../../model/types.js';
import { clamp, EIy, EIz, expectClose, modelOf, solved } from '../../testing/models.js';
import { largestDeflection, type Deflection } from './deflection.js';

const L = 6;
const P = 12e3;

/** The largest deflection of one bar along x. */
function deflection(
  supports: Support[],
  loads: Load[],
  from: 'chord' | 'start' | 'end' = 'chord',
): Deflection {
  const { state } = solved(
    modelOf('solid', { a: [0, 0, 0], b: [L, 0, 0] }, [{ id: 'm', start: 'a', end: 'b' }], supports, loads),
  );
  return largestDeflection(state.field(0), L, from);
}
const ends: Support[] = [
  { node: 'a', ux: 'fixed', uy: 'fixed', uz: 'fixed', rx: 'fixed' },
  { node: 'b', uy: 'fixed', uz: 'fixed' },
];
const down: Load = { kind: 'node', node: 'b', F: [0, 0, -P] };

describe('largestDeflection', () => {
  it('of a cantilever from the tangent at its clamped end: P·L³/3EI at the tip', () => {
    const { x, value } = deflection([clamp('a')], [down], 'start');
    expectClose(value, (P * L ** 3) / (3 * EIy));
    expectClose(x, L);
  });

  it('of a cantilever from its chord: where the slope is that of the chord', () => {
    // w = P·x²(3L − x)/6EI; w′ = P(2Lx − x²)/2EI = P·L²/3EI at x = L(1 − 1/√3)
    const at = L * (1 - 1 / Math.sqrt(3));
    const w = (s: number) => (P * s * s * (3 * L - s)) / (6 * EIy);
    const { x, value } = deflection([clamp('a')], [down]);
    expectClose(x, at);
    expectClose(value, (w(L) * at) / L - w(at));
  });

  it('of a cantilever from the tangent at its free end: P·L³/6EI at the clamped end', () => {
    // Tip slope P·L²/2EI: the tangent stands at P·L³/3EI − P·L³/2EI above the clamped end
    const { x, value } = deflection([clamp('a')], [down], 'end');
    expectClose(value, (P * L ** 3) / (6 * EIy));
    expectClose(x, 0);
  });

  it('of a beam under a uniform load: 5qL⁴/384EI in the middle', () => {
    const { x, value } = deflection(ends, [
      { kind: 'distributed', member: 'm', direction: 'z', q: [-5e3, -5e3] },
    ]);
    expectClose(value, (5 * 5e3 * L ** 4) / (384 * EIy));
    expectClose(x, L / 2);
  });

  it('of a beam with a load off its middle lies between the load and the middle: Pb(L² − b²)^1.5/(9√3·L·EI)', () => {
    // Timoshenko, Strength of Materials I, art. 34: x = √((L² − b²)/3) from the far support
    const b = 2;
    const { x, value } = deflection(ends, [{ kind: 'point', member: 'm', at: (L - b) / L, F: [0, 0, -P] }]);
    expectClose(x, Math.sqrt((L * L - b * b) / 3), 1e-6);
    expectClose(value, (P * b * (L * L - b * b) ** 1.5) / (9 * Math.sqrt(3) * L * EIy));
  });

  it('in both directions is the distance in space', () => {
    const { value } = deflection([clamp('a')], [{ kind: 'node', node: 'b', F: [0, 3e3, -4e3] }], 'start');
    expectClose(value, Math.hypot((3e3 * L ** 3) / (3 * EIz), (4e3 * L ** 3) / (3 * EIy)));
  });

  it('of a bar that only turns and moves as it is, is none', () => {
    const { value } = deflection(
      [
        { ...ends[0]!, displacement: { uz: -0.02 } },
        { ...ends[1]!, displacement: { uz: 0.03 } },
      ] as unknown as Support[],
      [],
    );
    expect(value).toBeLessThan(1e-15);
  });
});
