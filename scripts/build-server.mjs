// Bundles the server when its sources or the core's changed since the last build: a start then loads a few files, not hundreds.
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { newest } from './build-web.mjs';
import { root } from './set-up.mjs';

export const serverMain = join(root, 'server/dist/main.js');

export async function buildServer() {
  const sources = ['server/src', 'core/src', 'core/starts', 'package-lock.json'];
  const changed = Math.max(...sources.map((path) => newest(join(root, path))));
  if (existsSync(serverMain) && statSync(serverMain).mtimeMs > changed) return;
  // Not at the top: this file is loaded before packages are installed
  const { build } = await import('esbuild');
  const { peerDependencies } = JSON.parse(
    readFileSync(join(root, 'node_modules/typeorm/package.json'), 'utf8'),
  );
  await build({
    entryPoints: {
      main: join(root, 'server/src/main.ts'),
      'integrity-worker': join(root, 'server/src/database/integrity-worker.ts'),
      'reading-worker': join(root, 'server/src/designs/reading-worker.ts'),
    },
    outdir: join(root, 'server/dist'),
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Drivers are loaded where they are wanted: ours is compiled for this machine, the others are not installed
    external: Object.keys(peerDependencies),
    banner: {
      js: [
        "import { createRequire as createRequireHere } from 'node:module';",
        'const require = createRequireHere(import.meta.url);',
        'const __dirname = import.meta.dirname;',
        'const __filename = import.meta.filename;',
      ].join(' '),
    },
    sourcemap: true,
    logLevel: 'error',
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildServer();
