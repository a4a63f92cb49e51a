import { InjectionToken, type Signal } from '@angular/core';
import type { Completion, Design, Expectation } from '@hashira/core';

/** What fields ask of the design that they belong to. */
export interface FieldSurroundings {
  /** Names that go on with a word. */
  completions(word: string, expected: Expectation): Completion[];
  /** What a formula comes to, or what is wrong with it. */
  value(text: string, expected: Expectation): { readonly value?: string; readonly problem?: string };
  /** The design, for its load cases, materials, own sections, parameters and steps. */
  readonly design: Signal<Design | undefined>;
  /**
   * What the frame's members or nodes have in each tag; asked anew when the frame changes. To be called where a component is made.
   */
  tagValues(of: () => 'members' | 'nodes'): Signal<Readonly<Record<string, readonly (string | number)[]>>>;
}

/** Those of the design that is open; fields outside one have none. */
export const fieldSurroundings = new InjectionToken<FieldSurroundings>('surroundings of fields');
