import { expectClose } from '../testing/models.js';
import { ProblemError } from '../base/problem.js';
import { sectionDetails } from './details.js';
import { lookUpGrade, strengthAt } from './materials.js';
import { findProfile, nearestProfiles } from './profiles.js';
import { iSection } from './shapes/i-section.js';

const properties = (name: string) => sectionDetails(findProfile(name).shape);

describe('section library', () => {
  // Published table values (EN 10365 profiles, producers' sales programme): cm², cm⁴, cm³
  const published: [string, Record<string, number>][] = [
    [
      'IPE 300',
      { A: 53.81, Iy: 8356, Wely: 557.1, Wply: 628.4, Iz: 603.8, Wplz: 125.2, J: 20.12, Avz: 25.68 },
    ],
    ['IPE 500', { A: 115.5, Iy: 48200, Wely: 1928, Wply: 2194, Iz: 2142, Wplz: 335.9, J: 89.29, Avz: 59.87 }],
    [
      'HEA 240',
      { A: 76.84, Iy: 7763, Wely: 675.1, Wply: 744.6, Iz: 2769, Wplz: 351.7, J: 41.55, Avz: 25.18 },
    ],
    ['HEB 300', { A: 149.1, Iy: 25170, Wely: 1678, Wply: 1869, Iz: 8563, Wplz: 870.1, J: 185.0, Avz: 47.43 }],
  ];
  const scale: Record<string, number> = {
    A: 1e4,
    Avz: 1e4,
    Wely: 1e6,
    Wply: 1e6,
    Wplz: 1e6,
    Iy: 1e8,
    Iz: 1e8,
    J: 1e8,
  };
  for (const [name, values] of published)
    it(`${name} has the published properties within their rounding`, () => {
      const own = properties(name) as unknown as Record<string, number>;
      for (const [key, value] of Object.entries(values))
        expect(Math.abs((own[key]! * scale[key]!) / value - 1))
          .withContext(key)
          .toBeLessThan(1e-3);
    });

  it('a shape without fillets is three rectangles', () => {
    const { A, Iy, Iz, Wply, Wplz } = iSection({ h: 0.3, b: 0.2, tw: 0.01, tf: 0.02, r: 0 });
    expectClose(A, 2 * 0.2 * 0.02 + 0.26 * 0.01);
    expectClose(Iy, (0.2 * 0.3 ** 3 - 0.19 * 0.26 ** 3) / 12);
    expectClose(Iz, (2 * 0.02 * 0.2 ** 3 + 0.26 * 0.01 ** 3) / 12);
    expectClose(Wply, 0.2 * 0.02 * 0.28 + (0.01 * 0.26 ** 2) / 4);
    expectClose(Wplz, (0.02 * 0.2 ** 2) / 2 + (0.26 * 0.01 ** 2) / 4);
  });

  it('finds names in any usual spelling', () => {
    for (const name of ['IPE300', 'ipe 300', 'Ipe-300']) expect(findProfile(name).name).toBe('IPE 300');
    for (const name of ['HE 240 B', 'heb240', 'HEB 240']) expect(findProfile(name).name).toBe('HEB 240');
  });

  it('names the nearest profiles for a typo', () => {
    expect(() => findProfile('IPE 310')).toThrowMatching(
      (e) =>
        e instanceof ProblemError &&
        e.problems[0]!.code === 'unknown-profile' &&
        e.message.includes('IPE 300'),
    );
    expect(nearestProfiles('HEC 300')).toContain('HEB 300');
  });

  it('strength falls with thickness (EN 1993-1-1 Table 3.1)', () => {
    const s355 = lookUpGrade('S355')!;
    expect(strengthAt(s355, 0.04)!.fy).toBe(355e6);
    expect(strengthAt(s355, 0.041)!.fy).toBe(335e6);
    expect(strengthAt(s355, 0.09)).toBeUndefined();
  });
});
