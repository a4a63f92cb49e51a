#!/usr/bin/env node
// Runs the command from one bundle, made anew when a source file is newer: loading hundreds of modules takes seconds.
import { existsSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const cli = join(dirname(fileURLToPath(import.meta.url)), '..');
const core = join(cli, '../core');
const bundle = join(cli, 'dist');
const main = join(bundle, 'main.js');

/** Time of the newest file below a folder, ms. */
function newest(folder) {
  let time = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    time = Math.max(time, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return time;
}

async function make() {
  const { build } = await import('esbuild');
  // Beside its place and then moved, so that two commands at once never see half a bundle
  const made = mkdtempSync(join(cli, 'dist-'));
  await build({
    entryPoints: { main: join(cli, 'src/main.ts'), helper: join(core, 'node/helper.ts') },
    outdir: made,
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Compiled for this machine
    external: ['better-sqlite3'],
    logLevel: 'error',
    banner: {
      js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);",
    },
  });
  const old = `${made}-old`;
  if (existsSync(bundle)) renameSync(bundle, old);
  try {
    renameSync(made, bundle);
  } catch (error) {
    // Another command was quicker; its bundle is as good
    if (!existsSync(main)) throw error;
    rmSync(made, { recursive: true });
  }
  rmSync(old, { recursive: true, force: true });
}

if (
  !existsSync(main) ||
  statSync(main).mtimeMs < Math.max(...[join(cli, 'src'), join(core, 'src'), join(core, 'node')].map(newest))
)
  await make();
await import(pathToFileURL(main).href);
