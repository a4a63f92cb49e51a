// npm run bench: prints figures, asserts nothing. Names choose parts: npm run bench -- pipeline recipe checks analysis screen;
// frame models to measure may follow: npm run bench -- analysis tower.json
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer } from './build-server.mjs';
import { buildWeb } from './build-web.mjs';
import { installPackages, root } from './set-up.mjs';

const parts = process.argv.slice(2);
const wanted = (name) => parts.length === 0 || parts.includes(name);

installPackages();
console.log(`${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, Node ${process.version}`);

/** Runs a TypeScript file bundled as the browser gets it, so that module loading costs nothing. */
async function run(name, args = []) {
  const { build } = await import('esbuild');
  const folder = mkdtempSync(join(tmpdir(), 'hashira-bench-'));
  const file = join(folder, `${name}.mjs`);
  await build({
    entryPoints: { [name]: join(root, `core/bench/${name}.ts`), helper: join(root, 'core/node/helper.ts') },
    bundle: true,
    platform: 'node',
    format: 'esm',
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    logLevel: 'error',
  });
  spawnSync(process.execPath, [file, ...args], { stdio: 'inherit' });
  rmSync(folder, { recursive: true });
}

if (wanted('pipeline')) await run('pipeline');
if (wanted('recipe')) await run('recipe');
if (wanted('checks')) await run('checks');
if (wanted('analysis')) {
  await run(
    'analysis',
    parts.filter((part) => part.endsWith('.json')),
  );
}

if (wanted('screen')) {
  buildWeb();
  await buildServer();
  spawnSync(process.execPath, ['--import', 'tsx', join(root, 'e2e/bench-screen.ts')], {
    cwd: root,
    stdio: 'inherit',
  });
}
