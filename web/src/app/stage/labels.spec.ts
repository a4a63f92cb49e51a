import { placeLabels } from './labels';
import type { StageLabel } from './types';

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

  it('keep the more important one in its place', () => {
    const [first, second] = placeLabels([label('small', [100, 100], 1), label('large', [100, 100], 9)], size);
    expect(first!.text).toBe('large');
    expect(first!.top).toBe(92.5);
    expect(second!.top).not.toBe(92.5);
  });

  it('say the same thing once where it would stand twice', () => {
    expect(placeLabels([label('319 kN·m', [100, 100]), label('319 kN·m', [130, 110])], size).length).toBe(1);
    expect(placeLabels([label('319 kN·m', [100, 100]), label('319 kN·m', [300, 110])], size).length).toBe(2);
  });
});
