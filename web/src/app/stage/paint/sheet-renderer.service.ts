import { Injectable, InjectionToken, inject, signal, type OnDestroy } from '@angular/core';
import { BackgroundPainting } from './background-painting.service';
import { FlatPainter } from './flat-painter';
import { Painter } from './painter';
import type { Sheet, SheetPainter } from '../types';

/** Whether there is a graphics card to paint with. */
export const ACCELERATED = new InjectionToken<boolean>('graphics card', {
  providedIn: 'root',
  factory: () => Painter.isAccelerated(),
});

/** The next thumbnail is painted at the latest after this, ms. */
const longestWait = 100;
/** What a thumbnail takes, ms. */
const thumbnailTime = 4;
/** Browsers keep some sixteen WebGL contexts; sheets beyond this many are painted without. */
const mostContexts = 8;

/**
 * Paints sheets onto canvases. A large sheet has a WebGL context of its own, which the browser composes without waiting; thumbnails,
 * and all sheets where no graphics card is behind WebGL, are painted on plain canvases. Thumbnails wait for pauses in the work, one of
 * them for a tenth of a second at the most.
 */
@Injectable({ providedIn: 'root' })
export class SheetRenderer implements OnDestroy {
  private readonly painters = new Map<HTMLCanvasElement, SheetPainter>();
  private readonly accelerated = inject(ACCELERATED);
  private readonly background = inject(BackgroundPainting);
  private contexts = 0;
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
    this.painterOf(canvas, false)?.paint(sheet, pixelRatio());
  }

  /** Frees what a canvas that leaves the page has taken. */
  release(canvas: HTMLCanvasElement): void {
    const painter = this.painters.get(canvas);
    if (painter instanceof Painter) this.contexts--;
    painter?.dispose();
    this.painters.delete(canvas);
    this.waiting.delete(canvas);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    if (this.idle) cancelIdleCallback(this.idle);
    for (const painter of this.painters.values()) painter.dispose();
  }

  private schedule(): void {
    if (this.timer !== undefined || this.idle) return;
    // Not every browser tells when it is idle
    if (typeof requestIdleCallback === 'function')
      this.idle = requestIdleCallback((deadline) => this.paintWaiting(deadline), { timeout: longestWait });
    else this.timer = setTimeout(() => this.paintWaiting(), longestWait / 2);
  }

  private painterOf(canvas: HTMLCanvasElement, thumbnail: boolean): SheetPainter | undefined {
    const known = this.painters.get(canvas);
    if (known) return known;
    const byWebGl = this.accelerated && !thumbnail && this.contexts < mostContexts;
    const painter =
      (byWebGl ? this.webGlPainter(canvas) : undefined) ??
      FlatPainter.on(canvas, thumbnail ? undefined : this.background);
    if (painter) this.painters.set(canvas, painter);
    return painter;
  }

  private webGlPainter(canvas: HTMLCanvasElement): Painter | undefined {
    const painter = Painter.on(canvas);
    if (!painter) return undefined;
    canvas.addEventListener('webglcontextlost', (event) => {
      event.preventDefault();
      if (this.painters.has(canvas))
        this.failure.set('The graphics card took the drawing away. Reload the page; what was saved is safe.');
    });
    this.contexts++;
    return painter;
  }

  /** Paints thumbnails while there is time, one at the least; the others wait for the next pause. */
  private paintWaiting(pause?: IdleDeadline): void {
    this.idle = 0;
    this.timer = undefined;
    for (const [canvas, sheet] of this.waiting) {
      this.painterOf(canvas, true)?.paint(sheet, pixelRatio());
      this.waiting.delete(canvas);
      if (pause && pause.timeRemaining() < thumbnailTime) break;
    }
    if (this.waiting.size > 0) this.schedule();
  }
}

/** Pixels of the screen for a CSS px, a whole number so that sheets end on pixels. */
function pixelRatio(): number {
  return Math.min(2, Math.max(1, Math.round(globalThis.devicePixelRatio || 1)));
}
