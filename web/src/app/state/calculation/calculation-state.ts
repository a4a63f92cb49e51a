import type { AlternativeSummary, DrawnScene } from '@hashira/core';

/** What is known of one alternative, and of which state of the design. */
export interface KnownAlternative {
  readonly version: number;
  readonly summary: AlternativeSummary;
  readonly scene?: DrawnScene;
}

/** What is known of the numbers on the screen. */
export interface CalculationState {
  readonly alternatives: ReadonlyMap<string, KnownAlternative>;
  /** Latest version of which every alternative's forces are known. */
  readonly version: number;
  /** Why there can be no answer, in words. */
  readonly failure?: string;
}
