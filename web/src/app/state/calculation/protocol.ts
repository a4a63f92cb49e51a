import type {
  AlternativeSummary,
  Design,
  DrawingOptions,
  DrawnScene,
  Questions,
  UnitSystem,
} from '@hashira/core';

/** What all drawings of a design show. */
export interface Show extends DrawingOptions {
  /** In which the worker's texts give their numbers; absent: metric. */
  readonly units?: UnitSystem;
  /** What is shown of single alternatives instead, by their ids: the shape that is like the reference's. */
  readonly resultOf?: Readonly<Record<string, string>>;
}

/** What the drawing of an alternative shows. */
export function showOf(show: Show, alternative: string): Show {
  const result = show.resultOf?.[alternative];
  return result === undefined ? show : { ...show, result };
}

/** To a worker. */
export type WorkerRequest =
  /** The memory of `SharedSigns`. */
  | { readonly kind: 'memory'; readonly memory: Int32Array }
  | {
      readonly kind: 'calculate';
      /** Number of the design's state; answers carry it back. */
      readonly version: number;
      readonly design: Design;
      /** The alternatives that are this worker's, in their order. */
      readonly alternatives: readonly string[];
      /** The alternative on the stage, if one is: what is shown of it goes before all else. */
      readonly selected?: string;
      /** Nothing older was left unanswered: a large frame on the stage is checked before the other alternatives begin. */
      readonly checksFirst?: boolean;
      readonly show: Show;
    }
  | { readonly kind: 'show'; readonly show: Show }
  | {
      readonly kind: 'ask';
      readonly id: number;
      readonly alternative: string;
      readonly question: keyof Questions;
      readonly ask: unknown;
    };

/** How far work on an alternative is. */
export interface WorkDone {
  readonly alternative: string;
  /** What is being done, such as "Buckling of U1". */
  readonly part: string;
  /** Share of it that is done, 0 to 1. */
  readonly done: number;
}

/** From a worker: what it knows of an alternative, as plain data. */
export type WorkerAnswer =
  | {
      readonly kind: 'summary';
      readonly version: number;
      readonly summary: AlternativeSummary;
      /** The scene has the forces of what is shown, and no others are known yet. */
      readonly shownFirst?: boolean;
      /** Its checks come next, before anything of the other alternatives. */
      readonly checksFollow?: boolean;
      readonly scene?: DrawnScene;
    }
  | {
      readonly kind: 'scene';
      readonly version: number;
      readonly alternative: string;
      readonly scene?: DrawnScene;
    }
  | { readonly kind: 'done'; readonly version: number }
  /** How far work is that takes long. */
  | ({ readonly kind: 'progress'; readonly version: number } & WorkDone)
  /** The calculation of a state went wrong in a way that no sentence of the core tells. */
  | { readonly kind: 'broken'; readonly version: number; readonly reason: string }
  | { readonly kind: 'answer'; readonly id: number; readonly answer: unknown };
