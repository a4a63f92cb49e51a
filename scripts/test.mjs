// npm test: sets up, checks, and runs every test. The last line is "N passed, N failed".
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { inSlots } from './in-slots.mjs';
import { installDebianPackages, installPackages, root } from './set-up.mjs';

const begun = performance.now();
installPackages();
if (!existsSync('/usr/bin/chromium'))
  installDebianPackages(
    ['chromium', 'fonts-dejavu-core'],
    'The tests drive Chromium from Debian’s packages.',
  );
const times = [['Setting up', (performance.now() - begun) / 1000]];

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

let passed = 0;
let failed = 0;

/** Shows and counts a result: a job without a count passes or fails as a whole, and one that fails without failed tests is one failure. */
function tell({ title, count }, { output, ok, seconds }) {
  console.log(`\n== ${title} (${seconds.toFixed(0)} s)`);
  process.stdout.write(output);
  times.push([title, seconds]);
  const found = count?.(output) ?? { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
  passed += found.passed;
  failed += found.failed;
  if (!ok && found.failed === 0) failed++;
  if (ok && found.passed === 0) {
    console.error(`${title} ran no test.`);
    failed++;
  }
}

const node = (title, ...args) => ({ title, command: process.execPath, args });
const specs = (workspace, ...more) => ({
  ...node(
    `Jasmine: ${workspace}`,
    '--import',
    'tsx',
    join(root, 'node_modules/jasmine/bin/jasmine.js'),
    '--config=jasmine.json',
    ...more,
  ),
  cwd: join(root, workspace),
  count: jasmineCount,
});
const tool = (title, ...args) => ({ title, command: 'npx', args });

const driver = node('Database driver', 'scripts/compile-driver.mjs');

// The longest first, so that none is left over at the end
const beforeThePage = [
  driver,
  specs('core'),
  { ...tool('Karma and Jasmine: web', 'ng', 'test'), cwd: join(root, 'web'), count: karmaCount },
  { ...specs('e2e'), after: driver },
  node('Web application', 'scripts/build-web.mjs'),
  { ...specs('server'), after: driver },
  { ...specs('cli'), after: driver },
  node('Types', 'scripts/typecheck.mjs'),
  tool('oxlint', 'oxlint'),
  tool('ESLint: components and templates', 'eslint', 'web/src'),
  tool('Format', 'oxfmt', '--check'),
  tool(
    'Import boundaries',
    'depcruise',
    '--config',
    '.dependency-cruiser.cjs',
    'core/src',
    'server/src',
    'cli/src',
    'web/src',
  ),
  node('Compiled kernels', 'core/kernels/build.mjs', '--check'),
  node('Verification manual', '--import', 'tsx', 'core/verification-manual.ts', '--check'),
  node('Page of sections', '--import', 'tsx', 'core/sections-manual.ts', '--check'),
  node('Page of steps', '--import', 'tsx', 'core/steps-manual.ts', '--check'),
];
await inSlots(beforeThePage, tell);
// Playwright takes every processor by itself
await inSlots(
  [
    {
      ...tool('Playwright: the application', 'playwright', 'test'),
      cwd: join(root, 'e2e'),
      count: playwrightCount,
    },
  ],
  tell,
);

times.push(['All', (performance.now() - begun) / 1000]);
console.log(
  `\n${times.map(([title, seconds]) => `${seconds.toFixed(0).padStart(5)} s  ${title}`).join('\n')}`,
);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
