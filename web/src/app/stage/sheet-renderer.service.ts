import { Injectable, signal, type OnDestroy } from '@angular/core';
import { Painter } from './painter';
import type { Sheet } from './types';

/** Sheets up to this width share one context and wait for the large ones, px. */
const smallWidth = 200;
/** Thumbnails are painted at the latest after this, ms. */
const longestWait = 100;
/** Browsers keep some sixteen WebGL contexts; sheets beyond this many share one too. */
const mostContexts = 8;

/**
 * Paints sheets onto canvases. A large sheet has a WebGL context of its own, which the browser composes without waiting; thumbnails
 * share one off the page and wait for a pause in the work, a tenth of a second at the most.
 */
@Injectable({ providedIn: 'root' })
export class SheetRenderer implements OnDestroy {
  private readonly own = new Map<HTMLCanvasElement, Painter>();
  private shared: Painter | undefined;
  private sharedCanvas: OffscreenCanvas | undefined;
  private readonly waiting = new Map<HTMLCanvasElement, Sheet>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private idle = 0;

  /** Why nothing can be drawn, in words. */
  readonly failure = signal('');

  /** Paints a sheet onto a canvas of its size in CSS px. */
  paint(sheet: Sheet, canvas: HTMLCanvasElement): void {
    const painter =
      this.own.get(canvas) ?? (sheet.size.width > smallWidth ? this.ownPainter(canvas) : undefined);
    if (painter) {
      painter.paint([sheet], pixelRatio());
      return;
    }
    if (this.failure() !== '') return;
    this.waiting.set(canvas, sheet);
    this.schedule();
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
    this.shared?.dispose();
  }

  private schedule(): void {
    if (this.timer !== undefined || this.idle) return;
    // Not every browser tells when it is idle
    if (typeof requestIdleCallback === 'function')
      this.idle = requestIdleCallback(() => this.paintWaiting(), { timeout: longestWait });
    else this.timer = setTimeout(() => this.paintWaiting(), longestWait / 2);
  }

  private ownPainter(canvas: HTMLCanvasElement): Painter | undefined {
    if (this.own.size >= mostContexts || this.failure() !== '') return undefined;
    const painter = this.tried(() => new Painter(canvas));
    if (!painter) return undefined;
    canvas.addEventListener('webglcontextlost', (event) => {
      event.preventDefault();
      if (this.own.has(canvas))
        this.failure.set('The graphics card took the drawing away. Reload the page; what was saved is safe.');
    });
    this.own.set(canvas, painter);
    return painter;
  }

  private tried(make: () => Painter): Painter | undefined {
    try {
      return make();
    } catch (error) {
      this.failure.set(error instanceof Error ? error.message : String(error));
      return undefined;
    }
  }

  /** Paints what waits in one picture for each size, so that the graphics process is waited for once. */
  private paintWaiting(): void {
    this.idle = 0;
    this.timer = undefined;
    this.sharedCanvas ??= new OffscreenCanvas(1, 1);
    this.shared ??= this.tried(() => new Painter(this.sharedCanvas!));
    const ratio = pixelRatio();
    for (const group of this.shared ? bySize(this.waiting) : []) {
      this.shared!.paint(
        group.map(({ sheet }) => sheet),
        ratio,
      );
      const picture = this.sharedCanvas.transferToImageBitmap();
      const { width, height } = group[0]!.sheet.size;
      const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
      group.forEach(({ canvas }, i) => {
        canvas.width = w;
        canvas.height = h;
        canvas.getContext('2d')?.drawImage(picture, 0, h * i, w, h, 0, 0, w, h);
      });
      picture.close();
    }
    this.waiting.clear();
  }
}

function bySize(
  waiting: ReadonlyMap<HTMLCanvasElement, Sheet>,
): { canvas: HTMLCanvasElement; sheet: Sheet }[][] {
  const groups = new Map<string, { canvas: HTMLCanvasElement; sheet: Sheet }[]>();
  for (const [canvas, sheet] of waiting) {
    const key = `${sheet.size.width} ${sheet.size.height}`;
    groups.set(key, [...(groups.get(key) ?? []), { canvas, sheet }]);
  }
  return [...groups.values()];
}

/** Pixels of the screen for a CSS px, a whole number so that sheets end on pixels. */
function pixelRatio(): number {
  return Math.min(2, Math.max(1, Math.round(globalThis.devicePixelRatio || 1)));
}
