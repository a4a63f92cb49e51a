import { placeLabels } from './labels';
import type { StageLabel } from '../types';

const label = (text: string, at: readonly [number, number], priority = 1): StageLabel => ({
  key: `${text} ${at.join()}`,
  text,
  at,
  align: 'middle',
  tone: 'ink',
  priority,
  title: text,
});

describe('labels', () => {
  const size = { width: 400, height: 300 };

  it('never overlap and never leave the sheet', () => {
    const many = Array.from({ length: 60 }, (_, i) =>
      label(`${i}00 kN·m`, [(i * 37) % 420, (i * 53) % 320], i),
    );
    const placed = placeLabels(many, size);
    expect(placed.length).toBeGreaterThan(20);
    for (const [i, a] of placed.entries()) {
      expect(a.left).toBeGreaterThanOrEqual(0);
      expect(a.top).toBeGreaterThanOrEqual(0);
      for (const b of placed.slice(i + 1))
        expect(Math.abs(a.top - b.top) >= 15 || Math.abs(a.left - b.left) >= 6.1 * 6)
          .withContext(`${a.text} and ${b.text}`)
          .toBeTrue();
    }
  });

  it('that govern are written however many there are, others up to what can be read', () => {
    const places = Array.from(
      { length: 40 },
      (_, i) => [30 + (i % 5) * 80, 20 + Math.floor(i / 5) * 34] as const,
    );
    const all = places.map((at, i) => label(`${100 + i} kN`, at));
    expect(placeLabels(all, size).length).toBe(24);
    expect(
      placeLabels(
        all.map((one) => ({ ...one, governs: true })),
        size,
      ).length,
    ).toBe(40);
  });

  it('keep the more important one in its place', () => {
    const [first, second] = placeLabels([label('small', [100, 100], 1), label('large', [100, 100], 9)], size);
    expect(first!.text).toBe('large');
    expect(first!.top).toBe(92.5);
    expect(second!.top).not.toBe(92.5);
  });

  it('say where lines pass under them, and are led to what they are read at where they stand apart', () => {
    const wide = {
      thinLines: [],
      lines: [],
      ink: [
        [
          [0, 100],
          [400, 100],
        ] as const,
      ],
    };
    const [covered] = placeLabels([label('on it', [200, 100])], size, wide);
    expect(covered!.covers).toBeTrue();
    const [free] = placeLabels([label('off it', [200, 200])], size, wide);
    expect(free!.covers).toBeFalse();
    const read = { ...label('apart', [200, 60]), of: [200, 150] as const };
    const [apart] = placeLabels([read], size);
    expect(apart!.leader![1]).toEqual([200, 150]);
    expect(apart!.leader![0][1]).toBeCloseTo(apart!.top + 15, 6);
    const [near] = placeLabels([{ ...read, of: [200, 66] as const }], size);
    expect(near!.leader).toBeUndefined();
  });

  it('stand beside a line or a sign where there is room, and on it where there is none', () => {
    const wanted = label('319 kN·m', [200, 150]);
    const level: readonly [readonly [number, number], readonly [number, number]] = [
      [0, 150],
      [400, 150],
    ];
    const clear = (top: number) => top + 15 <= 150 || top >= 150;
    expect(clear(placeLabels([wanted], size, { lines: [level] })[0]!.top)).toBeTrue();
    const sign = { left: 160, top: 130, width: 80, height: 40 };
    const [beside] = placeLabels([wanted], size, { signs: [sign] });
    expect(beside!.top + 15 <= 130 || beside!.top >= 170 || beside!.left >= 240).toBeTrue();
    const everywhere = { left: 0, top: 0, width: 400, height: 300 };
    expect(placeLabels([wanted], size, { signs: [everywhere] })[0]!.top).toBe(142.5);
  });

  it('are as wide as the page draws them', () => {
    const wide = { label: () => 180, dimension: () => 180, line: 30 };
    const two = [label('a', [100, 100], 2), label('b', [200, 100], 1)];
    const [first, second] = placeLabels(two, size, {}, wide);
    expect(
      Math.abs(first!.top - second!.top) >= 30 || Math.abs(first!.left - second!.left) >= 180,
    ).toBeTrue();
  });

  it('say the same thing once where it would stand twice', () => {
    expect(placeLabels([label('319 kN·m', [100, 100]), label('319 kN·m', [130, 110])], size).length).toBe(1);
    expect(placeLabels([label('319 kN·m', [100, 100]), label('319 kN·m', [300, 110])], size).length).toBe(2);
  });
});
