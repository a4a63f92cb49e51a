import { TestBed } from '@angular/core/testing';
import { fitView, standardViews } from '@hashira/core';
import { known, sheetOf } from '../../testing/slip-shed';
import { ACCELERATED, SheetRenderer } from './sheet-renderer.service';
import type { Sheet } from '../types';

describe('SheetRenderer', () => {
  const large = sheetOf(known('fixed').scene);
  const size = { width: 96, height: 74 };
  const margins = { left: 8, right: 8, top: 8, bottom: 8 };
  const view = fitView(large.scene.points, standardViews.front, size, margins);
  const small: Sheet = { ...large, view, size, thumbnail: true };
  let renderer: SheetRenderer;
  const canvas = () => document.createElement('canvas');
  /** Whether anything but the sheet's own colour is on the canvas. */
  function isInked(painted: HTMLCanvasElement): boolean {
    const { data } = painted.getContext('2d')!.getImageData(0, 0, painted.width, painted.height);
    for (let i = 0; i < data.length; i += 4) if (data[i]! < 0x80) return true;
    return false;
  }

  /** A renderer on a machine with a graphics card, or on one without. */
  function on(accelerated: boolean): void {
    TestBed.configureTestingModule({ providers: [{ provide: ACCELERATED, useValue: accelerated }] });
    renderer = TestBed.inject(SheetRenderer);
  }

  it('paints a stage at once, with WebGL where there is a graphics card', () => {
    on(true);
    const stage = canvas();
    renderer.paint(large, stage);
    expect(stage.getContext('webgl2')).not.toBeNull();
    expect([stage.width, stage.height]).toEqual([800, 600]);
    renderer.release(stage);
  });

  it('paints thumbnails a little later, without WebGL, the latest picture alone', async () => {
    on(true);
    const thumbnail = canvas();
    renderer.paint({ ...small, layers: [] }, thumbnail);
    renderer.paint(small, thumbnail);
    expect([thumbnail.width, thumbnail.height]).toEqual([300, 150]);
    await new Promise((done) => setTimeout(done, 250));
    expect([thumbnail.width, thumbnail.height]).toEqual([96, 74]);
    expect(isInked(thumbnail)).toBeTrue();
  });

  it('does not paint what has left the page meanwhile', async () => {
    on(true);
    const thumbnail = canvas();
    renderer.paint(small, thumbnail);
    renderer.release(thumbnail);
    await new Promise((done) => setTimeout(done, 250));
    expect(thumbnail.width).toBe(300);
  });

  it('paints stages on plain canvases where the browser gives no WebGL after all', () => {
    on(true);
    const stage = canvas();
    const plain = stage.getContext.bind(stage) as (kind: string, options?: unknown) => unknown;
    stage.getContext = ((kind: string, options?: unknown) =>
      kind === 'webgl2' ? null : plain(kind, options)) as typeof stage.getContext;
    renderer.paint(large, stage);
    expect(isInked(stage)).toBeTrue();
    expect(renderer.failure()).toBe('');
  });

  it('paints stages on plain canvases at once where there is no graphics card, again and again', () => {
    on(false);
    const stage = canvas();
    renderer.paint({ ...large, layers: [] }, stage);
    expect(stage.getContext('webgl2')).toBeNull();
    expect(isInked(stage)).toBeFalse();
    renderer.paint(large, stage);
    expect([stage.width, stage.height]).toEqual([800, 600]);
    expect(isInked(stage)).toBeTrue();
  });
});
