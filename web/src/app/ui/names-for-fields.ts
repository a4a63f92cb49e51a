import { InjectionToken } from '@angular/core';
import type { Completion, Expectation } from '@hashira/core';

/** What fields with formulas ask: which names go on with a word, and what a text comes to. */
export interface NamesForFields {
  completions(word: string, expected: Expectation): Completion[];
  value(text: string, expected: Expectation): { readonly value?: string; readonly problem?: string };
}

/** The names of the design that is open; fields outside one have none. */
export const namesForFields = new InjectionToken<NamesForFields>('names for fields');
