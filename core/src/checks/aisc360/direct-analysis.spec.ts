import { barModel, checkFile, itemOf, near } from '../../testing/checks.js';
import type { FrameModel } from '../../model/types.js';
import { checkToFile } from '../../files/checks-file.js';

/** A clamped column of 5 m that bends in its plane, under a load on its head, by AISC. */
function column(P: number, analysis?: 'direct' | 'effective-length'): FrameModel {
  const model = barModel({
    section: { profile: 'HEB 300' },
    material: { id: 'S235' },
    L: 5,
    loads: [{ kind: 'node', node: 'b', F: [10e3, 0, -P] }],
    supports: [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
    design: { LLT: 0, Lcz: 0 },
    code: { name: 'AISC360', ...(analysis ? { analysis } : {}) },
  });
  model.nodes[1] = { id: 'b', x: 0, z: 5 };
  return model;
}

/** Moment at the foot of a clamped beam-column: H·tan(kL)/k (Timoshenko and Gere, art. 1.2), with N·m and E·I in N·m². */
const foot = (H: number, P: number, EI: number, L = 5) =>
  (H * Math.tan(L * Math.sqrt(P / EI))) / Math.sqrt(P / EI);
// HEB 300: Iy = 25170 cm⁴, A = 149.1 cm²
const EI = 210e9 * 25170e-8;

describe('direct analysis method, AISC 360-22 C2', () => {
  const moment = (P: number, analysis?: 'direct' | 'effective-length') => {
    const outcome = checkToFile(column(P, analysis), { secondOrder: true });
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    return itemOf(outcome.value.members['m']!, 'F2').demand!;
  };

  it('adds 0.002·P to the load across and takes 0.8·EI (C2.2b, C2.3)', () => {
    // Shear makes the true column softer by 1 %
    near(moment(1000e3), foot(10e3 + 0.002 * 1000e3, 1000e3, 0.8 * EI), 0.01);
    near(moment(1000e3, 'direct'), moment(1000e3), 1e-9);
  });

  it('τb = 4·α(1 − α) above half of the yield load (eq. C2-2b)', () => {
    const P = 2200e3;
    // Flanges of 19 mm: 225 N/mm² in S235 above 16 mm (EN 10025-2 by EN 1993-1-1 Table 3.1 is 235 up to 40 mm)
    const share = P / (235e6 * 149.1e-4);
    near(moment(P), foot(10e3 + 0.002 * P, P, 0.8 * 4 * share * (1 - share) * EI), 0.02);
  });

  it('is left out where effective lengths are asked for', () => {
    near(moment(1000e3, 'effective-length'), foot(10e3, 1000e3, EI), 0.01);
  });

  it('first order is no pass where second order would add more than a tenth', () => {
    // Ncr = π²·EI/(2L)² = 5217 kN: with 0.8, αcr of 1000 kN is 4.2
    const { stability } = checkFile(column(1000e3));
    expect(stability['U']!.secondOrderNeeded).toBeTrue();
    expect(checkFile(column(1000e3)).summary.status).not.toBe('pass');
    expect(checkFile(column(100e3)).stability['U']!.secondOrderNeeded).toBeFalse();
  });
});
