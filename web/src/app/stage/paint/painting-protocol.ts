import type { DrawnLines, FlatOptions } from '@hashira/core';

/** What the page asks the worker that paints. */
export type PaintRequest =
  | {
      readonly kind: 'paint';
      /** Number of the canvas. */
      readonly canvas: number;
      /** The drawing, where it is another than that of the canvas before. */
      readonly drawing?: DrawnLines;
      readonly options: FlatOptions;
      /** Four bytes for each pixel of the sheet; they go to the worker and come back with the picture. */
      readonly pixels: ArrayBuffer;
    }
  /** The canvas has left the page. */
  | { readonly kind: 'forget'; readonly canvas: number };

/** What the worker that paints tells. */
export type PaintAnswer =
  | { readonly kind: 'ready' }
  | { readonly kind: 'painted'; readonly canvas: number; readonly pixels: ArrayBuffer };
