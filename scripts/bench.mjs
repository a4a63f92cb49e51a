// npm run bench: prints figures, asserts nothing. Names choose parts: npm run bench -- pipeline recipe checks members comparison analysis screen;
// frame models to measure may follow: npm run bench -- analysis tower.json
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer } from './build-server.mjs';
import { buildWeb } from './build-web.mjs';
import { compileDriver, installPackages, root } from './set-up.mjs';

const parts = process.argv.slice(2);
const wanted = (name) => parts.length === 0 || parts.includes(name);

installPackages();
compileDriver();
console.log(`${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, Node ${process.version}`);

/** Time of all processors since the machine began, and how much of it a host gave to other machines; undefined where that is not told. */
function processorTime() {
  if (!existsSync('/proc/stat')) return undefined;
  // user, nice, system, idle, iowait, irq, softirq, steal
  const times = readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/).slice(1, 9).map(Number);
  return { all: times.reduce((a, b) => a + b, 0), taken: times[7] ?? 0 };
}

/** Runs a part and tells how much of the processors' time others had meanwhile: figures of a crowded host say little. */
async function measured(name, part) {
  const before = processorTime();
  await part();
  const after = processorTime();
  if (!before || !after) return;
  const share = (100 * (after.taken - before.taken)) / Math.max(1, after.all - before.all);
  console.log(`${name}: the host gave ${share.toFixed(0)} % of the processors' time to others meanwhile`);
}

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

for (const name of ['pipeline', 'recipe', 'checks', 'members', 'comparison'])
  if (wanted(name)) await measured(name, () => run(name));
if (wanted('analysis')) {
  const models = parts.filter((part) => part.endsWith('.json'));
  await measured('analysis', () => run('analysis', models));
}

if (wanted('screen')) {
  buildWeb();
  await buildServer();
  await measured('screen', () => {
    spawnSync(process.execPath, ['--import', 'tsx', join(root, 'e2e/bench-screen.ts')], {
      cwd: root,
      stdio: 'inherit',
    });
  });
}
