import { TestBed } from '@angular/core/testing';
import { setParameter, type AlternativeSummary } from '@hashira/core';
import { known, slipShed } from '../../testing/slip-shed';
import {
  AFTER_PICTURE,
  CALCULATION_WORKER,
  POOL_SIZE,
  SHARED_SIGNS,
  THREADS_TO_SPARE,
} from './calculation-tokens';
import type { CalculationState } from './calculation-state';
import { Calculation } from './calculation.service';
import type { WorkerAnswer, WorkerRequest } from './protocol';
import { SharedSigns } from './shared-signs';

/** A worker that writes down what it is asked, and says what it is told to. */
class FakeWorker {
  readonly heard: WorkerRequest[] = [];
  onmessage: ((event: { data: WorkerAnswer }) => void) | null = null;
  onerror: ((event: { message: string; preventDefault: () => void }) => void) | null = null;
  postMessage(message: WorkerRequest): void {
    this.heard.push(message);
  }
  terminate(): void {
    this.heard.length = 0;
  }
  say(data: WorkerAnswer): void {
    this.onmessage!({ data });
  }
}

describe('Calculation', () => {
  let workers: FakeWorker[];
  let acts: (() => void)[];
  let calculation: Calculation;
  let signs: SharedSigns;
  let state: CalculationState;
  const design = slipShed();
  const { summary } = known('fixed');
  const answer = (
    worker: number,
    version: number,
    id: string,
    stage: AlternativeSummary['stage'] = 'complete',
  ) => workers[worker]!.say({ kind: 'summary', version, summary: { ...summary, id, stage } });
  const calculations = (worker: number) =>
    workers[worker]!.heard.filter(
      (one): one is Extract<WorkerRequest, { kind: 'calculate' }> => one.kind === 'calculate',
    );
  const all: [number, string][] = [
    [0, 'fixed'],
    [1, 'pinned'],
    [0, 'three-hinges'],
    [1, 'haunched'],
  ];

  const begin = (sparing: boolean) => {
    workers = [];
    acts = [];
    signs = new SharedSigns(new Int32Array(2));
    TestBed.configureTestingModule({
      providers: [
        Calculation,
        { provide: POOL_SIZE, useValue: 2 },
        { provide: THREADS_TO_SPARE, useValue: sparing },
        { provide: SHARED_SIGNS, useValue: signs },
        { provide: AFTER_PICTURE, useValue: (act: () => void) => acts.push(act) },
        {
          provide: CALCULATION_WORKER,
          useValue: () => {
            const worker = new FakeWorker();
            workers.push(worker);
            return worker;
          },
        },
      ],
    });
    calculation = TestBed.inject(Calculation);
    calculation.state$.subscribe((next) => (state = next));
  };

  beforeEach(() => begin(true));

  it('deals the alternatives out, the selected one first', () => {
    calculation.request(1, design, 'haunched');
    expect(calculations(0)[0]!.alternatives).toEqual(['fixed', 'three-hinges']);
    expect(calculations(1)[0]!.alternatives).toEqual(['haunched', 'pinned']);
  });

  it('lets workers go on beside the page where there are threads for all', () => {
    calculation.request(1, design, 'fixed');
    answer(0, 1, 'fixed');
    expect(signs.memory[1]).toBe(0);
  });

  it('sends only the latest of what came while it was working', () => {
    calculation.request(1, design, 'fixed');
    for (const [version, span] of [
      [2, '20 m'],
      [3, '21 m'],
      [4, '23 m'],
    ] as const)
      calculation.request(version, setParameter(design, 'span', span), 'fixed');
    expect(calculations(0).length).toBe(1);
    for (const [worker, id] of all) answer(worker, 1, id);
    expect(calculations(0).map(({ version }) => version)).toEqual([1, 4]);
    expect(state.version).toBe(1);
    for (const [worker, id] of all) answer(worker, 4, id);
    expect(state.version).toBe(4);
  });

  it('lets pictures follow a hand while forces take long, and waits for all of them now and then', () => {
    const pictured = (worker: number, version: number, id: string) =>
      workers[worker]!.say({
        kind: 'summary',
        version,
        summary: { ...summary, id, stage: 'frame' },
        shownFirst: true,
      });
    const clock = spyOn(performance, 'now').and.returnValue(0);
    const asked = () => calculations(0).map(({ version }) => version);
    calculation.request(1, design, 'fixed');
    for (const [worker, id] of all) answer(worker, 1, id);
    for (const version of [2, 3, 4]) calculation.request(version, design, 'fixed');
    clock.and.returnValue(100);
    expect(asked()).toEqual([1, 2]);
    // Another alternative's picture is not what the hand sees
    pictured(1, 2, 'pinned');
    expect(asked()).toEqual([1, 2]);
    pictured(0, 2, 'fixed');
    expect(asked()).toEqual([1, 2, 4]);
    calculation.request(5, design, 'fixed');
    // Its numbers are waited for now and then
    clock.and.returnValue(500);
    pictured(0, 4, 'fixed');
    expect(asked()).toEqual([1, 2, 4]);
    answer(0, 4, 'fixed', 'forces');
    expect(asked()).toEqual([1, 2, 4, 5]);
    // And less often those of all
    calculation.request(6, design, 'fixed');
    clock.and.returnValue(1100);
    answer(0, 5, 'fixed', 'forces');
    expect(asked()).toEqual([1, 2, 4, 5]);
    for (const [worker, id] of all) answer(worker, 5, id);
    expect(asked()).toEqual([1, 2, 4, 5, 6]);
  });

  it('passes over answers of older states', () => {
    calculation.request(1, design, 'fixed');
    for (const [worker, id] of all) answer(worker, 1, id);
    calculation.request(2, design, 'fixed');
    answer(0, 1, 'fixed', 'failed');
    expect(state.alternatives.get('fixed')!.summary.stage).toBe('complete');
  });

  it('asks the worker that has the alternative', async () => {
    calculation.request(1, design, 'fixed');
    const asked = calculation.ask('pinned', 'matches', { rule: 'columns' });
    const question = workers[1]!.heard.at(-1) as Extract<WorkerRequest, { kind: 'ask' }>;
    expect(question.question).toBe('matches');
    workers[1]!.say({ kind: 'answer', id: question.id, answer: ['shed.column.1'] });
    expect(await asked).toEqual(['shed.column.1']);
  });

  it('says when the calculation itself broke', () => {
    calculation.request(1, design, 'fixed');
    workers[0]!.onerror!({ message: 'out of memory', preventDefault: () => undefined });
    expect(state.failure).toContain('out of memory');
  });

  it('says that a state could not be worked out, and forgets it with the next', () => {
    calculation.request(1, design, 'fixed');
    workers[1]!.say({ kind: 'broken', version: 1, reason: 'TypeError: x' });
    answer(0, 1, 'fixed');
    expect(state.failure).toContain('TypeError: x');
    expect(state.failure).toContain('Undo the last change');
    calculation.request(2, setParameter(design, 'span', '23 m'), 'fixed');
    expect(state.failure).toBeUndefined();
    for (const [worker, id] of all) answer(worker, 2, id);
    expect(state.version).toBe(2);
  });

  describe('on a machine without threads to spare, of a frame that takes long', () => {
    const versions = (worker: number) => calculations(worker).map(({ version }) => version);
    const painted = () => {
      for (const act of acts.splice(0)) act();
    };
    let clock: jasmine.Spy;

    beforeEach(() => {
      TestBed.resetTestingModule();
      begin(false);
      clock = spyOn(performance, 'now').and.returnValue(0);
      calculation.request(1, design, 'fixed');
      clock.and.returnValue(50);
      answer(0, 1, 'fixed');
      painted();
      for (const [worker, id] of all) answer(worker, 1, id);
    });

    it('begins with one worker, for what is shown', () => {
      TestBed.resetTestingModule();
      begin(false);
      expect(workers.length).toBe(1);
      calculation.request(1, design, 'haunched');
      expect(workers.length).toBe(1);
      expect(calculations(0)[0]!.alternatives).toEqual(['haunched', 'pinned']);
      answer(0, 1, 'haunched');
      painted();
      expect(calculations(1)[0]!.alternatives).toEqual(['fixed', 'three-hinges']);
    });

    it('makes the workers give way until what they told is on the page', () => {
      const held = () => signs.memory[1] === 1;
      painted();
      expect(held()).toBeFalse();
      answer(0, 1, 'fixed');
      answer(1, 1, 'pinned');
      expect(held()).toBeTrue();
      painted();
      expect(held()).toBeFalse();
      // What comes too late is not painted
      calculation.request(2, design, 'fixed');
      expect(signs.isOvertaken(1)).toBeTrue();
      answer(1, 1, 'pinned');
      expect(held()).toBeFalse();
    });

    it('lets the others begin when what is shown is on the page', () => {
      calculation.request(2, design, 'fixed');
      expect([versions(0), versions(1)]).toEqual([[1, 2], [1]]);
      // The frame without its forces is not what is waited for
      answer(0, 2, 'fixed', 'frame');
      painted();
      expect(versions(1)).toEqual([1]);
      workers[0]!.say({
        kind: 'summary',
        version: 2,
        summary: { ...summary, stage: 'frame' },
        shownFirst: true,
      });
      expect(versions(1)).toEqual([1]);
      painted();
      expect(versions(1)).toEqual([1, 2]);
      answer(0, 2, 'fixed', 'forces');
      painted();
      expect(versions(1)).toEqual([1, 2]);
    });

    it('lets the others wait for the checks of a large frame that follow alone', () => {
      calculation.request(2, design, 'fixed');
      const last = calculations(0).at(-1)!;
      expect(last.checksFirst).toBeTrue();
      const forces = { ...summary, stage: 'forces' } as const;
      clock.and.returnValue(100);
      workers[0]!.say({ kind: 'summary', version: 2, summary: forces, checksFollow: true });
      painted();
      expect(versions(1)).toEqual([1]);
      // While a hand goes on, forces of all go before checks
      calculation.request(3, design, 'fixed');
      expect(calculations(0).at(-1)!.version).toBe(3);
      expect(calculations(0).at(-1)!.checksFirst).toBeFalse();
      clock.and.returnValue(200);
      answer(0, 3, 'fixed', 'forces');
      painted();
      expect(versions(1)).toEqual([1, 3]);
      for (const [worker, id] of all) answer(worker, 3, id);
      calculation.request(4, design, 'fixed');
      clock.and.returnValue(300);
      workers[0]!.say({ kind: 'summary', version: 4, summary: forces, checksFollow: true });
      painted();
      expect(versions(1)).toEqual([1, 3]);
      answer(0, 4, 'fixed', 'checks');
      painted();
      expect(versions(1)).toEqual([1, 3, 4]);
    });

    it('wakes no worker for a page that has been left meanwhile', () => {
      TestBed.resetTestingModule();
      begin(false);
      calculation.request(1, design, 'fixed');
      answer(0, 1, 'fixed');
      calculation.ngOnDestroy();
      painted();
      expect(workers.length).toBe(1);
    });

    it('lets them begin with a failure too, and with what has come to be shown meanwhile', () => {
      calculation.request(2, design, 'pinned');
      expect([versions(0), versions(1)]).toEqual([[1], [1, 2]]);
      const show = { result: 'S', diagram: 'N' } as const;
      calculation.setShow(show);
      answer(1, 2, 'pinned', 'failed');
      painted();
      expect(calculations(0)[1]!.show).toEqual(show);
    });

    it('leaves out a state that a newer one has overtaken', () => {
      calculation.request(2, design, 'fixed');
      clock.and.returnValue(100);
      workers[0]!.say({
        kind: 'summary',
        version: 2,
        summary: { ...summary, stage: 'frame' },
        shownFirst: true,
      });
      calculation.request(3, setParameter(design, 'span', '23 m'), 'fixed');
      painted();
      expect([versions(0), versions(1)]).toEqual([[1, 2, 3], [1]]);
    });

    it('lets all begin at once where the frame has become a quick one', () => {
      calculation.request(2, design, 'fixed');
      answer(0, 2, 'fixed');
      painted();
      for (const [worker, id] of all) answer(worker, 2, id);
      calculation.request(3, design, 'fixed');
      expect([versions(0), versions(1)]).toEqual([
        [1, 2, 3],
        [1, 2, 3],
      ]);
    });
  });

  describe('of work that does not end', () => {
    beforeEach(() => {
      // What runs by the real clock ends by it
      TestBed.resetTestingModule();
      jasmine.clock().install().mockDate();
    });
    afterEach(() => {
      TestBed.resetTestingModule();
      jasmine.clock().uninstall();
    });

    /** Lets time pass, second by second. */
    const pass = (seconds: number) => {
      for (let k = 0; k < seconds; k++) {
        now += 1000;
        jasmine.clock().tick(1000);
      }
    };
    let now = 0;
    beforeEach(() => {
      spyOn(performance, 'now').and.callFake(() => now);
      begin(true);
      calculation.request(1, design, 'fixed');
    });

    it('gives up a worker that says nothing for 10 s, says which, and puts another in its place', () => {
      const { length } = workers;
      pass(9);
      workers[1]!.say({ kind: 'progress', version: 1, alternative: 'pinned', part: 'Analysis', done: 0.1 });
      pass(2);
      expect(state.failure).toContain('"Fixed bases"');
      expect(state.failure).toContain('gave no sign for 10 s');
      expect(state.failure).not.toContain('"Pinned bases"');
      calculation.request(2, setParameter(design, 'span', '20 m'), 'fixed');
      expect(workers.length).toBe(length + 1);
      expect(calculations(length).map(({ version }) => version)).toEqual([2]);
      expect(state.failure).toBeUndefined();
    });

    it('waits for one that tells how far it is, and tells it on', () => {
      const told: (string | undefined)[] = [];
      calculation.progress$.subscribe((work) => told.push(work?.part));
      for (let k = 0; k < 30; k++) {
        for (const one of [0, 1])
          workers[one]!.say({
            kind: 'progress',
            version: 1,
            alternative: 'fixed',
            part: 'Analysis',
            done: 0.5,
          });
        pass(5);
      }
      expect(state.failure).toBeUndefined();
      expect(told.at(-1)).toBe('Analysis');
      for (const one of [0, 1]) workers[one]!.say({ kind: 'done', version: 1 });
      expect(told.at(-1)).toBeUndefined();
      pass(60);
      expect(state.failure).toBeUndefined();
    });

    it('answers a question that a worker does not answer with nothing', async () => {
      for (const [worker, id] of all) answer(worker, 1, id);
      for (const one of [0, 1]) workers[one]!.say({ kind: 'done', version: 1 });
      const asked = calculation.ask('fixed', 'cuts', {});
      pass(12);
      expect(await asked).toBeUndefined();
    });

    it('is stopped on request, and begun again', () => {
      const { length } = workers;
      calculation.stop();
      expect(state.failure).toContain('was stopped');
      calculation.again();
      expect(state.failure).toBeUndefined();
      expect(workers.length).toBe(length + 2);
      expect(calculations(length)[0]!.version).toBe(1);
    });
  });
});
