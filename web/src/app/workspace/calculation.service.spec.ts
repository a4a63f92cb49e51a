import { TestBed } from '@angular/core/testing';
import { slipShed } from '../testing/slip-shed';
import type { CalculationAnswer, CalculationRequest } from './calculation.messages';
import { CALCULATION_WORKER, Calculation, type CalculationState } from './calculation.service';

class FakeWorker {
  onmessage: ((event: { data: CalculationAnswer }) => void) | null = null;
  onerror: ((event: { message: string; preventDefault: () => void }) => void) | null = null;
  readonly asked: CalculationRequest[] = [];
  terminated = false;
  postMessage(request: CalculationRequest): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.terminated = true;
  }
  answer(): void {
    const { version } = this.asked.at(-1)!;
    this.onmessage!({ data: { version, alternatives: [], duration: 1 } });
  }
}

describe('Calculation', () => {
  let workers: FakeWorker[];
  let calculation: Calculation;
  let states: CalculationState[];

  beforeEach(() => {
    workers = [];
    TestBed.configureTestingModule({
      providers: [
        Calculation,
        {
          provide: CALCULATION_WORKER,
          useValue: () => {
            workers.push(new FakeWorker());
            return workers.at(-1);
          },
        },
      ],
    });
    calculation = TestBed.inject(Calculation);
    states = [];
    calculation.state$.subscribe((state) => states.push(state));
  });

  it('asks for one state at a time, and only for the latest that came meanwhile', () => {
    const design = slipShed();
    for (const version of [1, 2, 3, 4]) calculation.request(version, design);
    expect(workers[0]!.asked.map((r) => r.version)).toEqual([1]);
    workers[0]!.answer();
    expect(workers[0]!.asked.map((r) => r.version)).toEqual([1, 4]);
    workers[0]!.answer();
    expect(workers[0]!.asked.length).toBe(2);
    expect(states.map((s) => s.answer?.version)).toEqual([undefined, 1, 4]);
  });

  it('says so when the worker breaks, and goes on with a new one', () => {
    calculation.request(1, slipShed());
    calculation.request(2, slipShed());
    workers[0]!.onerror!({ message: 'out of memory', preventDefault: () => undefined });
    expect(states.at(-1)!.failure).toContain('out of memory');
    expect(workers[0]!.terminated).toBeTrue();
    expect(workers[1]!.asked.map((r) => r.version)).toEqual([2]);
    workers[1]!.answer();
    expect(states.at(-1)!.failure).toBeUndefined();
  });
});
