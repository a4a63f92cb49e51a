import { verification } from './index.js';

describe('verification manual', () => {
  for (const { title, cases } of verification)
    describe(title, () => {
      for (const one of cases)
        it(`${one.title} [${one.quantity}]`, () => {
          const computed = one.compute();
          const scale = Math.max(Math.abs(one.expected), one.expected === 0 ? 1 : 0);
          expect(Math.abs(computed - one.expected))
            .withContext(
              `${computed} against ${one.expected} (${computed / one.expected - 1}): ${one.source}`,
            )
            .toBeLessThanOrEqual(one.tolerance * scale);
        });
    });

  it('has at least eighty cases', () => {
    expect(verification.reduce((sum, { cases }) => sum + cases.length, 0)).toBeGreaterThanOrEqual(80);
  });
});
