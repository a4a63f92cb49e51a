import { Draughtsman } from '@hashira/core';
import { known, sheetOf } from '../../testing/slip-shed';
import { FlatPainter } from './flat-painter';
import { Painter } from './painter';
import type { Sheet } from '../types';

/** The two ways to paint a sheet: by WebGL, and on a plain canvas. */
const ways: Readonly<Record<string, (sheet: Sheet, canvas: HTMLCanvasElement) => void>> = {
  'by WebGL': (sheet, canvas) => {
    const gl = document.createElement('canvas');
    const painter = Painter.on(gl)!;
    painter.paint(sheet, 1);
    canvas.width = gl.width;
    canvas.height = gl.height;
    canvas.getContext('2d')!.drawImage(gl, 0, 0);
    painter.dispose();
  },
  'on a plain canvas': (sheet, canvas) => FlatPainter.on(canvas)!.paint(sheet, 1),
};

for (const [way, paint] of Object.entries(ways))
  describe(`Painting ${way}`, () => {
    /** Pixels of a sheet as it is painted: red, green, blue at a place, px from the top left corner. */
    function painted(sheet: Sheet): (x: number, y: number) => [number, number, number] {
      const canvas = document.createElement('canvas');
      paint(sheet, canvas);
      const context = canvas.getContext('2d')!;
      return (x, y) => {
        const [r, g, b] = context.getImageData(x, y, 1, 1).data;
        return [r!, g!, b!];
      };
    }

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
        sheetWith((pen) => pen.on('members').line([-1, 0, 0], [1, 0, 0], { colour: 'ink', width: 6 })),
      );
      // 50 px a metre about the middle of 200 × 100 px
      expect(near(at(100, 50), ink)).toBeTrue();
      expect(near(at(60, 50), ink)).toBeTrue();
      expect(near(at(100, 44), white)).toBeTrue();
      expect(near(at(20, 50), white)).toBeTrue();
    });

    it('draws areas moved by their scale, and hides layers that are off', () => {
      const draw = (pen: Draughtsman) =>
        pen.on('diagram').area(
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

    it('fills the area between a line and where it would be without its displacements', () => {
      const sheet = sheetWith((pen) =>
        pen
          .on('diagram')
          .line(
            [-1, 0, 0],
            [1, 0, 0],
            { colour: 'ink', scale: 'diagram', fill: 0.5 },
            [0, 0, 0],
            [0, 0, 1000],
          ),
      );
      // From the middle of the left edge up to 25 px at the right one: half of ink and half of the sheet
      const at = painted({ ...sheet, scales: { ...sheet.scales, diagram: 5e-4 } });
      const half = white.map((value, k) => (value + ink[k]!) / 2);
      expect(near(at(140, 45), half)).toBeTrue();
      expect(near(at(100, 45), half)).toBeTrue();
      expect(near(at(100, 30), white)).toBeTrue();
      expect(near(at(60, 45), white)).toBeTrue();
      expect(near(at(140, 55), white)).toBeTrue();
      // Not above the line, where the area of the whole box would be
      expect(near(at(100, 34), white)).toBeTrue();
    });

    it('draws symbols of px along the direction in which they point', () => {
      // An arrow to the right that ends 20 px left of the middle and is 60 px long
      const at = painted(
        sheetWith((pen) =>
          pen.on('members').arrow([0, 0, 0], [1, 0, 0], { gap: 20, length: 60 }, { colour: 'ink', width: 4 }),
        ),
      );
      expect(near(at(40, 50), ink)).toBeTrue();
      expect(near(at(76, 50), ink)).toBeTrue();
      expect(near(at(90, 50), white)).toBeTrue();
      expect(near(at(10, 50), white)).toBeTrue();
    });

    it('interrupts members of a solid frame where nearer ones pass before them, and not at joints', () => {
      const at = painted(
        (() => {
          const sheet = sheetWith((pen) => {
            const style = { colour: 'ink', width: 3 } as const;
            // Nearer ones first, and last
            pen.on('members').line([-1, 0, -0.8], [-1, 0, 0.8], style);
            pen.on('members').line([-1.8, 10, 0], [1.8, 10, 0], style);
            pen.on('members').line([1, 0, -0.8], [1, 0, 0.8], style);
            // It meets the far one
            pen.on('members').line([0, 10, 0], [0, 10, 0.8], style);
          });
          const points = Float32Array.of(-1, 0, -1, 1, 10, 1);
          return { ...sheet, scene: { ...sheet.scene, points, space: 'solid' as const } };
        })(),
      );
      const isWhite = (x: number, y: number) => near(at(x, y), white);
      for (const x of [50, 150]) {
        expect(near(at(x, 50), ink))
          .withContext(`near at ${x}`)
          .toBeTrue();
        expect(isWhite(x - 3, 50))
          .withContext(`beside ${x}`)
          .toBeTrue();
        expect(isWhite(x + 3, 50))
          .withContext(`beside ${x}`)
          .toBeTrue();
        expect(isWhite(x - 12, 50))
          .withContext(`farther left of ${x}`)
          .toBeFalse();
      }
      for (const x of [92, 96, 100, 104]) expect(isWhite(x, 50)).withContext(`joint at ${x}`).toBeFalse();
    });
  });
