import type { Load, MemberDesign } from '../../model/types.js';
import { axial, itemOf, near as close, profileBar, stepOf, uniform } from '../../testing/checks.js';

/** Simply supported in both planes, so that My alone bends it. */
const bar = (profile: string, L: number, loads: readonly Load[], design?: MemberDesign, grade = 'S235') =>
  profileBar(profile, grade, L, loads, { space: 'solid', ...(design ? { design } : {}) });

describe('EN 1993-1-1 6.3, angles bent about their principal axes', () => {
  // EN 10056-1 L 100x100x10: Iu = 280 cm⁴, Iv = 73.0 cm⁴, Wel,u = 280/7.07 = 39.6 cm³; It = Σb·t³/3 = 6.33 cm⁴ and its root
  it('equal legs: Mcr = C1·π/L·√(E·Iv·G·It), curve d, on both sides of 1', () => {
    const item = itemOf(bar('L 100x100x10', 3, [uniform(2e3)]), '6.3.2.1(1)', 'u');
    const Mcr = ((1.126 * Math.PI) / 3) * Math.sqrt(2.1e11 * 73e-8 * 8.1e10 * stepOf(item, 'It'));
    expect(stepOf(item, 'It')).toBeGreaterThan(6.33e-8);
    expect(stepOf(item, 'It')).toBeLessThan(7.2e-8);
    close(stepOf(item, 'Mcr'), Mcr, 0.01);
    const lambda = Math.sqrt((39.6e-6 * 235e6) / Mcr);
    const phi = 0.5 * (1 + 0.76 * (lambda - 0.2) + lambda ** 2);
    close(item.capacity, ((1 / (phi + Math.sqrt(phi ** 2 - lambda ** 2))) * 39.6e-6 * 235e6) / 1, 0.012);
    // My = 2·9/8 = 2.25 kN·m, of which cos 45° bends about u
    close(item.demand, 2250 * Math.SQRT1_2, 1e-6);
    expect(item.status).toBe('pass');
    expect(itemOf(bar('L 100x100x10', 3, [uniform(12e3)]), '6.3.2.1(1)', 'u').status).toBe('fail');
  });

  it('held throughout there is no buckling sideways', () => {
    const checked = bar('L 100x100x10', 3, [uniform(2e3), axial(-20e3)], { LLT: 0 });
    expect(checked.items.some(({ clause }) => clause.startsWith('6.3.2.1'))).toBe(false);
    expect(stepOf(itemOf(checked, '6.3.3(4) eq. 6.62'), 'χLT')).toBe(1);
  });

  // The elastic sum with the values of the tables: A = 19.2 cm², iv = 1.95 cm, Wel,v = 73.0/3.99 = 18.3 cm³
  it('compression with bending: the elastic sum about u and v', () => {
    const checked = bar('L 100x100x10', 2, [uniform(1e3), axial(-60e3)], { LLT: 0 });
    const item = itemOf(checked, '6.3.3(4) eq. 6.62', 'v');
    const Ncr = (I: number) => (Math.PI ** 2 * 2.1e11 * I) / 4;
    const lambda = Math.sqrt((19.2e-4 * 235e6) / Ncr(73e-8));
    const phi = 0.5 * (1 + 0.34 * (lambda - 0.2) + lambda ** 2);
    const chi = 1 / (phi + Math.sqrt(phi ** 2 - lambda ** 2));
    const M = 500 * Math.SQRT1_2;
    close(
      item.utilisation,
      60e3 / (chi * 19.2e-4 * 235e6) +
        M / (1 - 60e3 / Ncr(280e-8)) / (39.6e-6 * 235e6) +
        M / (1 - 60e3 / Ncr(73e-8)) / (18.3e-6 * 235e6),
      0.01,
    );
  });

  // Timoshenko and Gere: of unsymmetric sections the flange (here the longer leg) in compression buckles sooner
  it('unequal legs: the longer leg in compression buckles sooner than the shorter one', () => {
    const capacity = (q: number) =>
      itemOf(bar('L 150x100x12', 4, [uniform(q)], { C1: 1 }), '6.3.2.1(1)', 'u').capacity!;
    expect(capacity(1e3)).toBeLessThan(0.95 * capacity(-1e3));
  });

  it('class 4 angles are said to be not covered', () => {
    const checked = bar('L 150x150x10', 3, [uniform(1e3), axial(-10e3)], {}, 'S460');
    expect(checked.status).toBe('not covered');
    expect(checked.reasons!.join(' ')).toContain('class 4 angle in bending');
  });
});
