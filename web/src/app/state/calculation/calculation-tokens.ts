import { InjectionToken, inject } from '@angular/core';
import { SharedSigns } from './shared-signs';

/** Makes a worker; tests put another in its place. */
export const CALCULATION_WORKER = new InjectionToken<() => Worker>('calculation worker', {
  providedIn: 'root',
  factory: () => () =>
    new Worker(new URL('./worker/calculation.worker', import.meta.url), { type: 'module' }),
});

/** How many workers share the alternatives: as many as the machine has threads for, two to four. */
export const POOL_SIZE = new InjectionToken<number>('size of the pool', {
  providedIn: 'root',
  factory: () => Math.min(4, Math.max(2, navigator.hardwareConcurrency || 2)),
});

/** Whether the machine has threads for all workers beside the page and its painting. */
export const THREADS_TO_SPARE = new InjectionToken<boolean>('threads to spare', {
  providedIn: 'root',
  factory: () => navigator.hardwareConcurrency >= inject(POOL_SIZE) + 2,
});

/** Calls back when the page has painted what it has just been told. */
export const AFTER_PICTURE = new InjectionToken<(act: () => void) => void>('after the next picture', {
  providedIn: 'root',
  factory: () => (act) => {
    requestAnimationFrame(() => setTimeout(act));
    // A page in the background paints nothing
    setTimeout(act, 100);
  },
});

/** Memory that is shared with the workers; undefined where the page may not. */
export const SHARED_SIGNS = new InjectionToken<SharedSigns | undefined>('signs to the workers', {
  providedIn: 'root',
  factory: () => SharedSigns.ofPage(),
});
