// What both commands need before anything runs: packages, and the database driver built for this machine.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a command with its output shown; ends this process when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.error || result.status !== 0) {
    console.error(
      `\n"${[command, ...args].join(' ')}" failed${result.error ? `: ${result.error.message}` : ''}.`,
    );
    process.exit(result.status || 1);
  }
}

/** Whether a command can be started. */
export function has(command) {
  return spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;
}

/** Installs Debian packages, with sudo where that is needed; says what to do where it cannot. */
export function installDebianPackages(packages, reason) {
  const prefix = process.getuid?.() === 0 ? [] : has('sudo') ? ['sudo'] : undefined;
  if (!has('apt-get') || !prefix) {
    console.error(`${reason} Install these packages of your system and start again: ${packages.join(' ')}.`);
    process.exit(1);
  }
  console.log(`${reason} Installing ${packages.join(' ')} …`);
  const [command, ...args] = [...prefix, 'apt-get'];
  run(command, [...args, 'update', '-qq'], { stdio: ['ignore', 'ignore', 'inherit'] });
  run(command, [...args, 'install', '-y', '-qq', '--no-install-recommends', ...packages], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
}

/** Does a piece of setting up once for each lock file and Node version. */
function once(name, setUp) {
  const marker = join(root, 'node_modules', `.${name}-for`);
  const stamp = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(process.version)
    .digest('hex');
  if (existsSync(marker) && readFileSync(marker, 'utf8') === stamp) return;
  setUp();
  writeFileSync(marker, stamp);
}

/** Installs the packages of the lock file. */
export function installPackages() {
  once('installed', () => {
    console.log('Installing packages …');
    run('npm', ['ci', '--ignore-scripts', '--no-fund', '--no-audit']);
  });
}

/** Compiles the database driver for this machine. */
export function compileDriver() {
  once('compiled', () => {
    if (!has('python3') || !has('make') || !has('g++'))
      installDebianPackages(['python3', 'make', 'g++'], 'The database driver is compiled here.');
    console.log('Compiling the database driver (about two minutes) …');
    // Headers come with Node itself, so that nothing is fetched for them
    const prefix = resolve(dirname(process.execPath), '..');
    const headers = existsSync(join(prefix, 'include', 'node', 'node.h'))
      ? { npm_config_nodedir: prefix }
      : {};
    run('npm', ['rebuild', 'better-sqlite3'], {
      env: { ...process.env, npm_config_build_from_source: 'true', ...headers },
    });
  });
}
