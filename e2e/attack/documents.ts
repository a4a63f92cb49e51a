import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { evaluateAlternative, summaryOf } from '../../core/src/evaluation/index.js';
import { checkToFile } from '../../core/src/files/checks-file.js';
import { cutList } from '../../core/src/evaluation/cut-list/cut-list.js';
import { readModel } from '../../core/src/files/model-file.js';
import { solveToFile } from '../../core/src/files/results-file.js';
import type { Outcome } from '../../core/src/base/problem.js';
import { buildFrame } from '../../core/src/build/build.js';
import { parseDesign } from '../../core/src/document/read.js';
import { damage } from '../../core/src/testing/damage.js';
import { generator } from '../../core/src/testing/random.js';
import { isTrace, short, type Report } from './report.js';

const demo = fileURLToPath(new URL('../../core/demo', import.meta.url));
const command = fileURLToPath(new URL('../../cli/bin/hashira.mjs', import.meta.url));
/** Models with more members are only read. */
const mostChecked = 70;
/** One in so many goes through a process of its own. */
const everyProcess = 40;
/** Larger frames are not put through second order, designs of them only built: thousands of them would take hours. */
const mostMembers = 12;

/** Puts damaged models and designs through every command: results are finite, or every problem is a sentence. */
export async function documents(count: number, seed: number): Promise<Report> {
  const random = generator(seed);
  const findings: string[] = [];
  let [refused, processes, slowest] = [0, 0, 0];
  const folder = mkdtempSync(join(tmpdir(), 'hashira-documents-'));
  const designs = readdirSync(demo).map((name) => readFileSync(join(demo, name), 'utf8'));
  const models = designs.flatMap((text) => {
    const design = parseDesign(text);
    if (!design.ok) return [];
    const built = buildFrame(design.value, design.value.alternatives[0]!);
    return built.ok ? [JSON.stringify(built.value.model)] : [];
  });
  try {
    for (let k = 0; k < count; k++) {
      const isModel = k % 2 === 0;
      const sound = isModel ? models : designs;
      const document: unknown = JSON.parse(sound[Math.floor(sound.length * random())]!);
      for (let n = 0; n <= k % 3; n++) damage(document, random);
      const text = JSON.stringify(document);
      const from = performance.now();
      try {
        for (const outcome of isModel ? modelCommands(text, k) : designCommands(text))
          if (!outcome.ok) refused += told(outcome, text, findings);
      } catch (error) {
        findings.push(`crash: ${String((error as Error).stack)} of ${short(text)}`);
      }
      const took = performance.now() - from;
      slowest = Math.max(slowest, took);
      if (took > 5000) findings.push(`${Math.round(took)} ms for ${short(text)}`);
      if (k % everyProcess === 0) {
        processes++;
        throughProcess(folder, isModel ? 'solve' : 'assess', text, findings);
      }
      // Lets the process be interrupted
      await Promise.resolve();
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  return {
    figures: { documents: count, refused, processes, 'slowest, ms': Math.round(slowest) },
    findings,
  };
}

function* modelCommands(text: string, k: number): Generator<Outcome<unknown>, void> {
  const model = readModel(text);
  if (!model.ok) {
    yield model;
    return;
  }
  if (model.value.members.length > mostChecked) return;
  const small = model.value.members.length <= mostMembers;
  yield solveToFile(model.value, { stations: 3, secondOrder: small && k % 3 === 0 });
  yield checkToFile(model.value, { code: k % 4 === 0 ? 'AISC360' : 'EN1993' });
}

function* designCommands(text: string): Generator<Outcome<unknown>, void> {
  const design = parseDesign(text);
  if (!design.ok) {
    yield design;
    return;
  }
  const alternative = design.value.alternatives[0]!;
  const built = buildFrame(design.value, alternative);
  yield built;
  if (!built.ok) return;
  cutList(built.value);
  if (built.value.model.members.length > mostMembers) return;
  const run = evaluateAlternative(design.value, alternative);
  const summary = summaryOf(run, '');
  if (/:(NaN|-?Infinity)/.test(JSON.stringify(summary))) throw new Error('a number that is not finite');
  if (summary.problems.length > 0) yield { ok: false, problems: summary.problems };
}

/** Looks at the sentences of what was refused. */
function told(outcome: Outcome<unknown>, text: string, findings: string[]): number {
  if (outcome.ok) return 0;
  for (const { code, message } of outcome.problems)
    if (!/^[a-z-]+$/.test(code) || message.length < 20 || isTrace(message))
      findings.push(`${code}: ${short(message)} of ${short(text)}`);
  return 1;
}

function throughProcess(folder: string, name: string, text: string, findings: string[]): void {
  const file = join(folder, 'document.json');
  writeFileSync(file, text);
  const { status, stdout, stderr } = spawnSync(process.execPath, [command, name, file], {
    encoding: 'utf8',
    timeout: 30_000,
    maxBuffer: 1 << 28,
  });
  if (status === 0 && !/\bNaN\b|\bnull\b.*\bInfinity\b/.test(stdout)) return;
  if (status !== 2 || isTrace(stderr))
    findings.push(`hashira ${name} ends with ${status}: ${short(stderr)} of ${short(text)}`);
}
