import type { Colour } from '../drawing.js';
import { colourValues } from './colours.js';
import type { Ink } from './flat.js';
import { Raster } from './raster.js';

const width = 40;
const height = 30;
const ink: Ink = { colour: 'ink', alpha: 1, width: 1 };

/** A sheet with what was inked on it: red, green and blue of a pixel, and how much of the ink it has on the sheet's colour. */
function inked(draw: (raster: Raster) => void) {
  const pixels = new Int32Array(width * height);
  const raster = new Raster(pixels, width, height);
  raster.clear('sheet');
  draw(raster);
  const bytes = new Uint8Array(pixels.buffer);
  const at = (x: number, y: number) =>
    Array.from(bytes.subarray(4 * (y * width + x), 4 * (y * width + x) + 4));
  const share = (x: number, y: number, of: Colour = 'ink') => {
    const [under, over] = [redOf('sheet'), redOf(of)];
    return (at(x, y)[0]! - under) / (over - under);
  };
  const total = (of: Colour = 'ink') => {
    let sum = 0;
    for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) sum += share(x, y, of);
    return sum;
  };
  return { at, share, total };
}

const redOf = (colour: Colour) => parseInt(colourValues[colour].slice(1, 3), 16);

describe('Raster', () => {
  it('covers the sheet with its colour, opaque', () => {
    const { at } = inked(() => undefined);
    expect(at(0, 0)).toEqual([0xff, 0xfd, 0xf8, 255]);
    expect(at(width - 1, height - 1)).toEqual([0xff, 0xfd, 0xf8, 255]);
  });

  it('inks a line of one px on the middles of a row fully, and nothing beside it', () => {
    const { at, share } = inked((raster) => raster.line(5, 10.5, 15, 10.5, ink));
    expect(at(10, 10)).toEqual([0x22, 0x25, 0x2b, 255]);
    expect(share(10, 9)).toBe(0);
    expect(share(10, 11)).toBe(0);
    expect(share(4, 10)).toBe(0);
    expect(share(15, 10)).toBe(0);
  });

  it('shares a line between two rows by how far their middles lie inside its edge', () => {
    // The rows' middles lie 0.5 px from the line, at the very edge: half of each
    const { share } = inked((raster) => raster.line(5, 10, 15, 10, ink));
    expect(share(10, 9)).toBeCloseTo(0.5, 1);
    expect(share(10, 10)).toBeCloseTo(0.5, 1);
  });

  it('inks as much area in every direction: length times width', () => {
    for (const angle of [0, 0.3, Math.PI / 4, 1, Math.PI / 2, 2, 3, 4, 5.5]) {
      const [dx, dy] = [10 * Math.cos(angle), 10 * Math.sin(angle)];
      const { total } = inked((raster) =>
        raster.line(20 - dx, 15 - dy, 20 + dx, 15 + dy, { ...ink, width: 2 }),
      );
      expect(Math.abs(total() - 40))
        .withContext(`at ${angle} rad`)
        .toBeLessThan(2);
    }
  });

  it('lets wide lines reach beyond their ends by half their width, so that corners close', () => {
    const { share } = inked((raster) => raster.line(10, 10, 20, 10, { ...ink, width: 6 }));
    expect(share(8, 10)).toBe(1);
    expect(share(6, 10)).toBe(0);
    expect(share(22, 10)).toBe(1);
    expect(share(23, 10)).toBe(0);
  });

  it('never lets a line come and go: thinner ones than 0.9 px have that width', () => {
    const thin = inked((raster) => raster.line(5, 10.5, 35, 10.5, { ...ink, width: 0.1 }));
    const known = inked((raster) => raster.line(5, 10.5, 35, 10.5, { ...ink, width: 0.9 }));
    expect(thin.total()).toBe(known.total());
    expect(thin.total()).toBeGreaterThan(20);
  });

  it('fills triangles by the pixels whose middles they hold; neighbours share none', () => {
    const alpha = { ...ink, alpha: 0.5 };
    const { share, total } = inked((raster) => {
      raster.triangle([5, 5, 25.3, 8.1, 17, 25], alpha);
      // The other side of its longest edge
      raster.triangle([17, 25, 25.3, 8.1, 33, 20], alpha);
    });
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) expect([0, 50]).toContain(Math.abs(Math.round(100 * share(x, y))));
    // Half of the areas by their corners: (20.3 · 20 − 12 · 3.1)/2 and (8.3 · −5 + 16 · 16.9)/2
    const area = (20.3 * 20 - 12 * 3.1) / 2 + Math.abs(8.3 * -5 - 16 * -16.9) / 2;
    expect(Math.abs(total() - area / 2)).toBeLessThan(0.03 * area);
  });

  it('lays what lets through over what is there, channel by channel', () => {
    const { at } = inked((raster) =>
      raster.triangle([0, 0, 80, 0, 0, 60], { colour: 'plum', alpha: 0.25, width: 0 }),
    );
    const mixed = ['FF', 'FD', 'F8'].map((under, k) => {
      const over = parseInt(colourValues.plum.slice(1 + 2 * k, 3 + 2 * k), 16);
      return 0.75 * parseInt(under, 16) + 0.25 * over;
    });
    at(3, 3)
      .slice(0, 3)
      .forEach((value, k) => expect(Math.abs(value - mixed[k]!)).toBeLessThanOrEqual(1));
    expect(at(3, 3)[3]).toBe(255);
  });

  it('keeps to the sheet, wherever lines and areas go, and inks nothing for a line without length', () => {
    const { total, share } = inked((raster) => {
      raster.line(-1e6, 12.5, 1e6, 12.5, ink);
      raster.line(20, -1e5, 20.001, 1e5, ink);
      raster.line(7, 7, 7, 7, { ...ink, width: 4 });
      raster.line(-50, -50, -20, -30, ink);
      raster.triangle([-100, 50, 200, 45, 30, 90], ink);
    });
    expect(share(0, 12)).toBe(1);
    expect(share(39, 12)).toBe(1);
    expect(Math.abs(total() - width - height)).toBeLessThan(2);
  });
});
