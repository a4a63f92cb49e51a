import { colourValues, layFlat, type Drawing, type Ink, type Layer } from '@hashira/core';
import type { Sheet } from './types';

/** Thumbnails of drawings with more strokes than this show the frame alone: at their size more is a blot. */
const mostStrokes = 4000;
const frameLayers: readonly Layer[] = ['members', 'supports', 'hinges', 'moving'];

/** Paints sheets with the browser's plain 2D canvas: without a graphics card, and without waiting for one. */
export function paintFlat(sheet: Sheet, canvas: HTMLCanvasElement, pixelRatio: number): void {
  const { scene, view, size, scales, phase, thumbnail } = sheet;
  canvas.width = Math.round(size.width * pixelRatio);
  canvas.height = Math.round(size.height * pixelRatio);
  const context = canvas.getContext('2d', { alpha: false });
  if (!context) return;
  context.scale(pixelRatio, pixelRatio);
  context.fillStyle = colourValues.sheet;
  context.fillRect(0, 0, size.width, size.height);
  const pen = new FlatInk(context);
  layFlat(
    scene.drawing,
    {
      view,
      size,
      layers: thumbnail ? thumbnailLayers(scene.drawing, sheet.layers) : sheet.layers,
      scales: { ...scales, deformation: scales.deformation * phase },
      ...(thumbnail ? { marks: 0.55, thin: 0.6 } : {}),
    },
    pen,
  );
  pen.flush();
}

function thumbnailLayers({ strokeRanges }: Drawing, layers: readonly Layer[]): readonly Layer[] {
  const strokes = strokeRanges.at(-1)?.[1] ?? 0;
  return strokes > mostStrokes ? layers.filter((layer) => frameLayers.includes(layer)) : layers;
}

/** Gathers lines that are inked alike into one path. */
class FlatInk {
  private ink: Ink | undefined;
  private lines = true;

  constructor(private readonly context: CanvasRenderingContext2D) {
    context.lineCap = 'round';
  }

  line(x0: number, y0: number, x1: number, y1: number, ink: Ink): void {
    this.use(ink, true);
    this.context.moveTo(x0, y0);
    this.context.lineTo(x1, y1);
  }

  triangle(corners: ArrayLike<number>, ink: Ink): void {
    this.use(ink, false);
    this.context.moveTo(corners[0]!, corners[1]!);
    this.context.lineTo(corners[2]!, corners[3]!);
    this.context.lineTo(corners[4]!, corners[5]!);
    // Triangles that overlap in one path would cut holes into each other
    this.context.fill();
    this.context.beginPath();
  }

  private use(ink: Ink, lines: boolean): void {
    const { ink: last } = this;
    if (
      last &&
      this.lines === lines &&
      last.colour === ink.colour &&
      last.alpha === ink.alpha &&
      last.width === ink.width
    )
      return;
    this.flush();
    this.ink = ink;
    this.lines = lines;
    const { context } = this;
    context.globalAlpha = ink.alpha;
    context.fillStyle = context.strokeStyle = colourValues[ink.colour];
    context.lineWidth = Math.max(0.9, ink.width);
    context.beginPath();
  }

  /** Inks what was gathered. */
  flush(): void {
    const { context, ink } = this;
    if (!ink) return;
    if (this.lines) context.stroke();
    this.ink = undefined;
  }
}
