import { Injectable, InjectionToken, inject, type OnDestroy } from '@angular/core';
import type { DrawnLines } from '@hashira/core';
import type { FlatJob } from './flat-job';
import type { PaintAnswer, PaintRequest } from './painting-protocol';

/** Makes the worker that paints; tests put another in its place. */
export const PAINTING_WORKER = new InjectionToken<() => Worker>('painting worker', {
  providedIn: 'root',
  factory: () => () => new Worker(new URL('./painting.worker', import.meta.url), { type: 'module' }),
});

/** A canvas as the worker knows it. */
interface Known {
  readonly number: number;
  drawing?: DrawnLines;
  painted?: (pixels: ArrayBuffer | undefined) => void;
}

/** Paints large drawings in a thread of its own, so that the page goes on meanwhile. */
@Injectable({ providedIn: 'root' })
export class BackgroundPainting implements OnDestroy {
  private readonly makeWorker = inject(PAINTING_WORKER);
  private worker: Worker | undefined;
  private ready = false;
  /** A worker that breaks is not started again: the page paints by itself. */
  private broken = false;
  private readonly canvases = new Map<object, Known>();
  private last = 0;

  /** Whether it can paint now; the first question makes it begin. */
  isReady(): boolean {
    if (!this.worker && !this.broken) this.begin();
    return this.ready && !this.broken;
  }

  /**
   * Paints a sheet for a canvas, one after the other.
   *
   * @param canvas stands for the canvas
   * @param pixels four bytes for each pixel of the sheet; they are used up
   * @returns the pixels with the picture; undefined where it cannot paint any more
   */
  paint(
    canvas: object,
    { drawing, options }: FlatJob,
    pixels: ArrayBuffer,
  ): Promise<ArrayBuffer | undefined> {
    const { worker } = this;
    if (!worker || this.broken) return Promise.resolve(undefined);
    const known = this.canvases.get(canvas) ?? { number: ++this.last };
    this.canvases.set(canvas, known);
    const request: PaintRequest = {
      kind: 'paint',
      canvas: known.number,
      options,
      pixels,
      ...(known.drawing === drawing ? {} : { drawing: linesOf(drawing) }),
    };
    known.drawing = drawing;
    worker.postMessage(request, [pixels]);
    return new Promise((resolve) => (known.painted = resolve));
  }

  /** The canvas has left the page. */
  forget(canvas: object): void {
    const known = this.canvases.get(canvas);
    if (!known) return;
    this.canvases.delete(canvas);
    this.worker?.postMessage({ kind: 'forget', canvas: known.number } satisfies PaintRequest);
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
  }

  private begin(): void {
    const worker = this.makeWorker();
    this.worker = worker;
    worker.onmessage = ({ data }: MessageEvent<PaintAnswer>) => {
      if (data.kind === 'ready') this.ready = true;
      else
        for (const { number, painted } of this.canvases.values())
          if (number === data.canvas) painted?.(data.pixels);
    };
    // The browser tells of it; nothing is lost but speed
    worker.onerror = () => {
      this.broken = true;
      worker.terminate();
      for (const { painted } of this.canvases.values()) painted?.(undefined);
    };
  }
}

/** What is painted, without the texts, whose copies would take longer. */
function linesOf({ strokes, corners, strokeRanges, cornerRanges }: DrawnLines): DrawnLines {
  return { strokes, corners, strokeRanges, cornerRanges };
}
