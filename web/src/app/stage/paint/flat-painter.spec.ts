import { Draughtsman } from '@hashira/core';
import { known, sheetOf } from '../../testing/slip-shed';
import type { BackgroundPainting } from './background-painting.service';
import { paintFlat, type FlatJob } from './flat-job';
import { FlatPainter } from './flat-painter';
import type { Sheet } from '../types';

/** A background that paints when it is told to. */
class Background {
  readonly asked: FlatJob[] = [];
  ready = true;
  forgotten = false;
  private answer: ((broken: boolean) => void) | undefined;

  isReady(): boolean {
    return this.ready;
  }

  paint(_: object, job: FlatJob, pixels: ArrayBuffer): Promise<ArrayBuffer | undefined> {
    this.asked.push(job);
    return new Promise((resolve) => {
      this.answer = (broken) => {
        if (!broken) paintFlat(job, pixels);
        resolve(broken ? undefined : pixels);
      };
    });
  }

  forget(): void {
    this.forgotten = true;
  }

  async finish(broken = false): Promise<void> {
    this.answer!(broken);
    await Promise.resolve();
    await Promise.resolve();
  }
}

describe('FlatPainter', () => {
  let background: Background;
  let canvas: HTMLCanvasElement;
  let painter: FlatPainter;

  beforeEach(() => {
    background = new Background();
    canvas = document.createElement('canvas');
    painter = FlatPainter.on(canvas, background as unknown as BackgroundPainting)!;
  });

  /** A sheet with so many strokes, all of them a beam across the middle at a height, m. */
  function sheet(strokes: number, height: number): Sheet {
    const pen = new Draughtsman();
    for (let i = 0; i < strokes; i++)
      pen.on('members').line([-1, 0, height], [1, 0, height], { colour: 'ink', width: 4 });
    const base = sheetOf(known('fixed').scene);
    return {
      ...base,
      scene: { ...base.scene, drawing: pen.finish() },
      view: { turn: 0, tilt: 0, centre: [0, 0, 0], scale: 50 },
      size: { width: 200, height: 100 },
      layers: ['members'],
    };
  }
  /** At which height the beam is on the canvas, m. */
  function shown(): number {
    const { data } = canvas.getContext('2d')!.getImageData(100, 0, 1, canvas.height);
    const rows = Array.from({ length: canvas.height }, (_, y) => y).filter((y) => data[4 * y]! < 0x80);
    return (canvas.height / 2 - (rows[0]! + rows.at(-1)! + 1) / 2) / 50;
  }

  it('paints small drawings at once', () => {
    painter.paint(sheet(5000, 0.5), 1);
    expect(background.asked).toEqual([]);
    expect(shown()).toBe(0.5);
  });

  it('paints large ones at once until the background is ready', () => {
    background.ready = false;
    painter.paint(sheet(5001, 0.5), 1);
    expect(shown()).toBe(0.5);
  });

  it('paints the first picture of a canvas at once, however large', () => {
    painter.paint(sheet(5001, 0.5), 1);
    expect(background.asked).toEqual([]);
    expect(shown()).toBe(0.5);
  });

  it('has another large drawing painted in the background, the latest after the one that is painted there', async () => {
    const heights = [0.5, 0.2, -0.4, 0.1].map((height) => sheet(5001, height));
    for (const one of heights) painter.paint(one, 1);
    expect(background.asked.length).toBe(1);
    expect(shown()).toBe(0.5);
    await background.finish();
    expect(shown()).toBe(0.2);
    expect(background.asked.map(({ drawing }) => drawing)).toEqual([
      heights[1]!.scene.drawing,
      heights[3]!.scene.drawing,
    ]);
    await background.finish();
    expect(shown()).toBe(0.1);
  });

  describe('a camera', () => {
    let now: number;
    const from = (one: Sheet, height: number): Sheet => ({
      ...one,
      view: { ...one.view, centre: [0, 0, height] },
    });

    beforeEach(() => {
      now = 1000;
      spyOn(performance, 'now').and.callFake(() => now);
    });

    it('that goes on moving is followed at once, and an older picture does not come over it', async () => {
      const one = sheet(5001, 0.5);
      painter.paint(one, 1);
      painter.paint(from(one, 0.1), 1);
      expect(shown()).toBe(0.5);
      now += 249;
      painter.paint(from(one, 0.2), 1);
      expect(shown()).toBe(0.3);
      await background.finish();
      expect(shown()).toBe(0.3);
    });

    it('that is set anew does not keep the page', async () => {
      const one = sheet(5001, 0.5);
      painter.paint(one, 1);
      for (const height of [0.1, 0.2]) {
        now += 250;
        painter.paint(from(one, height), 1);
        expect(background.asked.length).toBe(height === 0.1 ? 1 : 2);
        await background.finish();
        expect(shown()).toBeCloseTo(0.5 - height, 10);
      }
    });
  });

  it('has other scales of diagrams painted in the background', () => {
    const one = sheet(5001, 0.5);
    painter.paint(one, 1);
    painter.paint({ ...one, scales: { ...one.scales, diagram: 2 * one.scales.diagram + 1 } }, 1);
    expect(background.asked.length).toBe(1);
  });

  it('paints by itself when the background has broken', async () => {
    for (const height of [0, 0.5, 0.2]) painter.paint(sheet(5001, height), 1);
    await background.finish(true);
    expect(shown()).toBe(0.2);
  });

  it('is not painted on after it has left the page', async () => {
    for (const height of [0, 0.5]) painter.paint(sheet(5001, height), 1);
    painter.dispose();
    expect(background.forgotten).toBeTrue();
    await background.finish();
    expect(shown()).toBe(0);
  });
});
