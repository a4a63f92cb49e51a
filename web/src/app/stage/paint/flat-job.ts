import { depthOf, layFlat, Raster, type DrawnLines, type FlatOptions, type Layer } from '@hashira/core';
import type { Sheet } from '../types';

/** Thumbnails of drawings with more strokes than this show the frame alone: at their size more is a blot. */
const mostStrokes = 4000;
const frameLayers: readonly Layer[] = ['members', 'whole', 'supports', 'hinges', 'moving'];

/** What is painted pixel by pixel: plain data, which can go to a worker. */
export interface FlatJob {
  readonly drawing: DrawnLines;
  /** In pixels of the screen. */
  readonly options: FlatOptions;
}

/** @param pixelRatio pixels of the screen for a CSS px */
export function flatJobOf(sheet: Sheet, pixelRatio: number): FlatJob {
  const { scene, view, size, scales, phase, thumbnail, layers } = sheet;
  return {
    drawing: scene.drawing,
    options: {
      view: { ...view, scale: view.scale * pixelRatio },
      size: {
        width: Math.max(1, Math.round(size.width * pixelRatio)),
        height: Math.max(1, Math.round(size.height * pixelRatio)),
      },
      layers: thumbnail ? thumbnailLayers(scene.drawing, layers) : layers,
      // Where a slice stands in ink the rest is faint, near or far
      ...(scene.space === 'solid' && (thumbnail || !scene.slice)
        ? { depth: depthOf(scene.points, view), interrupted: !thumbnail }
        : {}),
      scales: { ...scales, deformation: scales.deformation * phase },
      marks: pixelRatio * (thumbnail ? 0.55 : 1),
      thin: pixelRatio * (thumbnail ? 0.6 : 1),
    },
  };
}

/** Paints over all of a sheet's pixels: row by row from the top left corner, four bytes each. */
export function paintFlat({ drawing, options }: FlatJob, pixels: ArrayBufferLike): void {
  const { width, height } = options.size;
  const raster = new Raster(new Int32Array(pixels), width, height);
  raster.clear('sheet');
  layFlat(drawing, options, raster);
}

function thumbnailLayers({ strokeRanges }: DrawnLines, layers: readonly Layer[]): readonly Layer[] {
  const strokes = strokeRanges.at(-1)?.[1] ?? 0;
  return strokes > mostStrokes ? layers.filter((layer) => frameLayers.includes(layer)) : layers;
}
