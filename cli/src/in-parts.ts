import type { Progress } from '@hashira/core/validation';
import { progressOf } from './progress.js';

/** Between two turns of the event loop, ms: as long a Ctrl+C waits at the most, but for the part that is being worked out. */
const turn = 50;

/**
 * Drives work that is made in parts. Ctrl+C ends it: then `stopped` makes the result of the last part, or there is none yet and the
 * command ends as any does.
 *
 * @param doneOf how much is done after a part, 0 … 1
 */
export async function inParts<Part, Result>(
  parts: Generator<Part, Result>,
  {
    progress,
    stage,
    doneOf,
    stopped,
  }: {
    readonly progress: boolean | undefined;
    readonly stage: string;
    readonly doneOf: (part: Part) => number;
    readonly stopped: (part: Part) => Result;
  },
): Promise<Result> {
  const tell: Progress | undefined = progressOf(progress).progress;
  tell?.stage?.(stage);
  const asked = { toEnd: false };
  const interrupt = () => (asked.toEnd = true);
  process.once('SIGINT', interrupt);
  try {
    for (let last = performance.now(); ;) {
      const { done, value } = parts.next();
      if (done) return value;
      tell?.step(doneOf(value));
      if (performance.now() - last > turn) {
        await new Promise((resolve) => setImmediate(resolve));
        last = performance.now();
      }
      if (asked.toEnd) return stopped(value);
    }
  } finally {
    process.off('SIGINT', interrupt);
  }
}
