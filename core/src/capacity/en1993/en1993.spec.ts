import { prepareFrame, solveStatic } from '../../analysis/index.js';
import type { FrameModel } from '../../model/types.js';
import { resultSelections } from '../../results/index.js';
import { checkMember } from '../check-members.js';
import {
  bucklingCurves,
  imperfectionFactor,
  reductionFactor,
  type BucklingCurve,
} from './buckling-curves.js';

/** A bar of one profile along X, simply supported in the plane, under loads in the strength combination U. */
function checked(profile: string, grade: string, L: number, q: number, N: number, roll = 0) {
  const model: FrameModel = {
    format: 'hashira-frame',
    version: 1,
    space: 'plane',
    materials: [{ id: grade }],
    sections: [{ id: 's', material: grade, profile }],
    nodes: [
      { id: 'a', x: 0, z: 0 },
      { id: 'b', x: L, z: 0 },
    ],
    members: [{ id: 'm', start: 'a', end: 'b', section: 's', roll }],
    supports: [
      { node: 'a', ux: 'fixed', uz: 'fixed' },
      { node: 'b', uz: 'fixed' },
    ],
    loadCases: [
      {
        id: 'L',
        loads: [
          { kind: 'distributed', member: 'm', direction: 'z', q: [-q, -q] },
          { kind: 'node', node: 'b', F: [N, 0, 0] },
        ],
      },
    ],
    combinations: [{ id: 'U', state: 'strength', factors: { L: 1 } }],
  };
  const frame = prepareFrame(model);
  const outcome = solveStatic(frame);
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return checkMember(frame, outcome.value, resultSelections(model), 0, true);
}

describe('reduction factor χ against the tables of ECCS publication 119, Annex', () => {
  const table: [BucklingCurve, [number, number][]][] = [
    [
      'a0',
      [
        [0.5, 0.9513],
        [1, 0.7253],
      ],
    ],
    [
      'a',
      [
        [0.5, 0.9243],
        [1, 0.6656],
        [2, 0.2229],
      ],
    ],
    [
      'b',
      [
        [0.5, 0.8842],
        [1, 0.597],
        [2, 0.2095],
      ],
    ],
    [
      'c',
      [
        [0.5, 0.843],
        [1, 0.5399],
        [2, 0.1962],
      ],
    ],
    [
      'd',
      [
        [0.5, 0.7793],
        [1, 0.4671],
        [2, 0.1766],
      ],
    ],
  ];
  for (const [curve, rows] of table)
    for (const [lambdaBar, chi] of rows)
      it(`curve ${curve}, λ̄ = ${lambdaBar}: ${chi}`, () => {
        expect(Math.abs(reductionFactor(lambdaBar, imperfectionFactor[curve]).chi - chi)).toBeLessThan(6e-5);
      });

  it('is 1 up to λ̄ = 0.2', () => {
    expect(reductionFactor(0.2, 0.49).chi).toBe(1);
    expect(reductionFactor(0, 0.49).chi).toBe(1);
  });
});

describe('buckling curves of Table 6.2', () => {
  it('by slenderness of the section, thickness and grade', () => {
    const rolled = (h: number, b: number, tf: number, fy = 355e6) =>
      bucklingCurves({ h, b, tw: 0.01, tf, r: 0.01 }, true, fy);
    expect(rolled(0.5, 0.2, 0.016)).toEqual({ y: 'a', z: 'b' });
    expect(rolled(0.5, 0.2, 0.05)).toEqual({ y: 'b', z: 'c' });
    expect(rolled(0.3, 0.3, 0.019)).toEqual({ y: 'b', z: 'c' });
    expect(rolled(0.3, 0.3, 0.11)).toEqual({ y: 'd', z: 'd' });
    expect(rolled(0.5, 0.2, 0.016, 460e6)).toEqual({ y: 'a0', z: 'a0' });
    expect(bucklingCurves({ h: 0.5, b: 0.2, tw: 0.01, tf: 0.016, r: 0 }, false, 355e6)).toEqual({
      y: 'b',
      z: 'c',
    });
  });
});

describe('flexural buckling 6.3.1', () => {
  // By hand with table values: Ncr,z = π²·210000·603.8e4/3000² = 1390.5 kN, λ̄ = √(5381·235/1390.5e3) = 0.9536,
  // curve b: Φ = 1.0828, χ = 0.6267, Nb,Rd = 0.6267·5381·235 = 792.5 kN
  it('IPE 300, S235, 3 m: Nb,z,Rd = 792.5 kN', () => {
    const z = checked('IPE 300', 'S235', 3, 0, -500e3).items.find((i) => i.axis === 'z')!;
    expect(Math.abs(z.capacity / 792.5e3 - 1)).toBeLessThan(1e-3);
    expect(z.demand).toBeCloseTo(500e3, 3);
    expect(z.status).toBe('pass');
    expect(z.steps!.find((s) => s.symbol === 'λ̄z')!.value).toBeCloseTo(0.9536, 3);
  });

  it('fails beyond it', () => {
    const { status, governs } = checked('IPE 300', 'S235', 3, 0, -800e3);
    expect(status).toBe('fail');
    expect(governs!.clause).toBe('6.3.1.1(1) eq. 6.46');
  });

  it('has no item in tension', () => {
    expect(checked('IPE 300', 'S235', 3, 0, 500e3).items.map((i) => i.clause)).toEqual(['6.2.1(5) eq. 6.1']);
  });
});

describe('elastic cross-section resistance 6.2.1(5)', () => {
  // By hand: M = 20·6²/8 = 90 kN·m, σ = 90e6/557.1e3 = 161.6 N/mm², 161.6/235 = 0.687 at midspan
  it('IPE 300, S235, 6 m under 20 kN/m: 0.687 at midspan', () => {
    const { governs, utilisation } = checked('IPE 300', 'S235', 6, 20e3, 0);
    expect(utilisation).toBeCloseTo(0.687, 3);
    expect(governs!.x).toBeCloseTo(3, 6);
  });

  // Tension adds: 300e3/5381 = 55.8 N/mm²; (161.6 + 55.8)/235 = 0.925
  it('adds the axial force', () => {
    expect(checked('IPE 300', 'S235', 6, 20e3, 300e3).utilisation).toBeCloseTo(0.925, 3);
  });

  // V = 500·1/2 = 250 kN at the supports, where no moment acts
  it('the web governs in a short beam', () => {
    const { governs } = checked('IPE 300', 'S235', 1, 500e3, 0);
    expect(governs!.x === 0 || Math.abs(governs!.x - 1) < 1e-9).toBeTrue();
    // Middle of the web by hand: τ = 250e3·314.2e3/(8356e4·7.1) = 132.4 N/mm², √3·132.4/235 = 0.976
    expect(governs!.utilisation).toBeCloseTo(0.976, 2);
  });

  it('turning the profile on its side uses the weak axis', () => {
    // 90e6/80.5e3 = 1118 N/mm² with Wel,z = 80.5 cm³
    expect(checked('IPE 300', 'S235', 6, 20e3, 0, Math.PI / 2).utilisation).toBeCloseTo(1118 / 235, 1);
  });

  it('grows in proportion to the load, and stronger steel never gives more', () => {
    const low = checked('IPE 300', 'S235', 6, 10e3, -10e3).items[0]!.utilisation;
    expect(checked('IPE 300', 'S235', 6, 20e3, -20e3).items[0]!.utilisation).toBeCloseTo(2 * low, 9);
    expect(checked('IPE 300', 'S355', 6, 10e3, -10e3).items[0]!.utilisation).toBeLessThan(low);
  });
});
