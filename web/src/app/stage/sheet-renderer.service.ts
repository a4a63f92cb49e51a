import { Injectable, signal, type OnDestroy } from '@angular/core';
import { paintFlat } from './flat-painter';
import { Painter } from './painter';
import type { Sheet } from './types';

/** Thumbnails are painted at the latest after this, ms. */
const longestWait = 100;
/** Browsers keep some sixteen WebGL contexts; sheets beyond this many are painted without. */
const mostContexts = 8;

/**
 * Paints sheets onto canvases. A large sheet has a WebGL context of its own, which the browser composes without waiting; thumbnails,
 * and all sheets where there is no WebGL, are painted on plain canvases. Thumbnails wait for a pause in the work, a tenth of a second
 * at the most.
 */
@Injectable({ providedIn: 'root' })
export class SheetRenderer implements OnDestroy {
  private readonly own = new Map<HTMLCanvasElement, Painter>();
  private withoutWebGl = false;
  private readonly waiting = new Map<HTMLCanvasElement, Sheet>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private idle = 0;

  /** Why nothing can be drawn, in words. */
  readonly failure = signal('');

  /** Paints a sheet onto a canvas of its size in CSS px. */
  paint(sheet: Sheet, canvas: HTMLCanvasElement): void {
    if (sheet.thumbnail) {
      this.waiting.set(canvas, sheet);
      this.schedule();
      return;
    }
    const painter = this.own.get(canvas) ?? this.ownPainter(canvas);
    if (painter) painter.paint(sheet, pixelRatio());
    else paintFlat(sheet, canvas, pixelRatio());
  }

  /** Frees what a canvas that leaves the page has taken. */
  release(canvas: HTMLCanvasElement): void {
    this.own.get(canvas)?.dispose();
    this.own.delete(canvas);
    this.waiting.delete(canvas);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    if (this.idle) cancelIdleCallback(this.idle);
    for (const painter of this.own.values()) painter.dispose();
  }

  private schedule(): void {
    if (this.timer !== undefined || this.idle) return;
    // Not every browser tells when it is idle
    if (typeof requestIdleCallback === 'function')
      this.idle = requestIdleCallback(() => this.paintWaiting(), { timeout: longestWait });
    else this.timer = setTimeout(() => this.paintWaiting(), longestWait / 2);
  }

  private ownPainter(canvas: HTMLCanvasElement): Painter | undefined {
    if (this.own.size >= mostContexts || this.withoutWebGl) return undefined;
    const painter = Painter.on(canvas);
    if (!painter) {
      this.withoutWebGl = true;
      return undefined;
    }
    canvas.addEventListener('webglcontextlost', (event) => {
      event.preventDefault();
      if (this.own.has(canvas))
        this.failure.set('The graphics card took the drawing away. Reload the page; what was saved is safe.');
    });
    this.own.set(canvas, painter);
    return painter;
  }

  private paintWaiting(): void {
    this.idle = 0;
    this.timer = undefined;
    for (const [canvas, sheet] of this.waiting) paintFlat(sheet, canvas, pixelRatio());
    this.waiting.clear();
  }
}

/** Pixels of the screen for a CSS px, a whole number so that sheets end on pixels. */
function pixelRatio(): number {
  return Math.min(2, Math.max(1, Math.round(globalThis.devicePixelRatio || 1)));
}
