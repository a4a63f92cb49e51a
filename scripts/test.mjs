// npm test: sets up, checks, and runs every test. The last line is "N passed, N failed".
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { buildWeb } from './build-web.mjs';
import { installDebianPackages, installPackages, root } from './set-up.mjs';

installPackages();
if (!existsSync('/usr/bin/chromium'))
  installDebianPackages(
    ['chromium', 'fonts-dejavu-core'],
    'The tests drive Chromium from Debian’s packages.',
  );

let passed = 0;
let failed = 0;

/** Runs a command, shows its output, and returns it. */
function show(title, command, args, options = {}) {
  console.log(`\n== ${title}`);
  const result = spawnSync(command, args, {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    ...options,
    env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0', NG_CLI_ANALYTICS: 'false', ...options.env },
  });
  const output = `${result.stdout ?? ''}${result.stderr ?? ''}`;
  process.stdout.write(output);
  // Colours would stand between the numbers that are counted
  return { output: stripVTControlCharacters(output), ok: result.status === 0 };
}

/** A step that passes or fails as a whole. */
function check(title, command, args) {
  if (show(title, command, args).ok) passed++;
  else failed++;
}

/** Counts what a test runner reports; a runner that fails without failed tests counts as one failure. */
function tests(title, command, args, count, options) {
  const { output, ok } = show(title, command, args, options);
  const found = count(output);
  passed += found.passed;
  failed += found.failed;
  if (!ok && found.failed === 0) failed++;
  if (ok && found.passed === 0) {
    console.error(`${title} ran no test.`);
    failed++;
  }
}

function jasmineCount(output) {
  const match = [...output.matchAll(/(\d+) specs?, (\d+) failures?/g)].at(-1);
  const [all, bad] = match ? [Number(match[1]), Number(match[2])] : [0, 0];
  return { passed: all - bad, failed: bad };
}

function karmaCount(output) {
  const match = [...output.matchAll(/^Executed (\d+) specs, (\d+) failed$/gm)].at(-1);
  const [all, bad] = match ? [Number(match[1]), Number(match[2])] : [0, 0];
  return { passed: all - bad, failed: bad };
}

function playwrightCount(output) {
  const of = (word) => Number([...output.matchAll(new RegExp(`^\\s+(\\d+) ${word}`, 'gm'))].at(-1)?.[1] ?? 0);
  return { passed: of('passed') + of('flaky'), failed: of('failed') + of('did not run') };
}

const jasmine = [
  '--import',
  'tsx',
  join(root, 'node_modules/jasmine/bin/jasmine.js'),
  '--config=jasmine.json',
];

check('ESLint', 'npx', ['eslint', '.']);
check('Prettier', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
check('Import boundaries', 'npx', [
  'depcruise',
  '--config',
  '.dependency-cruiser.cjs',
  'core/src',
  'server/src',
  'cli/src',
  'web/src',
]);
check('Types', process.execPath, ['scripts/typecheck.mjs']);
check('Compiled kernels', process.execPath, ['core/kernels/build.mjs', '--check']);
check('Verification manual', process.execPath, ['--import', 'tsx', 'core/verification-manual.ts', '--check']);
check('Page of sections', process.execPath, ['--import', 'tsx', 'core/sections-manual.ts', '--check']);
check('Page of steps', process.execPath, ['--import', 'tsx', 'core/steps-manual.ts', '--check']);
for (const workspace of ['core', 'server', 'cli'])
  tests(`Jasmine: ${workspace}`, process.execPath, jasmine, jasmineCount, { cwd: join(root, workspace) });
tests('Karma and Jasmine: web', 'npx', ['ng', 'test'], karmaCount, { cwd: join(root, 'web') });
buildWeb();
tests('Playwright: the application', 'npx', ['playwright', 'test'], playwrightCount, {
  cwd: join(root, 'e2e'),
});

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
