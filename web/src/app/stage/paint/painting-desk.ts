import type { DrawnLines } from '@hashira/core';
import { paintFlat } from './flat-job';
import type { PaintAnswer, PaintRequest } from './painting-protocol';

/** What the worker that paints does: it keeps the drawing of each canvas, and paints it as often as it is asked for. */
export class PaintingDesk {
  private readonly drawings = new Map<number, DrawnLines>();

  /** @returns the picture that was asked for */
  take(request: PaintRequest): PaintAnswer | undefined {
    const { canvas } = request;
    if (request.kind === 'forget') {
      this.drawings.delete(canvas);
      return undefined;
    }
    const { options, pixels } = request;
    const drawing = request.drawing ?? this.drawings.get(canvas);
    if (!drawing) throw new Error(`canvas ${canvas} has no drawing`);
    this.drawings.set(canvas, drawing);
    paintFlat({ drawing, options }, pixels);
    return { kind: 'painted', canvas, pixels };
  }
}
