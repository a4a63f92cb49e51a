import Database from 'better-sqlite3';
import { renameSync, rmSync, symlinkSync, writeFileSync, readdirSync, chmodSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { slipShed } from '../../../core/src/testing/designs.js';
import type { ProblemDetails } from '../http/problem-details.js';
import { unattended } from '../unattended.js';
import { DatabaseProblem, openDatabase } from './open-database.js';
import { serve, type Served } from '../testing/serve.js';

describe('a database that others hold, move or fill up', () => {
  let served: Served;
  let folder: string;
  let file: string;
  let base: string;
  const told: string[] = [];

  beforeEach(async () => {
    served = await serve({}, { tell: (line) => told.push(line) });
    ({ folder, file } = served);
    base = `${served.url}/api/designs`;
  });
  afterEach(() => served.close());

  const create = () =>
    fetch(base, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(slipShed()),
    });
  const detailOf = async (answer: Response) => ((await answer.json()) as ProblemDetails).detail;

  it('is asked again while another program writes, and others are answered meanwhile', async () => {
    const other = new Database(file);
    other.exec('BEGIN IMMEDIATE');
    const saving = create();
    await setTimeout(200);
    // The lock holds up nobody who reads
    expect((await fetch(base)).status).toBe(200);
    other.exec('COMMIT');
    other.close();
    expect((await saving).status).toBe(201);
  });

  it('says so where the other program does not let go, and loses nothing', async () => {
    const other = new Database(file);
    other.exec('BEGIN IMMEDIATE');
    const refused = await create();
    expect(refused.status).toBe(503);
    expect(await detailOf(refused)).toContain('Another program holds the database');
    other.exec('COMMIT');
    other.close();
    expect((await create()).status).toBe(201);
  });

  it('that was removed or moved takes no save until it is back', async () => {
    expect((await create()).status).toBe(201);
    renameSync(file, `${file}.moved`);
    const refused = await create();
    expect(refused.status).toBe(503);
    expect(await detailOf(refused)).toContain('was removed, moved or replaced');
    writeFileSync(file, 'another file');
    expect((await create()).status).toBe(503);
    rmSync(file);
    renameSync(`${file}.moved`, file);
    expect((await create()).status).toBe(201);
    expect(((await (await fetch(base)).json()) as unknown[]).length).toBe(2);
  });

  it('has one lock, by whatever link it is named', async () => {
    const link = join(folder, 'link.sqlite');
    symlinkSync(file, link);
    await expectAsync(openDatabase(link)).toBeRejectedWithError(DatabaseProblem, /Another server has/);
    symlinkSync(join(folder, 'loop'), join(folder, 'loop'));
    await expectAsync(openDatabase(join(folder, 'loop'))).toBeRejectedWithError(
      DatabaseProblem,
      /leads to itself/,
    );
  });

  it('has every answered save in its file alone', async () => {
    await create();
    const raw = new Database(file, { readonly: true });
    expect(raw.prepare('SELECT count(*) AS n FROM designs').get()).toEqual({ n: 1 });
    raw.close();
    expect(told).toEqual([]);
  });

  it('work that runs by itself ends nothing where it fails, and says so', async () => {
    const lines: string[] = [];
    unattended(
      'Purging',
      () => Promise.reject(new Error('disk full')),
      (line) => lines.push(line),
    );
    unattended(
      'Looking',
      () => {
        throw new Error('no file');
      },
      (line) => lines.push(line),
    );
    await setTimeout(1);
    expect(lines).toEqual(['Looking failed: no file', 'Purging failed: disk full']);
  });

  it('that may only be read is left without files beside it', async () => {
    const other = join(folder, 'apart', 'designs.sqlite');
    await (await openDatabase(other)).close();
    chmodSync(other, 0o444);
    await openDatabase(other).then(
      (opened) => opened.close(),
      (error: unknown) => expect(error).toBeInstanceOf(DatabaseProblem),
    );
    expect(readdirSync(join(folder, 'apart'))).toEqual(['designs.sqlite']);
  });
});
