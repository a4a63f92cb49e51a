import { failureKind } from './failure-kind.js';

describe('what a condition speaks of', () => {
  it('by the clauses of both codes', () => {
    const kinds = (clauses: readonly string[]) => clauses.map((clause) => failureKind({ clause }));
    expect(kinds(['6.2.5(1) eq. 6.12', '6.2.6(1) eq. 6.17', '6.3.1.1(1) eq. 6.46'])).toEqual([
      'yield',
      'shear',
      'buckling',
    ]);
    expect(kinds(['6.3.2.1(1) eq. 6.54', '6.3.3(4) eq. 6.62', 'deflection'])).toEqual([
      'lateral-torsional',
      'buckling',
      'serviceability',
    ]);
    expect(kinds(['D2', 'E3', 'F2', 'G1', 'H1.1 eq. H1-1a'])).toEqual([
      'yield',
      'buckling',
      'lateral-torsional',
      'shear',
      'yield',
    ]);
  });
});
