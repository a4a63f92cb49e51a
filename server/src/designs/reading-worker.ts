import { parentPort } from 'node:worker_threads';
import { readBody } from './read-body.js';

parentPort!.on('message', ({ id, text }: { id: number; text: string }) => {
  parentPort!.postMessage({ id, read: readBody(text) });
});
