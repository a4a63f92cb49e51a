import type { BuiltFrame, Calculated, Design, ParameterValues, Problem } from '@hashira/core';

/** Asks the worker for every alternative of a design. */
export interface CalculationRequest {
  /** Number of the design's state; results carry it back. */
  readonly version: number;
  readonly design: Design;
}

/** One alternative's outcome: everything, or the problems with whatever parameters and geometry there are. */
export type AlternativeResult =
  | { readonly id: string; readonly ok: true; readonly value: Calculated }
  | {
      readonly id: string;
      readonly ok: false;
      readonly problems: readonly Problem[];
      readonly built?: BuiltFrame;
      readonly parameters?: ParameterValues;
    };

/** The worker's answer. */
export interface CalculationAnswer {
  readonly version: number;
  readonly alternatives: readonly AlternativeResult[];
  /** Time in the worker, ms. */
  readonly duration: number;
}
