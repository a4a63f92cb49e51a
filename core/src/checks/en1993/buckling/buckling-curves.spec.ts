import { imperfectionFactor, reductionFactor, type BucklingCurve } from './buckling-curves.js';

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
