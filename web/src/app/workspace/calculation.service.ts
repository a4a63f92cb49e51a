import { Injectable, InjectionToken, inject, type OnDestroy } from '@angular/core';
import type { Design } from '@hashira/core';
import { BehaviorSubject } from 'rxjs';
import type { CalculationAnswer, CalculationRequest } from './calculation.messages';

/** Makes the worker; tests put another in its place. */
export const CALCULATION_WORKER = new InjectionToken<() => Worker>('calculation worker', {
  providedIn: 'root',
  factory: () => () => new Worker(new URL('./calculation.worker', import.meta.url), { type: 'module' }),
});

/** What is known of the numbers on the screen. */
export interface CalculationState {
  /** The latest answer, for `answer.version` of the design. */
  readonly answer?: CalculationAnswer;
  /** Why there can be no answer, in words. */
  readonly failure?: string;
}

/**
 * Sends designs to the worker, one at a time: while it works only the latest request waits, and an answer that arrives is
 * always for the newest design that was taken up.
 */
@Injectable()
export class Calculation implements OnDestroy {
  private readonly makeWorker = inject(CALCULATION_WORKER);
  private readonly subject = new BehaviorSubject<CalculationState>({});
  private worker = this.start();
  private busy = false;
  private waiting: CalculationRequest | undefined;

  /** Answers as they come. */
  readonly state$ = this.subject.asObservable();

  /** Asks for a state of the design. */
  request(version: number, design: Design): void {
    this.waiting = { version, design };
    if (!this.busy) this.next();
  }

  ngOnDestroy(): void {
    this.worker.terminate();
  }

  private next(): void {
    const request = this.waiting;
    this.waiting = undefined;
    this.busy = request !== undefined;
    if (request) this.worker.postMessage(request);
  }

  private start(): Worker {
    const worker = this.makeWorker();
    worker.onmessage = ({ data }: MessageEvent<CalculationAnswer>) => {
      this.next();
      this.subject.next({ answer: data });
    };
    worker.onerror = (event) => {
      event.preventDefault();
      this.subject.next({
        failure: `The calculation stopped unexpectedly (${event.message || 'the worker could not be loaded'}). Undo the last change, or reload the page; what was saved is safe.`,
      });
      worker.terminate();
      this.worker = this.start();
      this.next();
    };
    return worker;
  }
}
