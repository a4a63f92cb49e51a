import Database from 'better-sqlite3';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { slipShed } from '../../../core/src/testing/designs.js';
import { DesignStore } from '../designs/design-store.js';
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
    const database = await openDatabase(file);
    const value = async (pragma: string) =>
      Object.values((await database.source.query<object[]>(`PRAGMA ${pragma}`))[0]!)[0] as unknown;
    expect(await value('journal_mode')).toBe('wal');
    expect(await value('synchronous')).toBe(2);
    await database.close();
    const again = await openDatabase(file);
    expect((await again.source.query<object[]>('SELECT name FROM migrations')).length).toBe(4);
    await again.close();
    expect(readdirSync(join(folder, 'deep'))).toEqual(['designs.sqlite']);
  });

  it('has migrations that make just what the entities describe', async () => {
    const database = await openDatabase(file);
    const { upQueries } = await database.source.driver.createSchemaBuilder().log();
    expect(upQueries.map((query) => query.query)).toEqual([]);
    await database.close();
  });

  /** Why a file is refused; it is left as it was. */
  async function refusal(): Promise<string> {
    const before = readFileSync(file);
    try {
      await (await openDatabase(file)).close();
    } catch (error) {
      expect(error).toBeInstanceOf(DatabaseProblem);
      expect(readFileSync(file).equals(before)).withContext('left as it is').toBeTrue();
      expect(existsSync(`${file}.lock`))
        .withContext('no lock left')
        .toBeFalse();
      return (error as Error).message;
    }
    return 'opened';
  }

  /** A database of ours with one design, changed by SQL or in its bytes. */
  async function changed(name: string, sql: string): Promise<void> {
    file = join(folder, `${name}.sqlite`);
    const database = await openDatabase(file);
    await new DesignStore(database).create(slipShed());
    await database.close();
    const raw = new Database(file);
    raw.unsafeMode(true);
    raw.exec(sql);
    raw.pragma('journal_mode = DELETE');
    raw.close();
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

    await changed('newer', "INSERT INTO migrations (timestamp, name) VALUES (1, 'FromTheFuture1')");
    expect(await refusal()).toContain('newer version (FromTheFuture1)');

    await changed('damaged', 'VACUUM');
    const content = readFileSync(file);
    content.fill(0x5a, 4096 + 8, 4096 + 400);
    writeFileSync(file, content);
    expect(await refusal()).toContain('cannot be used');
  });

  it('refuses what a quick look passes: an index without rows, other columns, a view, missing migrations and triggers', async () => {
    await changed(
      'index',
      "PRAGMA writable_schema = ON; UPDATE sqlite_master SET rootpage = (SELECT rootpage FROM sqlite_master WHERE name = 'migrations') WHERE name = 'designs_by_update'; PRAGMA writable_schema = OFF",
    );
    expect(await refusal()).toContain('cannot be used');

    await changed(
      'column',
      'DROP TRIGGER revision_of_new; DROP TRIGGER revision_of_save; ALTER TABLE designs DROP COLUMN title',
    );
    expect(await refusal()).toContain('its table "designs" has no column "title"');

    await changed(
      'view',
      'DROP TRIGGER revision_of_new; DROP TRIGGER revision_of_save; DROP TRIGGER revisions_of_purged; DROP INDEX designs_by_update; ALTER TABLE designs RENAME TO d; CREATE VIEW designs AS SELECT * FROM d',
    );
    expect(await refusal()).toContain('"designs" is a view instead of a table');

    await changed('migrations', 'DROP TABLE migrations');
    expect(await refusal()).toContain('its table "migrations" is missing');

    await changed('unlisted', 'DELETE FROM migrations');
    expect(await refusal()).toContain('its list of migrations lacks "CreateDesigns');

    await changed('trigger', 'DROP TRIGGER revision_of_save');
    expect(await refusal()).toContain('its trigger "revision_of_save" is missing');

    await changed(
      'foreign',
      'CREATE TRIGGER emptied AFTER UPDATE ON designs BEGIN DELETE FROM revisions; END',
    );
    expect(await refusal()).toContain('its trigger "emptied" is none of ours');

    await changed('dropped', 'DROP TABLE revisions');
    expect(await refusal()).toContain('its table "revisions" is missing');
  });

  it('is for one server at a time, and free again when that one has ended', async () => {
    const first = await openDatabase(file);
    await expectAsync(openDatabase(file)).toBeRejectedWithError(DatabaseProblem, /Another server has/);
    await first.close();
    await (await openDatabase(file)).close();
  });

  it('leaves nothing behind where it fails on a new file', async () => {
    // A folder stands where the database writes its log
    mkdirSync(join(folder, 'c', 'designs.sqlite-wal', 'x'), { recursive: true });
    file = join(folder, 'c', 'designs.sqlite');
    await expectAsync(openDatabase(file)).toBeRejectedWithError(DatabaseProblem);
    expect(readdirSync(join(folder, 'c'))).toEqual(['designs.sqlite-wal']);
  });

  it('of an empty file is made only on request: what it held is gone', async () => {
    file = join(folder, 'empty.sqlite');
    for (const content of ['', 'x']) {
      writeFileSync(file, content);
      expect(await refusal()).toContain(`is empty (${content.length} bytes)`);
    }
    await (await openDatabase(file, { ofEmptyFile: true })).close();
    expect(statSync(file).size).toBeGreaterThan(1000);
  });

  describe('and its log', () => {
    /** A design with this title, as another connection writes it into the log that stays there. */
    function written(raw: Database.Database, title: string): void {
      raw
        .prepare(
          "INSERT INTO designs SELECT ?, ?, alternatives, revision, document, createdAt, updatedAt, deletedAt, decided, decidedWhy, changed FROM designs WHERE title = 'Slip shed'",
        )
        .run(title, title);
    }

    async function titles(path: string, options = {}): Promise<string[]> {
      const database = await openDatabase(path, options);
      const list = await new DesignStore(database).list();
      await database.close();
      return list.map(({ title }) => title).sort();
    }

    /** The files as a crash of an earlier version left them: marked, with two saves in the log. */
    async function crashed(): Promise<string> {
      const database = await openDatabase(file);
      await new DesignStore(database).create(slipShed());
      await database.close();
      const raw = new Database(file);
      raw.pragma('journal_mode = WAL');
      raw.pragma('user_version = 1');
      raw.pragma('wal_checkpoint(TRUNCATE)');
      written(raw, 'First');
      written(raw, 'Second');
      const copy = join(folder, 'crashed.sqlite');
      for (const ending of ['', '-wal']) copyFileSync(file + ending, copy + ending);
      raw.close();
      return copy;
    }

    it('are whole together after a crash, and one file from then on', async () => {
      const copy = await crashed();
      expect(await titles(copy)).toEqual(['First', 'Second', 'Slip shed']);
      rmSync(`${copy}-wal`, { force: true });
      expect(await titles(copy)).toEqual(['First', 'Second', 'Slip shed']);
    });

    it('say what they lack where the log is missing, empty, cut off or damaged', async () => {
      const copy = await crashed();
      const log = readFileSync(`${copy}-wal`);
      const refused = async (content: Buffer | undefined, words: RegExp) => {
        if (content) writeFileSync(`${copy}-wal`, content);
        else rmSync(`${copy}-wal`);
        await expectAsync(openDatabase(copy)).toBeRejectedWithError(DatabaseProblem, words);
      };
      await refused(undefined, /-wal, which is missing/);
      await refused(Buffer.alloc(0), /-wal, which is empty/);
      await refused(log.subarray(0, log.length - 1000), /was cut off inside a save/);
      const changed = Buffer.from(log);
      changed.fill(0x33, 32 + 24 + 100, 32 + 24 + 200);
      await refused(changed, /-wal is damaged/);
      changed.fill(0, 0, 32);
      await refused(changed, /damaged: nothing of it can be read/);
      expect(await titles(copy, { withoutLog: true })).toEqual(['Slip shed']);
    });

    it('hold nothing that was answered: a copy of the file alone has every save', async () => {
      const database = await openDatabase(file);
      await new DesignStore(database).create(slipShed());
      const copy = join(folder, 'alone.sqlite');
      copyFileSync(file, copy);
      expect(await titles(copy)).toEqual(['Slip shed']);
      await database.close();
    });
  });
});
