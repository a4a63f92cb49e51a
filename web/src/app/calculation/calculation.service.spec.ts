import { TestBed } from '@angular/core/testing';
import { setParameter, type AlternativeSummary } from '@hashira/core';
import { known, slipShed } from '../testing/slip-shed';
import { Calculation, CALCULATION_WORKER, POOL_SIZE, type CalculationState } from './calculation.service';
import type { WorkerAnswer, WorkerRequest } from './protocol';

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
  let calculation: Calculation;
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

  beforeEach(() => {
    workers = [];
    TestBed.configureTestingModule({
      providers: [
        Calculation,
        { provide: POOL_SIZE, useValue: 2 },
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
  });

  it('deals the alternatives out, the selected one first', () => {
    calculation.request(1, design, 'haunched');
    expect(calculations(0)[0]!.alternatives).toEqual(['fixed', 'three-hinges']);
    expect(calculations(1)[0]!.alternatives).toEqual(['haunched', 'pinned']);
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
});
