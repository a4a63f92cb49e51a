import type { Alternative, Design, LongWorkKinds } from '@hashira/core';

/** To a worker that does one piece of long work. */
export type LongWorkRequest =
  | {
      readonly kind: 'begin';
      readonly work: keyof LongWorkKinds;
      readonly design: Design;
      readonly alternative: Alternative;
      readonly options: unknown;
    }
  | { readonly kind: 'stop' };

/** From it: how far it is, now and then, and in the end the result or why there is none. */
export type LongWorkAnswer =
  | { readonly kind: 'progress'; readonly done: number; readonly words: string; readonly soFar: unknown }
  | { readonly kind: 'result'; readonly result: unknown }
  | { readonly kind: 'problem'; readonly message: string };
