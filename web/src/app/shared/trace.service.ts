import { Injectable, signal } from '@angular/core';
import type { CalculationStep } from '@hashira/core';

/** A number and the way to it. */
export interface Trace {
  readonly title: string;
  /** Alternative, place and load that the number belongs to. */
  readonly about: string;
  readonly value: string;
  readonly steps: readonly CalculationStep[];
}

/** The number whose way is shown. */
@Injectable()
export class TraceService {
  /** Follows the results: it is computed anew when they change. */
  readonly open = signal<(() => Trace | undefined) | undefined>(undefined);
}
