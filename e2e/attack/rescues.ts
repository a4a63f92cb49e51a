import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { slipShed } from '../../core/src/testing/designs.js';
import { generator } from '../../core/src/testing/random.js';
import { Application } from '../application.js';
import { isTrace, short, storeDesign, type Report } from './report.js';

const command = fileURLToPath(new URL('../../cli/bin/hashira.mjs', import.meta.url));
const pageSize = 4096;
const designs = 15;

/** Kinds of damage: what each does to the bytes of a sound file. */
const damages: Readonly<Record<string, (content: Buffer, random: () => number) => Buffer>> = {
  'a page short': (content) => content.subarray(0, content.length - pageSize),
  'cut off': (content, random) => content.subarray(0, Math.floor(content.length * (0.3 + 0.7 * random()))),
  'a bit of the schema': (content, random) => {
    const at = 100 + Math.floor((pageSize - 100) * random());
    content[at]! ^= 1 << Math.floor(8 * random());
    return content;
  },
  'the header': (content, random) => randomly(content, 0, 100, random),
  'the first page': (content) => content.fill(0, 0, pageSize),
  'a page of noise': (content, random) =>
    randomly(content, pageSize * Math.floor((content.length / pageSize) * random()), pageSize, random),
  'a page of zeros': (content, random) => {
    const at = pageSize * Math.floor((content.length / pageSize) * random());
    return content.fill(0, at, at + pageSize);
  },
  'two pages changed over': (content, random) => {
    const pages = content.length / pageSize;
    const [a, b] = [1 + Math.floor((pages - 1) * random()), 1 + Math.floor((pages - 1) * random())];
    const kept = Buffer.from(content.subarray(a * pageSize, (a + 1) * pageSize));
    content.copy(content, a * pageSize, b * pageSize, (b + 1) * pageSize);
    kept.copy(content, b * pageSize);
    return content;
  },
};

function randomly(content: Buffer, from: number, length: number, random: () => number): Buffer {
  for (let i = from; i < Math.min(content.length, from + length); i++)
    content[i] = Math.floor(256 * random());
  return content;
}

/** Rescues from files with every kind of damage: each design all of whose pages are whole has to come out. */
export async function rescues(count: number, seed: number): Promise<Report> {
  const random = generator(seed);
  const folder = mkdtempSync(join(tmpdir(), 'hashira-rescues-'));
  const findings: string[] = [];
  let [wholeInAll, cameOut, more] = [0, 0, 0];
  try {
    const sound = join(folder, 'sound.sqlite');
    const documents = await soundDatabase(sound);
    const content = readFileSync(sound);
    const pages = documents.map((text) => pagesOf(content, text));
    const kinds = Object.entries(damages);
    for (let k = 0; k < count; k++) {
      const [what, damage] = kinds[k % kinds.length]!;
      const file = join(folder, `${k}.sqlite`);
      const damaged = damage(Buffer.from(content), random);
      writeFileSync(file, damaged);
      const { status, stdout, stderr } = spawnSync(
        process.execPath,
        [command, 'rescue', file, '--out', join(folder, `out-${k}`)],
        { encoding: 'utf8', timeout: 60_000, maxBuffer: 1 << 26 },
      );
      if ((status !== 0 && status !== 2) || isTrace(stderr)) {
        findings.push(`${what}: rescue ends with ${status}: ${short(stderr)}`);
        continue;
      }
      const titles = new Set(
        (
          JSON.parse(stdout === '' ? '{"designs":[]}' : stdout) as { designs: { title: string }[] }
        ).designs.map(({ title }) => title),
      );
      if (titles.size === 0 && status === 0) findings.push(`${what}: an empty answer is no error`);
      pages.forEach((own, d) => {
        const whole = own.every((page) => isSame(content, damaged, page));
        if (whole) wholeInAll++;
        if (whole && titles.has(titleOf(d))) cameOut++;
        else if (whole) findings.push(`${what}, file ${k}: "${titleOf(d)}" is whole and did not come out`);
        else if (titles.has(titleOf(d))) more++;
      });
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  return {
    figures: { files: count, 'designs whole': wholeInAll, 'came out': cameOut, 'beside them': more },
    findings,
  };
}

const titleOf = (d: number) => `Design number ${d}`;

/** A database as the server leaves it, with designs whose texts are told apart in every page; returns the texts as they are stored. */
async function soundDatabase(file: string): Promise<string[]> {
  const app = new Application();
  await app.start();
  for (let d = 0; d < designs; d++) {
    const shed = slipShed();
    const own = {
      ...shed,
      rules: shed.rules.map((rule) => ({ ...rule, title: `${rule.title ?? rule.id} of ${d}` })),
    };
    await storeDesign(app.url, { ...own, title: titleOf(d) });
  }
  await app.stop();
  copyFileSync(app.database, file);
  app.remove();
  const database = new Database(file, { readonly: true });
  const rows = database.prepare('SELECT title, document FROM designs').all() as {
    title: string;
    document: string;
  }[];
  database.close();
  return Array.from({ length: designs }, (_, d) => rows.find(({ title }) => title === titleOf(d))!.document);
}

/** Pages of a file that hold any part of a text: those of which a stretch stands in it. */
function pagesOf(content: Buffer, text: string): number[] {
  const bytes = Buffer.from(text);
  const found: number[] = [];
  for (let page = 0; page < content.length / pageSize; page++) {
    const [from, to] = [page * pageSize, (page + 1) * pageSize];
    for (let at = from + 4; at + stretch <= to; at += stretch)
      if (bytes.includes(content.subarray(at, at + stretch))) {
        found.push(page);
        break;
      }
  }
  return found;
}

/** Bytes that are looked for: more than lie between two places where the texts differ. */
const stretch = 300;

function isSame(sound: Buffer, damaged: Buffer, page: number): boolean {
  const [from, to] = [page * pageSize, (page + 1) * pageSize];
  return to <= damaged.length && sound.compare(damaged, from, to, from, to) === 0;
}
