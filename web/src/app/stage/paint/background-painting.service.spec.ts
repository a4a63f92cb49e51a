import { TestBed } from '@angular/core/testing';
import { known, sheetOf } from '../../testing/slip-shed';
import { BackgroundPainting, PAINTING_WORKER } from './background-painting.service';
import { flatJobOf } from './flat-job';
import { PaintingDesk } from './painting-desk';
import type { PaintRequest } from './painting-protocol';

describe('BackgroundPainting', () => {
  const job = flatJobOf(sheetOf(known('fixed').scene), 1);
  const { width, height } = job.options.size;
  const blank = () => new ArrayBuffer(4 * width * height);
  const inked = (pixels: ArrayBuffer | undefined) => new Set(new Uint8Array(pixels!)).size > 10;
  let requests: PaintRequest[];
  let worker: Pick<Worker, 'onmessage' | 'onerror' | 'terminate' | 'postMessage'>;
  let made: number;
  let ended: number;

  /** A service whose worker is a desk on the page. */
  function service(): BackgroundPainting {
    requests = [];
    made = ended = 0;
    const desk = new PaintingDesk();
    const makeWorker = (): Worker => {
      made++;
      worker = {
        onmessage: null,
        onerror: null,
        terminate: () => ended++,
        postMessage: (request: PaintRequest) => {
          requests.push(request);
          const data = desk.take(request);
          if (data) void Promise.resolve().then(() => tell(data));
        },
      };
      return worker as Worker;
    };
    TestBed.configureTestingModule({ providers: [{ provide: PAINTING_WORKER, useValue: makeWorker }] });
    return TestBed.inject(BackgroundPainting);
  }
  const tell = (data: unknown) =>
    worker.onmessage!.call(worker as Worker, new MessageEvent('message', { data }));

  it('begins with the first question and is ready when its worker says so', () => {
    const background = service();
    expect(made).toBe(0);
    expect(background.isReady()).toBeFalse();
    expect(background.isReady()).toBeFalse();
    tell({ kind: 'ready' });
    expect(background.isReady()).toBeTrue();
    expect(made).toBe(1);
  });

  it('paints for several canvases, and sends a drawing once', async () => {
    const background = service();
    background.isReady();
    const [one, other] = [{}, {}];
    expect(inked(await background.paint(one, job, blank()))).toBeTrue();
    expect(inked(await background.paint(other, job, blank()))).toBeTrue();
    expect(inked(await background.paint(one, job, blank()))).toBeTrue();
    expect(requests.map((request) => [request.canvas, 'drawing' in request])).toEqual([
      [1, true],
      [2, true],
      [1, false],
    ]);
    background.forget(one);
    expect(requests.at(-1)).toEqual({ kind: 'forget', canvas: 1 });
    expect(inked(await background.paint(one, job, blank()))).toBeTrue();
    expect(requests.at(-1)!.canvas).toBe(3);
  });

  it('says that it cannot paint any more when its worker breaks, and does not start it again', async () => {
    const background = service();
    background.isReady();
    tell({ kind: 'ready' });
    const canvas = {};
    worker.postMessage = () => undefined;
    const waiting = background.paint(canvas, job, blank());
    worker.onerror!.call(worker as Worker, new ErrorEvent('error'));
    expect(await waiting).toBeUndefined();
    expect(await background.paint(canvas, job, blank())).toBeUndefined();
    expect(background.isReady()).toBeFalse();
    expect([made, ended]).toEqual([1, 1]);
  });

  it('paints in a worker of its own', async () => {
    TestBed.configureTestingModule({});
    const background = TestBed.inject(BackgroundPainting);
    for (let i = 0; i < 200 && !background.isReady(); i++) await new Promise((done) => setTimeout(done, 50));
    const pixels = blank();
    const painted = await background.paint({}, job, pixels);
    expect(pixels.byteLength).toBe(0);
    expect(inked(painted)).toBeTrue();
  });
});
