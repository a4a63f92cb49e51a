import { upgradeFrom1 } from './from-1.js';

/** From each older version to the next. */
const steps: ReadonlyMap<number, (document: object) => object> = new Map([[1, upgradeFrom1]]);

/** The version that is written. */
export const currentVersion = 2;

/** An older document as one of the current version; others as they are. */
export function upgraded(document: object): object {
  let result = document;
  for (;;) {
    const { version } = result as { version?: unknown };
    const step = typeof version === 'number' ? steps.get(version) : undefined;
    if (!step) return result;
    result = step(result);
  }
}
