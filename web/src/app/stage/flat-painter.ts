import { layFlat, Raster, type Drawing, type Layer } from '@hashira/core';
import type { Sheet, SheetPainter } from './types';

/** Thumbnails of drawings with more strokes than this show the frame alone: at their size more is a blot. */
const mostStrokes = 4000;
const frameLayers: readonly Layer[] = ['members', 'supports', 'hinges', 'moving'];

/** Paints sheets on a plain canvas, pixel by pixel: without a graphics card, and without waiting for one. */
export class FlatPainter implements SheetPainter {
  private image: ImageData | undefined;

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly context: CanvasRenderingContext2D,
  ) {}

  /** A painter on a canvas; undefined where that has a context of another kind. */
  static on(canvas: HTMLCanvasElement): FlatPainter | undefined {
    const context = canvas.getContext('2d', { alpha: false });
    return context ? new FlatPainter(canvas, context) : undefined;
  }

  paint(sheet: Sheet, pixelRatio: number): void {
    const { scene, view, size, scales, phase, thumbnail } = sheet;
    const width = Math.max(1, Math.round(size.width * pixelRatio));
    const height = Math.max(1, Math.round(size.height * pixelRatio));
    if (this.image?.width !== width || this.image.height !== height) {
      this.canvas.width = width;
      this.canvas.height = height;
      this.image = this.context.createImageData(width, height);
    }
    const raster = new Raster(new Int32Array(this.image.data.buffer), width, height);
    raster.clear('sheet');
    layFlat(
      scene.drawing,
      {
        // In pixels of the screen
        view: { ...view, scale: view.scale * pixelRatio },
        size: { width, height },
        layers: thumbnail ? thumbnailLayers(scene.drawing, sheet.layers) : sheet.layers,
        scales: { ...scales, deformation: scales.deformation * phase },
        marks: pixelRatio * (thumbnail ? 0.55 : 1),
        thin: pixelRatio * (thumbnail ? 0.6 : 1),
      },
      raster,
    );
    this.context.putImageData(this.image, 0, 0);
  }

  dispose(): void {
    this.image = undefined;
  }
}

function thumbnailLayers({ strokeRanges }: Drawing, layers: readonly Layer[]): readonly Layer[] {
  const strokes = strokeRanges.at(-1)?.[1] ?? 0;
  return strokes > mostStrokes ? layers.filter((layer) => frameLayers.includes(layer)) : layers;
}
