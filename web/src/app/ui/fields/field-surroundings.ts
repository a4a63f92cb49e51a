import { InjectionToken, type Signal } from '@angular/core';
import type { Completion, Design, Expectation } from '@hashira/core';

/** A field that is filled in by pressing on the stage. */
export interface PointedField {
  readonly id: string;
  /** What it is called. */
  readonly title: string;
  readonly of: 'members' | 'nodes' | 'place';
  write(text: string): void;
}

/** By which a field is filled in from the stage. */
export interface Pointer {
  /** The field that is being filled in. */
  readonly active: Signal<PointedField | undefined>;
  begin(field: PointedField): void;
  end(): void;
}

/** What fields ask of the design that they belong to. */
export interface FieldSurroundings {
  /** Names that go on with a word. */
  completions(word: string, expected: Expectation): Completion[];
  /** What a formula comes to, or what is wrong with it. */
  value(text: string, expected: Expectation): { readonly value?: string; readonly problem?: string };
  /** By which places, members and nodes are pointed at; absent where no stage stands beside. */
  readonly pointer?: Pointer;
  /** The design, for its load cases, materials, own sections, parameters and steps. */
  readonly design: Signal<Design | undefined>;
  /**
   * What the frame's members or nodes have in each tag; asked anew when the frame changes. To be called where a component is made.
   */
  tagValues(of: () => 'members' | 'nodes'): Signal<Readonly<Record<string, readonly (string | number)[]>>>;
}

/** Those of the design that is open; fields outside one have none. */
export const fieldSurroundings = new InjectionToken<FieldSurroundings>('surroundings of fields');
