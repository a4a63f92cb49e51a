import type { DrawnLines } from '@hashira/core';
import type { BackgroundPainting } from './background-painting.service';
import { flatJobOf, paintFlat, type FlatJob } from './flat-job';
import type { Sheet, SheetPainter } from '../types';

/** Painting more strokes and triangles than this keeps the page for longer than the rest of its work for a frame. */
const mostAtOnce = 5000;

/** A hand that moves the camera moves it again within this time, ms; a frame that has grown is fitted anew once. */
const nextMove = 250;

/**
 * Paints sheets on a plain canvas, pixel by pixel: without a graphics card, and without waiting for one. A large drawing in the place of
 * another, and one that is fitted anew, is painted in the background, after the one that is being painted there; a camera that goes on
 * moving is followed at once.
 */
export class FlatPainter implements SheetPainter {
  private image: ImageData | undefined;
  /** What was asked for last. */
  private latest: FlatJob | undefined;
  /** What waits for the background. */
  private waiting: FlatJob | undefined;
  /** What the background paints, and whether something newer is on the canvas already. */
  private away: { overtaken: boolean } | undefined;
  /** When only the camera was last moved, or a moving picture swung. */
  private movedAt = -Infinity;

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly context: CanvasRenderingContext2D,
    private readonly background?: BackgroundPainting,
  ) {}

  /** A painter on a canvas; undefined where that has a context of another kind. */
  static on(canvas: HTMLCanvasElement, background?: BackgroundPainting): FlatPainter | undefined {
    const context = canvas.getContext('2d', { alpha: false });
    return context ? new FlatPainter(canvas, context, background) : undefined;
  }

  paint(sheet: Sheet, pixelRatio: number): void {
    const job = flatJobOf(sheet, pixelRatio);
    // A canvas that nothing was painted on is black: its first picture does not wait
    const mayWait = this.latest !== undefined && !this.isFollowed(this.latest, job);
    this.latest = job;
    if (mayWait && sizeOf(job.drawing) > mostAtOnce && this.background?.isReady()) {
      this.waiting = job;
      if (!this.away) void this.sendAway(this.background);
      return;
    }
    this.waiting = undefined;
    if (this.away) this.away.overtaken = true;
    this.paintHere(job);
  }

  dispose(): void {
    this.background?.forget(this);
    this.image = undefined;
    this.latest = undefined;
    this.waiting = undefined;
    if (this.away) this.away.overtaken = true;
  }

  /** Whether the camera goes on moving, or a picture swinging. */
  private isFollowed(before: FlatJob, job: FlatJob): boolean {
    if (!looksAlike(before, job)) return false;
    const now = performance.now();
    const since = now - this.movedAt;
    this.movedAt = now;
    return since < nextMove;
  }

  private paintHere(job: FlatJob): void {
    const { width, height } = job.options.size;
    if (this.image?.width !== width || this.image.height !== height)
      this.image = this.context.createImageData(width, height);
    paintFlat(job, this.image.data.buffer);
    this.put(this.image);
  }

  /** What waits goes to the background, until nothing does. */
  private async sendAway(background: BackgroundPainting): Promise<void> {
    for (let job = this.waiting; job; job = this.waiting) {
      this.waiting = undefined;
      const away = { overtaken: false };
      this.away = away;
      const { width, height } = job.options.size;
      const fits = this.image?.width === width && this.image.height === height;
      const pixels = fits ? this.image!.data.buffer : new ArrayBuffer(4 * width * height);
      this.image = undefined;
      const painted = await background.paint(this, job, pixels);
      this.away = undefined;
      if (away.overtaken) continue;
      if (!painted) {
        if (this.latest) this.paintHere(this.latest);
        return;
      }
      this.image = new ImageData(new Uint8ClampedArray(painted), width, height);
      this.put(this.image);
    }
  }

  private put(image: ImageData): void {
    const { canvas } = this;
    if (canvas.width !== image.width || canvas.height !== image.height) {
      canvas.width = image.width;
      canvas.height = image.height;
    }
    this.context.putImageData(image, 0, 0);
  }
}

function sizeOf({ strokeRanges, cornerRanges }: DrawnLines): number {
  return (strokeRanges.at(-1)?.[1] ?? 0) + (cornerRanges.at(-1)?.[1] ?? 0) / 3;
}

/** Whether only the camera differs, or the place of a moving picture. */
function looksAlike(one: FlatJob, other: FlatJob): boolean {
  const [a, b] = [one.options.scales!, other.options.scales!];
  return one.drawing === other.drawing && a.diagram === b.diagram && a.load === b.load;
}
