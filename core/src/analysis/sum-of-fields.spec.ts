import { expectClose } from '../testing/models.js';
import type { MemberField } from './member-field.js';
import { sumOfFields } from './sum-of-fields.js';

/** A field whose every function is the same polynomial on each segment between the breaks. */
const fieldOf = (breaks: number[], coefficients: number[]): MemberField => ({
  breaks: Float64Array.from(breaks),
  forceTerms: coefficients.length,
  forces: Float64Array.from(Array.from({ length: 6 * (breaks.length - 1) }, () => coefficients).flat()),
  displacementTerms: coefficients.length,
  displacements: Float64Array.from(
    Array.from({ length: 4 * (breaks.length - 1) }, () => coefficients).flat(),
  ),
});
const at = ({ breaks, forces, forceTerms }: MemberField, x: number): number => {
  let s = 0;
  while (s + 2 < breaks.length && x > breaks[s + 1]!) s++;
  const t = x - breaks[s]!;
  return Array.from({ length: forceTerms }, (_, k) => forces[6 * forceTerms * s + k]! * t ** k).reduce(
    (a, b) => a + b,
  );
};

describe('sum of fields', () => {
  it('adds functions with other breaks, each with its factor', () => {
    const a = fieldOf([0, 4], [1, 2]);
    const b = fieldOf([0, 1, 4], [0, 0, 3]);
    const sum = sumOfFields(
      [
        { field: a, factor: 2, from: 0 },
        { field: b, factor: -1, from: 0 },
      ],
      4,
    );
    expect([...sum.breaks]).toEqual([0, 1, 4]);
    expectClose(at(sum, 0.5), 2 * (1 + 2 * 0.5) - 3 * 0.25);
    expectClose(at(sum, 3), 2 * (1 + 2 * 3) - 3 * (3 - 1) ** 2);
  });

  it('joins fields of pieces one after the other', () => {
    const sum = sumOfFields(
      [
        { field: fieldOf([0, 2], [5]), factor: 1, from: 0 },
        { field: fieldOf([0, 3], [7, 1]), factor: 1, from: 2 },
      ],
      5,
    );
    expect([...sum.breaks]).toEqual([0, 2, 5]);
    expectClose(at(sum, 1), 5);
    expectClose(at(sum, 4), 7 + 2);
  });
});
