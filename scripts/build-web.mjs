// Builds the web application when its sources or the core's changed since the last build.
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { compressWeb } from './compress-web.mjs';
import { root, run } from './set-up.mjs';

/** Time of the newest file at or below a path, ms. */
export function newest(path) {
  const info = statSync(path);
  if (!info.isDirectory()) return info.mtimeMs;
  return Math.max(info.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

export function buildWeb() {
  const built = join(root, 'web/dist/browser/index.html');
  const sources = [
    'web/src',
    'web/angular.json',
    'core/src',
    'core/demo',
    'core/starts',
    'package-lock.json',
  ];
  const changed = Math.max(...sources.map((path) => newest(join(root, path))));
  if (existsSync(built) && statSync(built).mtimeMs > changed) return;
  console.log('Building the web application (about a minute) …');
  run('npx', ['ng', 'build'], { cwd: join(root, 'web'), env: { ...process.env, NG_CLI_ANALYTICS: 'false' } });
  compressWeb(join(root, 'web/dist/browser'));
}

if (process.argv[1] === fileURLToPath(import.meta.url)) buildWeb();
