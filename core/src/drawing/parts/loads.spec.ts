import { drawingOf, evaluateAlternative } from '../../evaluation/index.js';
import { designWith } from '../../testing/designs.js';
import { plainText, strokesOn } from '../../testing/strokes.js';

/** Beams of 6 m side by side, clamped at one end, under 2 and 3 kN/m of two cases and 4 kN at the tip. */
function drawn(beams: number, ofA = '-2 kN/m') {
  const design = designWith(
    [
      {
        id: 'beams',
        make: 'line',
        points: Array.from({ length: beams }, (_, i) => [
          ['0 m', `${i} m`, '0 m'],
          ['6 m', `${i} m`, '0 m'],
        ]).flat(),
        pairs: Array.from({ length: beams }, (_, i) => [2 * i, 2 * i + 1]),
      },
    ],
    {
      rules: [
        { id: 'held', nodes: 'x < 1 m', support: 'fixed' },
        ...[
          { id: 'A', q: ofA },
          { id: 'B', q: '-3 kN/m' },
        ].map(({ id, q }) => ({
          id: `line ${id}`,
          members: 'true',
          load: { case: id, kind: 'line', direction: 'z', axes: 'global', q } as const,
        })),
        { id: 'tips', nodes: 'x > 1 m', load: { case: 'A', kind: 'node', F: [0, 0, '-4 kN'] } },
      ],
      loadCases: [
        { id: 'A', title: 'A', category: 'imposed' },
        { id: 'B', title: 'B', category: 'imposed' },
      ],
      combinations: [{ id: 'U1', state: 'strength', factors: { A: 1, B: 2 } }],
    },
  );
  const run = evaluateAlternative(design, design.alternatives[0]!, 'forces');
  const { drawing, most } = drawingOf(run, { result: 'U1', diagram: 'none' })!;
  const texts = drawing.texts.filter(({ layer }) => layer === 'loads').map(({ text }) => text);
  /** Lines along the beams at the heads of the blocks, with the load that each stands for, N/m. */
  const strokes = strokesOn(drawing, 'loads');
  const tops = strokes.filter(({ a, b }) => Math.abs(a[0]! - b[0]!) > 5);
  return {
    tops: tops.map(({ da }) => da[2]!),
    fills: tops.map(({ fill }) => fill),
    shafts: strokes.filter(({ scale }) => scale === 'load').length - tops.length,
    texts: texts.map(plainText),
    greatest: most.load,
  };
}

describe('loads on the drawing', () => {
  it('of a small frame stand one above the other, a block a case, each force with its value', () => {
    const { tops, fills, shafts, texts, greatest } = drawn(3);
    expect(greatest).toBeCloseTo(6000, 6);
    // 2 kN/m, and on it 2 × 3 kN/m
    expect([...tops].sort((a, b) => a - b)).toEqual([2000, 2000, 2000, 8000, 8000, 8000]);
    expect([...texts].sort()).toEqual(['2.00 kN/m', '4.00 kN', '4.00 kN', '4.00 kN', '6.00 kN/m']);
    // The area of the lower one is down to the beam; that of the upper one is not its edge's
    tops.forEach((top, i) =>
      top === 2000 ? expect(fills[i]).toBeCloseTo(0.1, 6) : expect(fills[i]).toBe(0),
    );
    // 6 m in arrows of about 0.9 m
    expect(shafts).toBe(3 * 2 * 8);
  });

  it('of a frame with many are one block a member, and what repeats is told once', () => {
    const { tops, fills, shafts, texts, greatest } = drawn(100);
    expect(greatest).toBeCloseTo(8000, 6);
    expect(tops.length).toBe(100);
    expect(new Set(tops)).toEqual(new Set([8000]));
    fills.forEach((fill) => expect(fill).toBeCloseTo(0.1, 6));
    expect(shafts).toBe(0);
    expect([...texts].sort()).toEqual(['4.00 kN', '8.00 kN/m']);
  });

  it('that come to nothing are not drawn and not told', () => {
    for (const [beams, told] of [
      [3, ['4.00 kN', '4.00 kN', '4.00 kN', '6.00 kN/m']],
      [100, ['4.00 kN', '6.00 kN/m']],
    ] as const) {
      const { tops, texts } = drawn(beams, '0 kN/m');
      expect(tops).toEqual(Array.from({ length: beams }, () => 6000));
      expect([...texts].sort()).toEqual([...told]);
    }
    // The second case acts twice: -6 + 6 kN/m on each of many beams
    const { tops, texts, greatest } = drawn(100, '6 kN/m');
    expect({ tops, texts, greatest }).toEqual({ tops: [], texts: ['4.00 kN'], greatest: 0 });
  });
});
