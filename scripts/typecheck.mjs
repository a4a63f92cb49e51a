// Type-checks the core and what runs in Node together, then the browser tests, and the workers of the web application.
// Its other parts are checked where they are built and tested. Version 7 checks six times as fast as the version that
// Angular builds with.
import { run } from './set-up.mjs';

for (const project of ['tsconfig.json', 'e2e', 'web/tsconfig.worker.json'])
  run(process.execPath, ['node_modules/typescript-7/bin/tsc', '-p', project, '--noEmit']);
