import { expectClose, modelOf, solved } from '../testing/models.js';
import { polynomialAt } from '../analysis/polynomial.js';
import { envelope, forceAt } from './index.js';

/** A beam of 8 m under one force at a share of it. */
function under(share: number) {
  const { state } = solved(
    modelOf(
      'plane',
      { a: [0, 0], b: [8, 0] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [
        { node: 'a', ux: 'fixed', uz: 'fixed' },
        { node: 'b', uz: 'fixed' },
      ],
      [{ kind: 'point', member: 'm', at: share, F: [0, 0, -1e4] }],
    ),
  );
  return state.field(0);
}

describe('envelopes', () => {
  const fields = [0.25, 0.5, 0.75].map((share) => ({ id: `at ${share}`, field: under(share) }));

  it('are nowhere below any of their functions, and on one of them everywhere', () => {
    for (const name of ['My', 'Vz', 'w'] as const)
      for (const side of ['max', 'min'] as const) {
        const pieces = envelope(fields, name, side);
        expect(pieces[0]!.from).toBe(0);
        expectClose(pieces[pieces.length - 1]!.to, 8);
        pieces.slice(1).forEach((piece, i) => expectClose(piece.from, pieces[i]!.to));
        if (name === 'w') continue;
        for (let x = 0.013; x < 8; x += 0.111) {
          const piece = pieces.find(({ to }) => x <= to)!;
          const values = fields.map(({ field }) => forceAt(field, name, x));
          expectClose(
            polynomialAt(piece.coefficients, 0, piece.coefficients.length, x - piece.from),
            side === 'max' ? Math.max(...values) : Math.min(...values),
            1e-8,
          );
        }
      }
  });

  it('find where one load takes over from the next', () => {
    // Moments F·x·(1 − s) before the force, F·s·(L − x) behind it: at 2/4 and 3/4 they meet at x = L/3·…
    const pieces = envelope(fields, 'My', 'max');
    expect([...new Set(pieces.map(({ id }) => id))]).toEqual(['at 0.25', 'at 0.5', 'at 0.75']);
    // 0.25·(8 − x) = 0.5·x
    const first = pieces.filter(({ id }) => id === 'at 0.25');
    expectClose(first[first.length - 1]!.to, 8 / 3, 1e-9);
  });
});
