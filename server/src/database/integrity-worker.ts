import { parentPort, workerData } from 'node:worker_threads';
import { integrity } from './integrity.js';

parentPort!.postMessage(integrity(workerData as string));
