// Writes docs/verification.md from the cases of core/verification; with --check compares instead of writing.
import { readFileSync, writeFileSync } from 'node:fs';
import { verification, type VerificationCase } from './verification/index.js';

const target = new URL('../docs/verification.md', import.meta.url);

/** Six digits, which are the same on every machine. */
const digits = (value: number): string => {
  if (value === 0 || Math.abs(value) < 1e-9) return '0';
  const size = Math.abs(value);
  return size >= 1e6 || size < 1e-3 ? value.toExponential(5) : String(Number(value.toPrecision(6)));
};

/** The error by powers of ten: its own digits are rounding and differ between machines. */
const errorOf = (one: VerificationCase, computed: number): string => {
  const error = Math.abs(computed - one.expected) / (Math.abs(one.expected) || 1);
  return error <= 1e-9 ? '< 1e-9' : `< 1e${Math.ceil(Math.log10(error))}`;
};

const count = verification.reduce((sum, { cases }) => sum + cases.length, 0);
const lines = [
  '# Verification manual',
  '',
  `${count} numbers of the analysis and the checks against values from outside: closed forms of textbooks, published examples and benchmarks.`,
  'Written by `npm run manual` from `core/verification`, where each case stands with its model; `npm test` computes',
  'them all and checks that this page is current. The error is relative; the limit is what the source’s digits or its',
  'simpler theory allow.',
];
for (const { title, cases } of verification) {
  lines.push(
    '',
    `## ${title}`,
    '',
    '| case | source | quantity | expected | computed | error | limit |',
    '|---|---|---|---:|---:|---:|---:|',
  );
  for (const one of cases) {
    const computed = one.compute();
    lines.push(
      `| ${one.title} | ${one.source} | ${one.quantity} | ${digits(one.expected)} | ${digits(computed)} | ${errorOf(one, computed)} | ${one.tolerance.toExponential(0)} |`,
    );
  }
}
const text = `${lines.join('\n')}\n`;
if (process.argv.includes('--check')) {
  const same = readFileSync(target, 'utf8') === text;
  console.log(
    same ? 'The verification manual is current.' : 'The verification manual is not current: npm run manual',
  );
  process.exit(same ? 0 : 1);
}
writeFileSync(target, text);
console.log(`${count} cases written`);
