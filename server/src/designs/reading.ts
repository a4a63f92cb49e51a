import type { Worker } from 'node:worker_threads';
import { startWorker } from '../start-worker.js';
import { readBody, type ReadBody } from './read-body.js';

/** Bodies from this length on are read beside the main thread, so that other requests are answered meanwhile; characters. */
const large = 50_000;

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, (read: ReadBody) => void>();

/** Reads and validates a body: a large one in a thread of its own. */
export function readBodyAside(text: string): Promise<ReadBody> {
  if (text.length < large) return Promise.resolve(readBody(text));
  worker ??= start();
  const id = ++last;
  worker.postMessage({ id, text });
  return new Promise((resolve) => waiting.set(id, resolve));
}

function start(): Worker {
  const made = startWorker('reading-worker', import.meta.url);
  made.on('message', ({ id, read }: { id: number; read: ReadBody }) => {
    waiting.get(id)?.(read);
    waiting.delete(id);
  });
  made.on('error', () => {
    worker = undefined;
    for (const [, resolve] of waiting)
      resolve({ json: false, reason: 'reading it took more memory than there is' });
    waiting.clear();
  });
  // It holds no process up
  made.unref();
  return made;
}

/** Ends the thread, where there is one. */
export async function stopReading(): Promise<void> {
  const ending = worker;
  worker = undefined;
  await ending?.terminate();
}
