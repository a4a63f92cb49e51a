import { startingPoints } from '../../starts/index.js';
import { colourValues } from '../view/colours.js';
import { startPicture } from './start.js';

describe('the picture of a starting point', () => {
  const size = { width: 300, height: 150 };
  const pictureOf = (kind: string) =>
    startPicture(startingPoints.find((one) => one.kind === kind)!.design(), size);
  const strokes = (svg: string, colour: string) =>
    [...svg.matchAll(/<line[^>]*stroke="([^"]+)"/g)].filter(([, stroke]) => stroke === colour).length;

  it('has members, supports and, where it is plane, loads, all within the picture', () => {
    for (const { kind, design } of startingPoints) {
      const svg = startPicture(design(), size);
      expect(strokes(svg, colourValues.ink)).withContext(kind).toBeGreaterThan(0);
      expect(strokes(svg, colourValues.moss)).withContext(kind).toBeGreaterThan(0);
      if (design().space === 'plane')
        expect(strokes(svg, colourValues.ochre)).withContext(kind).toBeGreaterThan(0);
      expect(svg).not.toMatch(/NaN|<text/);
      for (const [, x, y] of svg.matchAll(/x1="([-\d.]+)" y1="([-\d.]+)"/g)) {
        expect(Number(x)).withContext(kind).toBeGreaterThan(-1);
        expect(Number(x))
          .withContext(kind)
          .toBeLessThan(size.width + 1);
        expect(Number(y)).withContext(kind).toBeGreaterThan(-1);
        expect(Number(y))
          .withContext(kind)
          .toBeLessThan(size.height + 1);
      }
    }
  });

  it('is of the alternative with the most members: a braced bay has its brace', () => {
    const slanted = [
      ...pictureOf('braced-bay').matchAll(
        /<line x1="([\d.]+)" y1="([\d.]+)" x2="([\d.]+)" y2="([\d.]+)" stroke="([^"]+)"/g,
      ),
    ].filter(
      ([, x1, y1, x2, y2, stroke]) =>
        stroke === colourValues.ink &&
        Math.abs(Number(x1) - Number(x2)) > 5 &&
        Math.abs(Number(y1) - Number(y2)) > 5,
    );
    expect(slanted.length).toBeGreaterThan(3);
  });
});
