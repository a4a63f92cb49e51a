import { parentPort } from 'node:worker_threads';
import { helpFactorize, type FactorizationJob } from '../src/analysis/index.js';

parentPort!.on('message', (job: FactorizationJob) => helpFactorize(job));
