import { drawingOf, evaluateAlternative } from '../../evaluation/index.js';
import { slipShed } from '../../testing/designs.js';
import { toFilm } from './film.js';
import { fitView, standardViews } from './view.js';

const size = { width: 400, height: 300 };
function film(result: string, layers?: readonly ('members' | 'moving' | 'deformed' | 'supports')[]): string {
  const design = slipShed();
  const run = evaluateAlternative(design, design.alternatives[0]!);
  const { drawing, points } = drawingOf(run, { result, diagram: 'none' })!;
  const view = fitView(points, standardViews.front, size, { left: 20, right: 20, top: 20, bottom: 20 });
  return toFilm(drawing, {
    view,
    size,
    scales: { deformation: 100 },
    seconds: 1.8,
    ...(layers ? { layers } : {}),
  });
}
/** Places of a path's start and end. */
const numbers = (path: string) => path.match(/-?[\d.]+/g)!.map(Number);

describe('a film', () => {
  it('moves the deformed shape through one swing: to one side, back, and to the other', () => {
    const animated = [...film('C1', ['deformed']).matchAll(/values="([^"]+)"/g)].map(([, values]) =>
      values!.split(';').map(numbers),
    );
    expect(animated.length).toBeGreaterThan(10);
    for (const places of animated) {
      expect(places.length).toBe(25);
      // It begins and ends where nothing is deformed, and is as far on one side as on the other
      const [rest, there, back, other, end] = [0, 6, 12, 18, 24].map((k) => places[k]!);
      rest!.forEach((value, i) => {
        expect(back![i]).toBeCloseTo(value, 0);
        expect(end![i]).toBeCloseTo(value, 0);
        expect(there![i]! - value).toBeCloseTo(value - other![i]!, 0);
      });
    }
    expect(animated.some((places) => Math.abs(places[6]![1]! - places[0]![1]!) > 5)).toBeTrue();
  });

  it('draws what stays still once', () => {
    const still = film('C1', ['members', 'supports']);
    expect(still).not.toContain('<animate');
    expect(still.match(/<path/g)!.length).toBeGreaterThan(4);
  });

  it('is sound XML of the sheet’s size, that runs for ever', () => {
    const text = film('mode.1');
    expect(text).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" viewBox="0 0 400 300"/);
    expect(text).toContain('dur="1.8s" repeatCount="indefinite"');
    const opened = text.match(/<path /g)!.length;
    expect(text.match(/<path [^>]*\/>/g)!.length + text.match(/<\/path>/g)!.length).toBe(opened);
    expect(text).not.toContain('NaN');
  });
});
