import Database from 'better-sqlite3';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DatabaseProblem, openDatabase } from './open-database.js';

describe('opening the database', () => {
  let folder: string;
  let file: string;

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'hashira-db-'));
    file = join(folder, 'deep', 'designs.sqlite');
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  it('makes the folder, the file and the tables, in WAL, synced on every commit', async () => {
    const source = await openDatabase(file);
    const value = async (pragma: string) =>
      Object.values((await source.query<object[]>(`PRAGMA ${pragma}`))[0]!)[0] as unknown;
    expect(await value('journal_mode')).toBe('wal');
    expect(await value('synchronous')).toBe(2);
    await source.destroy();
    const again = await openDatabase(file);
    expect((await again.query<object[]>('SELECT name FROM migrations')).length).toBe(2);
    await again.destroy();
  });

  it('has migrations that make just what the entities describe', async () => {
    const source = await openDatabase(file);
    const { upQueries } = await source.driver.createSchemaBuilder().log();
    expect(upQueries.map((query) => query.query)).toEqual([]);
    await source.destroy();
  });

  async function refusal(): Promise<string> {
    const before = readFileSync(file);
    try {
      await (await openDatabase(file)).destroy();
    } catch (error) {
      expect(error).toBeInstanceOf(DatabaseProblem);
      expect(readFileSync(file).equals(before)).withContext('left as it is').toBeTrue();
      return (error as Error).message;
    }
    return 'opened';
  }

  it('refuses a file that is no database, a damaged one, a stranger’s and a newer one, and leaves them as they are', async () => {
    file = join(folder, 'x.sqlite');
    writeFileSync(file, 'no database at all, '.repeat(300));
    expect(await refusal()).toContain('cannot be used: file is not a database');

    const other = new Database(join(folder, 'other.sqlite'));
    other.exec('CREATE TABLE songs (title text)');
    other.close();
    file = join(folder, 'other.sqlite');
    expect(await refusal()).toContain('belongs to another program');

    file = join(folder, 'newer.sqlite');
    await (await openDatabase(file)).destroy();
    const newer = new Database(file);
    newer.exec("INSERT INTO migrations (timestamp, name) VALUES (1, 'FromTheFuture1')");
    newer.pragma('journal_mode = DELETE');
    newer.close();
    expect(await refusal()).toContain('newer version (FromTheFuture1)');

    file = join(folder, 'damaged.sqlite');
    await (await openDatabase(file)).destroy();
    const content = readFileSync(file);
    content.fill(0x5a, 4096 + 8, 4096 + 400);
    writeFileSync(file, content);
    expect(await refusal()).toContain('cannot be used');
  });
});
