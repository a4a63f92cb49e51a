import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { generator } from '../../core/src/testing/random.js';
import { Application, runServer, type ServerRun } from '../application.js';
import { isTrace, short, type Report } from './report.js';

const command = fileURLToPath(new URL('../../cli/bin/hashira.mjs', import.meta.url));

/** Statements that leave a file which is a database, but not ours any more. */
const statements = [
  'DROP TABLE designs',
  'DROP TABLE revisions',
  'DROP TABLE migrations',
  'DROP INDEX designs_by_update',
  'DROP TRIGGER revision_of_new',
  'DELETE FROM migrations',
  "UPDATE designs SET document = 'x'",
  "UPDATE designs SET document = x'00ff'",
  "UPDATE designs SET document = substr(document, 1, 500), title = ''",
  'UPDATE designs SET revision = -5',
  'UPDATE designs SET alternatives = 1e300',
  'ALTER TABLE designs RENAME COLUMN document TO content',
  'UPDATE migrations SET name = name || 1',
  "INSERT INTO migrations (timestamp, name) VALUES (9, 'Later9')",
];

/** Starts the server on damaged databases: it refuses in a sentence, or serves without an error of its own; then rescues from them. */
export async function databases(count: number, seed: number): Promise<Report> {
  const random = generator(seed);
  const folder = mkdtempSync(join(tmpdir(), 'hashira-attack-'));
  const findings: string[] = [];
  let [refused, served, rescued] = [0, 0, 0];
  try {
    const sound = await soundDatabase();
    for (let k = 0; k < count; k++) {
      const file = join(folder, `${k}.sqlite`);
      const what = damageFile(sound, file, random, k);
      const run = runServer(file, 0);
      const url = await addressOf(run);
      if (url === undefined) {
        refused++;
        if (isTrace(run.output()) || run.output().trim().split('\n').length > 1)
          findings.push(`${what}: the start says ${short(run.output())}`);
      } else {
        served++;
        await ask(url, what, findings);
        run.process.kill('SIGTERM');
        await run.ended;
      }
      const { status, stderr } = spawnSync(
        process.execPath,
        [command, 'rescue', file, '--out', join(folder, `out-${k}`)],
        { encoding: 'utf8', timeout: 20_000 },
      );
      if (status === 0) rescued++;
      if ((status !== 0 && status !== 2) || isTrace(stderr))
        findings.push(`${what}: rescue ends with ${status}: ${short(stderr)}`);
    }
    rmSync(sound);
  } finally {
    rmSync(folder, { recursive: true });
  }
  return { figures: { databases: count, refused, served, rescued }, findings };
}

async function soundDatabase(): Promise<string> {
  const app = new Application();
  await app.start();
  await app.stop();
  const kept = join(tmpdir(), `hashira-sound-${process.pid}.sqlite`);
  copyFileSync(app.database, kept);
  app.remove();
  return kept;
}

/** Bytes changed at random places, the end cut off, or a statement. Returns what was done. */
function damageFile(sound: string, file: string, random: () => number, k: number): string {
  copyFileSync(sound, file);
  if (k % 2 === 0) {
    const statement = statements[(k / 2) % statements.length]!;
    const database = new Database(file);
    try {
      database.exec(statement);
    } finally {
      database.close();
    }
    return statement;
  }
  const content = readFileSync(file);
  if (random() < 0.2) {
    const length = Math.floor(content.length * random());
    writeFileSync(file, content.subarray(0, length));
    return `cut off at ${length}`;
  }
  const at = Math.floor(content.length * random());
  const length = Math.floor(2 ** (14 * random()));
  for (let i = at; i < Math.min(content.length, at + length); i++) content[i] = Math.floor(256 * random());
  writeFileSync(file, content);
  return `${length} bytes changed at ${at}`;
}

/** Where the server listens; undefined where it has ended before it did. */
async function addressOf({ process: server, output, ended }: ServerRun): Promise<string | undefined> {
  while (server.exitCode === null && server.signalCode === null) {
    const address = /Hashira is at (\S+)/.exec(output())?.[1];
    if (address) return address;
    await setTimeout(20);
  }
  await ended;
  return undefined;
}

/** Asks for everything that is stored. */
async function ask(url: string, what: string, findings: string[]): Promise<void> {
  const get = async (path: string) => {
    const answer = await fetch(`${url}/api/designs${path}`);
    const text = await answer.text();
    if (answer.status === 500 || isTrace(text))
      findings.push(`${what}: GET ${path} gives ${answer.status}: ${short(text)}`);
    return answer.ok ? (JSON.parse(text) as unknown) : undefined;
  };
  const list = (await get('')) as { id: string }[] | undefined;
  await get('/deleted');
  for (const { id } of list ?? []) {
    await get(`/${id}`);
    await get(`/${id}/revisions`);
    await get(`/${id}/revisions/1`);
  }
}
