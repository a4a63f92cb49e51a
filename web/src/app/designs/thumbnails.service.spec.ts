import { TestBed } from '@angular/core/testing';
import { of, throwError } from 'rxjs';
import type { Design, DesignPreview } from '@hashira/core';
import { CALCULATION_WORKER } from '../state/calculation/calculation-tokens';

import { CalculationDesk } from '../state/calculation/worker/desk';
import type { WorkerAnswer, WorkerRequest } from '../state/calculation/protocol';
import { ApiProblem, DesignApi, type DesignSummary } from '../state/saving/design-api.service';
import { quickShed } from '../testing/open-design';
import { CalculationAside } from '../state/calculation/calculation-aside.service';
import { Thumbnails } from './thumbnails.service';

/** A worker that works in the page, and notes what it was asked for. */
class WorkerInPage {
  onmessage: ((event: { data: WorkerAnswer }) => void) | null = null;
  onerror: (() => void) | null = null;
  ended = false;
  readonly asked: (readonly string[])[] = [];
  private readonly desk = new CalculationDesk(
    (data) => setTimeout(() => !this.ended && this.onmessage?.({ data })),
    () => new Promise((done) => setTimeout(done)),
  );
  postMessage(request: WorkerRequest): void {
    if (request.kind === 'calculate') this.asked.push(request.alternatives);
    this.desk.take(structuredClone(request));
  }
  terminate(): void {
    this.ended = true;
  }
}

const summary = (id: string, more: Partial<DesignSummary> = {}): DesignSummary => ({
  id,
  title: id,
  alternatives: 4,
  revision: 1,
  updatedAt: '2026-11-27T10:00:00Z',
  ...more,
});

describe('Thumbnails', () => {
  let worker: WorkerInPage;
  let loads: string[];
  let kept: unknown[][];
  let load: (id: string) => ReturnType<DesignApi['load']>;

  beforeEach(() => {
    worker = new WorkerInPage();
    loads = [];
    kept = [];
    load = (id) => {
      loads.push(id);
      return of({ id, revision: 1, document: quickShed() });
    };
    TestBed.configureTestingModule({
      providers: [
        Thumbnails,
        CalculationAside,
        { provide: CALCULATION_WORKER, useValue: () => worker },
        {
          provide: DesignApi,
          useValue: {
            load: (id: string) => load(id),
            keepPreview: (...given: unknown[]) => {
              kept.push(given);
              return of({});
            },
          },
        },
      ],
    });
  });

  /** Waits until nothing is open any more. */
  async function seen(thumbnails: Thumbnails, design: DesignSummary) {
    for (let i = 0; i < 400; i++) {
      const thumbnail = thumbnails.of(design);
      if (thumbnail && !thumbnail.pending) return thumbnail;
      await new Promise((done) => setTimeout(done, 10));
    }
    throw new Error('the design was not worked out');
  }

  it('tells the reference’s frame and first figures, and what the alternatives come to', async () => {
    const thumbnails = TestBed.inject(Thumbnails);
    const design = summary('a');
    thumbnails.look([design]);
    const thumbnail = await seen(thumbnails, design);
    expect(thumbnail.reference).toBe('Fixed bases');
    expect(thumbnail.numbers.map(({ name }) => name)).toEqual([
      'Utilisation',
      'Eaves sway',
      'Apex deflection',
    ]);
    expect(thumbnail.numbers[0]!.text).toMatch(/^0\.\d{3}$/);
    // The picture has the four members, and the supports
    const lines = decodeURIComponent(thumbnail.picture!).match(/<line/g)!;
    expect(lines.length).toBeGreaterThanOrEqual(4);
    // The four alternatives are counted by what they come to
    const counts = [...thumbnail.verdict.matchAll(/(\d+) /g)].map(([, count]) => Number(count));
    expect(counts.reduce((a, b) => a + b, 0)).toBe(4);
  });

  it('looks at all frames before any is worked out, and at the references before the others', async () => {
    const thumbnails = TestBed.inject(Thumbnails);
    const [a, b] = [summary('a'), summary('b')];
    thumbnails.look([a, b]);
    await seen(thumbnails, b);
    expect(loads).toEqual(['a', 'b']);
    const reference = quickShed().reference;
    expect(worker.asked.slice(0, 4)).toEqual([[reference], [reference], [reference], [reference]]);
    expect(worker.asked.slice(4).every((ids) => ids.length === 3 && !ids.includes(reference))).toBeTrue();
  });

  it('does not work out again what it knows, only another revision', async () => {
    const thumbnails = TestBed.inject(Thumbnails);
    const design = summary('a');
    thumbnails.look([design]);
    await seen(thumbnails, design);
    const before = worker.asked.length;
    thumbnails.look([design]);
    await new Promise((done) => setTimeout(done, 30));
    expect(worker.asked.length).toBe(before);
    expect(thumbnails.of(summary('a', { revision: 2 }))).toBeUndefined();
  });

  it('keeps on the server what it worked out, and shows what is kept without working', async () => {
    const thumbnails = TestBed.inject(Thumbnails);
    const design = summary('a', { revision: 3 });
    thumbnails.look([design]);
    await seen(thumbnails, design);
    await new Promise((done) => setTimeout(done, 20));
    expect(kept.map(([id, revision]) => [id, revision])).toEqual([['a', 3]]);
    const preview = kept[0]![2] as DesignPreview;
    expect(preview.statuses.length).toBe(4);
    const before = worker.asked.length;
    const stored = summary('b', { preview });
    thumbnails.look([stored]);
    expect(thumbnails.of(stored)!.numbers[0]!.name).toBe('Utilisation');
    expect(thumbnails.of(stored)!.pending).toBeFalse();
    await new Promise((done) => setTimeout(done, 20));
    expect(worker.asked.length).toBe(before);
  });

  it('passes over what cannot be read or loaded, and tells of frames that cannot be calculated', async () => {
    const thumbnails = TestBed.inject(Thumbnails);
    const broken = (): Design => ({ ...quickShed(), steps: [] });
    load = (id) =>
      id === 'gone'
        ? throwError(() => new ApiProblem(404, 'It is not there.'))
        : of({ id, revision: 1, document: broken() });
    const design = summary('a');
    thumbnails.look([summary('x', { unreadable: 'It is not JSON.' }), summary('gone'), design]);
    const thumbnail = await seen(thumbnails, design);
    expect(thumbnail.verdict).toBe('4 not calculated');
    expect(thumbnail.loud).toBeTrue();
    expect(thumbnails.of(summary('gone'))).toBeUndefined();
  });

  it('ends its work when the list is left', () => {
    const thumbnails = TestBed.inject(Thumbnails);
    thumbnails.look([summary('a')]);
    TestBed.resetTestingModule();
    expect(thumbnails.of(summary('a'))).toBeUndefined();
  });
});
