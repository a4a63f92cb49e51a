import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { FactorizationJob, Helpers } from '../src/analysis/index.js';

export interface NodeHelpersOptions {
  /** One fewer than the machine runs at once when absent. */
  readonly count?: number;
  /** Multiplications and additions from which on they are asked. */
  readonly worth?: number;
  /** Told when a thread fails; the others go on without it. */
  readonly onFailure: (error: Error) => void;
}

/**
 * Threads of Node for large factorizations; they start with the first job and do not keep the process alive.
 *
 * @param file `helper.ts` beside this file, bundled
 */
export function nodeHelpers(file: URL, { count, worth = 3e9, onFailure }: NodeHelpersOptions): Helpers {
  const most = count ?? availableParallelism() - 1;
  let workers: Set<Worker> | undefined;
  const start = (): Set<Worker> => {
    const started = new Set<Worker>();
    for (let i = 0; i < most; i++) {
      const worker = new Worker(file);
      worker.unref();
      worker.on('error', (error) => {
        started.delete(worker);
        onFailure(error);
      });
      started.add(worker);
    }
    return started;
  };
  return {
    count: most,
    worth,
    send(job: FactorizationJob) {
      workers ??= start();
      for (const worker of workers) worker.postMessage(job);
    },
  };
}
