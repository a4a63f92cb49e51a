import { Draughtsman } from '@hashira/core';
import { known, sheetOf } from '../testing/slip-shed';
import { Painter } from './painter';
import type { Sheet } from './types';

/** Pixels of a sheet as it is painted: red, green, blue at a place, px from the top left corner. */
function painted(sheet: Sheet): (x: number, y: number) => [number, number, number] {
  const canvas = document.createElement('canvas');
  const painter = new Painter(canvas);
  painter.paint([sheet], 1);
  const copy = document.createElement('canvas');
  copy.width = canvas.width;
  copy.height = canvas.height;
  const context = copy.getContext('2d')!;
  context.drawImage(canvas, 0, 0);
  painter.dispose();
  return (x, y) => {
    const [r, g, b] = context.getImageData(x, y, 1, 1).data;
    return [r!, g!, b!];
  };
}

describe('Painter', () => {
  const base = sheetOf(known('fixed').scene);
  const white = [0xff, 0xfd, 0xf8];
  const ink = [0x22, 0x25, 0x2b];
  const near = (pixel: number[], colour: number[]) =>
    pixel.every((value, k) => Math.abs(value - colour[k]!) < 12);

  function sheetWith(draw: (pen: Draughtsman) => void): Sheet {
    const pen = new Draughtsman();
    draw(pen);
    return {
      ...base,
      scene: { ...base.scene, drawing: pen.finish() },
      view: { turn: 0, tilt: 0, centre: [0, 0, 0], scale: 50 },
      size: { width: 200, height: 100 },
      layers: ['members', 'diagram'],
    };
  }

  it('draws a stroke from end to end with its width in px, in its colour, and nothing beside it', () => {
    const at = painted(
      sheetWith((pen) => pen.line('members', [-1, 0, 0], [1, 0, 0], { colour: 'ink', width: 6 })),
    );
    // 50 px a metre about the middle of 200 × 100 px
    expect(near(at(100, 50), ink)).toBeTrue();
    expect(near(at(60, 50), ink)).toBeTrue();
    expect(near(at(100, 44), white)).toBeTrue();
    expect(near(at(20, 50), white)).toBeTrue();
  });

  it('draws areas moved by their scale, and hides layers that are off', () => {
    const draw = (pen: Draughtsman) =>
      pen.area(
        'diagram',
        [
          [-1, 0, 0],
          [1, 0, 0],
          [1, 0, 0],
          [-1, 0, 0],
        ],
        { colour: 'plum', scale: 'diagram' },
        [
          [0, 0, 0],
          [0, 0, 0],
          [0, 0, 1000],
          [0, 0, 1000],
        ],
      );
    const sheet = sheetWith(draw);
    const scaled = (diagram: number) => painted({ ...sheet, scales: { ...sheet.scales, diagram } });
    // 1000 N at 0.5 mm a newton is 25 px up
    expect(near(scaled(5e-4)(100, 40), white)).toBeFalse();
    expect(near(scaled(5e-4)(100, 20), white)).toBeTrue();
    expect(near(scaled(9e-4)(100, 20), white)).toBeFalse();
    expect(near(painted({ ...sheet, layers: ['members'] })(100, 40), white)).toBeTrue();
  });

  it('paints several sheets under each other', () => {
    const one = sheetWith((pen) => pen.line('members', [-1, 0, 0], [1, 0, 0], { colour: 'ink', width: 6 }));
    const canvas = document.createElement('canvas');
    const painter = new Painter(canvas);
    painter.paint([one, one], 1);
    expect([canvas.width, canvas.height]).toEqual([200, 200]);
    painter.dispose();
  });
});
