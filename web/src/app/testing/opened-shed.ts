import type { Alternative, Design } from '@hashira/core';
import { quickShed } from './open-design';

/** The demo design in first order, and its reference. */
export function openedShed(): { readonly design: Design; readonly alternative: Alternative } {
  const design = quickShed();
  return { design, alternative: design.alternatives[0]! };
}
