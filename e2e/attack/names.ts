import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Papa from 'papaparse';
import { cutList } from '../../core/src/evaluation/cut-list/cut-list.js';
import { cutListCsv } from '../../core/src/files/csv/cut-list.js';
import { readParameters, writeParameters } from '../../core/src/files/csv/parameters.js';
import { built, slipShed } from '../../core/src/testing/designs.js';
import { isTrace, short, type Report } from './report.js';

const command = fileURLToPath(new URL('../../cli/bin/hashira.mjs', import.meta.url));

/** Names that every object has, and beginnings that programs take for formulas. */
const inherited = ['__proto__', 'constructor', 'toString', 'valueOf', 'hasOwnProperty', 'isPrototypeOf'];
const formulas = ['=1+1', '+1+1', '-1+cmd', '@sum', '\t=1', '=HYPERLINK("x")'];

/** Gives names that are on every object, and titles that are formulas elsewhere. */
export function names(): Promise<Report> {
  const findings: string[] = [];
  const folder = mkdtempSync(join(tmpdir(), 'hashira-names-'));
  let [commands, tables] = [0, 0];
  const run = (...args: string[]): void => {
    commands++;
    const { status, stderr } = spawnSync(process.execPath, [command, ...args], {
      encoding: 'utf8',
      timeout: 60_000,
    });
    if ((status !== 0 && status !== 2) || isTrace(stderr))
      findings.push(`hashira ${args.join(' ')} ends with ${status}: ${short(stderr)}`);
  };
  try {
    for (const name of inherited) {
      run('sections', name);
      run('section', name);
      const shed = slipShed();
      const [choice] = shed.choices;
      const file = join(folder, 'design.json');
      writeFileSync(
        file,
        JSON.stringify({ ...shed, choices: [...shed.choices, { ...choice, id: name, title: name }] }),
      );
      run('build', file);
      run('build', file, '--alternative', name);
    }
    for (const title of formulas) {
      const shed = slipShed();
      const design = {
        ...shed,
        alternatives: shed.alternatives.map((one, k) => (k === 0 ? { ...one, title } : one)),
      };
      for (const text of [writeParameters(design), cutListCsv(cutList(built(design)))]) {
        tables++;
        for (const cell of Papa.parse<string[]>(text).data.flat())
          if (/^[=+\-@\t\r]/.test(cell) && !Number.isFinite(Number(cell)))
            findings.push(`a cell is ${short(cell)}`);
      }
      const back = readParameters(design, writeParameters(design));
      if (title === title.trim() && back.alternatives.length !== design.alternatives.length)
        findings.push(`"${title}" does not come back from its table`);
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  return Promise.resolve({ figures: { commands, tables }, findings });
}
