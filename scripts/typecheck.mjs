// Type-checks every workspace; the web's worker has a configuration of its own.
import { join } from 'node:path';
import { run } from './set-up.mjs';

for (const project of ['core', 'server', 'cli', 'e2e']) run('npx', ['tsc', '-p', project, '--noEmit']);
run('npx', ['tsc', '-p', join('web', 'tsconfig.worker.json'), '--noEmit']);
