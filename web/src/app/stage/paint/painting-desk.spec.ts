import { known, sheetOf } from '../../testing/slip-shed';
import { flatJobOf, paintFlat } from './flat-job';
import { PaintingDesk } from './painting-desk';

describe('PaintingDesk', () => {
  const job = flatJobOf(sheetOf(known('fixed').scene), 1);
  const { width, height } = job.options.size;
  const blank = () => new ArrayBuffer(4 * width * height);
  /** The picture as the page paints it. */
  function painted(): Uint8Array {
    const pixels = blank();
    paintFlat(job, pixels);
    return new Uint8Array(pixels);
  }

  it('paints what the page would, into the pixels that it got', () => {
    const desk = new PaintingDesk();
    const pixels = blank();
    const answer = desk.take({ kind: 'paint', canvas: 3, ...job, pixels });
    expect(answer).toEqual({ kind: 'painted', canvas: 3, pixels });
    expect(new Uint8Array(pixels)).toEqual(painted());
    expect(new Set(painted()).size).toBeGreaterThan(10);
  });

  it('keeps the drawing of each canvas until that has left the page', () => {
    const desk = new PaintingDesk();
    desk.take({ kind: 'paint', canvas: 1, ...job, pixels: blank() });
    const again = blank();
    desk.take({ kind: 'paint', canvas: 1, options: job.options, pixels: again });
    expect(new Uint8Array(again)).toEqual(painted());
    const asked = { kind: 'paint', options: job.options, pixels: blank() } as const;
    expect(() => desk.take({ ...asked, canvas: 2 })).toThrowError('canvas 2 has no drawing');
    expect(desk.take({ kind: 'forget', canvas: 1 })).toBeUndefined();
    expect(() => desk.take({ ...asked, canvas: 1 })).toThrowError('canvas 1 has no drawing');
  });
});
