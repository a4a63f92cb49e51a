// npm start: sets up, builds, and serves the application. Arguments go to the server: npm start -- --port 4700
import { spawn } from 'node:child_process';
import { buildWeb } from './build-web.mjs';
import { installPackages, root } from './set-up.mjs';

installPackages();
buildWeb();
const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));
