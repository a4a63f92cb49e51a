import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { slipShed } from '../../core/src/testing/designs.js';
import type { Design, Step } from '../../core/src/document/types.js';
import { isTrace, short, type Report } from './report.js';

const command = fileURLToPath(new URL('../../cli/bin/hashira.mjs', import.meta.url));
/** Every document ends, or has told how far it is, within this time, ms. */
const patience = 5000;

type Made = Omit<Partial<Design>, 'steps'> & { steps: unknown[] };

/** A column under its own weight, to which what is attacked is added. */
function plain(steps: unknown[], more: object = {}): Made {
  const { parameters, ...shed } = slipShed();
  return {
    ...shed,
    parameters,
    choices: [],
    figures: [],
    combine: undefined,
    loadCases: [{ id: 'G', title: 'Own weight', category: 'permanent', selfWeight: 1 }],
    combinations: [{ id: 'U', state: 'strength', factors: { G: 1.35 } }],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
    reference: 'a',
    rules: [
      { id: 's', members: 'true', section: 'IPE 300', material: 'S235' },
      { id: 'base', nodes: 'z < 0.01 m', support: 'fixed' },
    ],
    steps,
    ...more,
  };
}

const column = {
  id: 'l',
  make: 'line',
  points: [
    ['0 m', '0 m'],
    ['0 m', '5 m'],
  ],
};
const ring = (n: number, r: number, y = 0, z = 0) =>
  Array.from({ length: n }, (_, k) => [
    y + r * Math.cos((2 * Math.PI * k) / n),
    z + r * Math.sin((2 * Math.PI * k) / n),
  ]);

/** Lines that all cross one another, made joints of. */
function crossings(count: number): unknown[] {
  const steps: unknown[] = [];
  for (let from = 0; from < count; from += 100) {
    const lines = Array.from({ length: Math.min(100, count - from) }, (_, i) => from + i);
    steps.push({
      id: `l${from}`,
      make: 'line',
      points: lines.flatMap((k) => [
        [`${k * 0.1} m`, '0 m'],
        [`${50 - k * 0.1} m`, `${20 + (k % 7)} m`],
      ]),
      pairs: lines.map((_, i) => [2 * i, 2 * i + 1]),
    });
  }
  return [...steps, { id: 'j', edit: 'join', members: 'true', crossings: true }];
}

/** Documents that once took no end, by what is large or many in them. */
const documents: Readonly<Record<string, () => object>> = {
  'a coordinate of 1e13 m': () =>
    plain([
      {
        ...column,
        points: [
          ['0 m', '0 m'],
          ['1e13 m', '5 m'],
        ],
      },
    ]),
  'a load factor of 1e-308': () =>
    plain([column], { combinations: [{ id: 'U', state: 'strength', factors: { G: 1e-308 } }] }),
  'a load of 1e150 N/m': () =>
    withRule({ id: 'q', members: 'true', load: { case: 'G', direction: 'x', q: '1e150 N/m' } }),
  'a load of 1e308 N': () =>
    withRule({ id: 'q', nodes: 'true', load: { case: 'G', kind: 'node', F: ['1e308 N', '0 N', '0 N'] } }),
  'a billion bays in a list': () =>
    plain([{ id: 'b', make: 'braced-bay', bays: '999999999999 * 5 m', storeys: ['3 m'] }]),
  '200 area rules': () => {
    const shed = slipShed();
    const load = { case: 'G', q: '-1 kN/m^2', direction: 'z' };
    return {
      ...shed,
      rules: [
        ...shed.rules,
        ...Array.from({ length: 200 }, (_, k) => ({
          id: `area${k}`,
          members: 'role == "rafter"',
          area: load,
        })),
      ],
    };
  },
  '100 lines that all cross': () => plain(crossings(100)),
  '500 lines that all cross': () => plain(crossings(500)),
  'a section of 20 000 corners': () => withSection({ type: 'outline', points: ring(20_000, 0.1) }),
  'a section of 2000 corners': () => withSection({ type: 'outline', points: ring(2000, 0.1) }),
  'a section of 100 holes': () =>
    withSection({
      type: 'outline',
      points: ring(400, 1),
      holes: Array.from({ length: 100 }, (_, k) =>
        ring(40, 0.01, 0.08 * (k % 10) - 0.4, 0.08 * Math.floor(k / 10) - 0.4),
      ),
    }),
  'a grid of 15 000 members': () => ({
    ...plain([
      {
        id: 'g',
        make: 'storey-frame',
        baysX: { count: 24, each: '5 m' },
        baysY: { count: 24, each: '5 m' },
        storeys: { count: 8, each: '3 m' },
      },
    ]),
    space: 'solid',
  }),
};

function withRule(rule: object): object {
  const made = plain([column]) as unknown as { rules: object[] };
  return { ...made, rules: [...made.rules, rule] };
}

function withSection(shape: object): object {
  return {
    ...plain([column] as Step[]),
    sections: [{ id: 'own', material: 'S235', shape }],
    rules: [
      { id: 's', members: 'true', section: 'own', material: 'S235' },
      { id: 'base', nodes: 'z < 0.01 m', support: 'fixed' },
    ],
  };
}

/** Assesses documents whose numbers or counts are beyond all frames: each ends, or tells how far it is. */
export async function growth(names = Object.keys(documents)): Promise<Report> {
  const folder = mkdtempSync(join(tmpdir(), 'hashira-growth-'));
  const findings: string[] = [];
  let [ended, told, refused] = [0, 0, 0];
  try {
    for (const name of names) {
      const file = join(folder, 'document.json');
      writeFileSync(file, JSON.stringify(documents[name]!()));
      const { code, err } = await assess(file);
      if (code === undefined && !/\d+ %/.test(err))
        findings.push(`${name}: no word after ${patience / 1000} s`);
      else if (code === undefined) told++;
      else if (code === 0) ended++;
      else if (code === 2) refused++;
      if (isTrace(err) || (code !== undefined && code !== 0 && code !== 2))
        findings.push(`${name}: ends with ${code}: ${short(err)}`);
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  return { figures: { documents: names.length, ended, refused, 'told how far': told }, findings };
}

/** How `hashira assess` ends, or what it has said when patience ends. */
function assess(file: string): Promise<{ code?: number | null; err: string }> {
  const child = spawn(process.execPath, [command, 'assess', file, '--progress'], {
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let err = '';
  child.stderr.on('data', (data: Buffer) => (err += data.toString()));
  return new Promise((resolve) => {
    const late = setTimeout(() => {
      child.kill('SIGKILL');
      resolve({ err });
    }, patience);
    child.on('close', (code) => {
      clearTimeout(late);
      resolve({ code, err });
    });
  });
}
