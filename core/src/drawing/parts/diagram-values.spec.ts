import { expectClose, modelOf, solved } from '../../testing/models.js';
import { linesOf, toldOnce, valuesOfMember } from './diagram-values.js';

const q = 12e3;
const L = 8;

/** A beam held at both ends against turning, of as many pieces, under a uniform load: −q L²/12 at its ends, q L²/24 in its middle. */
function heldBeam(pieces: number) {
  const nodes = Array.from({ length: pieces + 1 }, (_, i): [string, number[]] => [
    `n${i}`,
    [(i * L) / pieces, 0],
  ]);
  const members = Array.from({ length: pieces }, (_, i) => ({
    id: `p${i}`,
    start: `n${i}`,
    end: `n${i + 1}`,
  }));
  const fixed = { ux: 'fixed', uz: 'fixed', ry: 'fixed' } as const;
  const { frame, state } = solved(
    modelOf(
      'plane',
      Object.fromEntries(nodes),
      members,
      [
        { node: 'n0', ...fixed },
        { node: `n${pieces}`, ...fixed },
      ],
      members.map(({ id }) => ({
        kind: 'distributed',
        member: id,
        axes: 'global',
        direction: 'z',
        q: [-q, -q],
      })),
    ),
  );
  const fieldsOf = (m: number) => [{ id: 'L', field: state.field(m) }];
  return { frame, fieldsOf };
}
const most = (q * L * L) / 12;

describe('values that are told of a diagram', () => {
  it('are of a member its greatest, what is greatest on the other side, and its ends', () => {
    for (const pieces of [1, 4]) {
      const { frame, fieldsOf } = heldBeam(pieces);
      const [line] = linesOf(frame, () => ({ line: 'beam', tags: {} }));
      const told = valuesOfMember(line!, fieldsOf, 'My', most);
      expect(told.map(({ governs }) => governs)).toEqual([true, false, false]);
      expectClose(told[0]!.value, -most);
      expectClose(told[1]!.value, (q * L * L) / 24);
      // The middle of a piece, or where two meet
      const piece = L / pieces;
      expectClose(told[1]!.m * piece + told[1]!.x, L / 2);
      expectClose(told[2]!.value, -most);
      expectClose(told[2]!.m * piece + told[2]!.x, L);
    }
  });

  it('are of a curve those of all its chords together, of a gable of each side', () => {
    const chords = (count: number) =>
      solved(
        modelOf(
          'plane',
          Object.fromEntries(
            Array.from({ length: count + 1 }, (_, i): [string, number[]] => {
              const x = i / count - 0.5;
              return [`n${i}`, [10 * x, 8 * (0.25 - x * x)]];
            }),
          ),
          Array.from({ length: count }, (_, i) => ({ id: `c${i}`, start: `n${i}`, end: `n${i + 1}` })),
          [
            { node: 'n0', ux: 'fixed', uz: 'fixed', ry: 'fixed' },
            { node: `n${count}`, ux: 'fixed', uz: 'fixed' },
          ],
          [],
        ),
      ).frame;
    const known = (id: string) => ({ line: id, tags: { step: 'arch', role: 'arch' } });
    expect(linesOf(chords(8), known)).toEqual([[0, 1, 2, 3, 4, 5, 6, 7]]);
    expect(linesOf(chords(2), known)).toEqual([[0], [1]]);
    const others = (id: string) => ({ line: id, tags: { step: id, role: 'rafter' } });
    expect(linesOf(chords(8), others).length).toBe(8);
  });

  it('leave out what is nothing beside the greatest of the drawing, and tell small members by their greatest alone', () => {
    const { fieldsOf } = heldBeam(1);
    expect(valuesOfMember([0], fieldsOf, 'My', 2000 * most)).toEqual([]);
    const small = valuesOfMember([0], fieldsOf, 'My', 50 * most);
    expect(small.length).toBe(1);
    expectClose(small[0]!.value, -most);
  });

  it('that read the same are told once, with how many there are', () => {
    const { frame, fieldsOf } = heldBeam(2);
    const values = linesOf(frame, () => undefined).flatMap((line) =>
      valuesOfMember(line, fieldsOf, 'My', most),
    );
    const told = toldOnce(frame, values, (value) => (value / 1e3).toFixed(1));
    // −q L²/12 at both ends; the middle belongs to both pieces and is one place
    expect(told.map(({ text }) => text)).toEqual(['-64.0 ×2', '32.0']);
    expect(told[0]!.places.map(({ m }) => m)).toEqual([0, 1]);
  });
});
