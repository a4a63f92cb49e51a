// npm start: sets up, builds, and serves the application. Arguments go to the server: npm start -- --port 4700
import { spawn } from 'node:child_process';
import { buildServer, serverMain } from './build-server.mjs';
import { buildWeb } from './build-web.mjs';
import { compileDriver, installPackages, root } from './set-up.mjs';

installPackages();
compileDriver();
buildWeb();
await buildServer();
const server = spawn(process.execPath, ['--enable-source-maps', serverMain, ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));
