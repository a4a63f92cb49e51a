// Type-checks the core and what runs in Node together, then the browser tests, and the workers of the web application.
// Its other parts are checked where they are built and tested.
import { run } from './set-up.mjs';

for (const project of ['tsconfig.json', 'e2e', 'web/tsconfig.worker.json'])
  run('npx', ['tsc', '-p', project, '--noEmit']);
