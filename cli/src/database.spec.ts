import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const bin = fileURLToPath(new URL('../bin/hashira.mjs', import.meta.url));
const demo = (name: string) =>
  readFileSync(fileURLToPath(new URL(`../../core/demo/${name}.json`, import.meta.url)), 'utf8');

function hashira(...args: string[]): { code: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], { encoding: 'utf8' });
  return { code: status, out: stdout, err: stderr };
}

interface Rescued {
  designs: { file: string; title: string; from: string; deleted: boolean }[];
  unreadable: { id: string; file?: string; reason: string }[];
}

describe('hashira, on the server’s database', () => {
  let folder: string;
  let file: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'hashira-cli-db-'));
    file = join(folder, 'designs.sqlite');
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  /** The tables as the server makes them, with many rows of the Slip shed and one of the Boat hall. */
  function database(rows = 40): Database.Database {
    const made = new Database(file);
    made.exec(
      'CREATE TABLE designs (id text PRIMARY KEY NOT NULL, title text, alternatives integer, revision integer, document text, createdAt text, updatedAt text, deletedAt text);' +
        'CREATE INDEX designs_by_update ON designs (deletedAt, updatedAt);' +
        'CREATE TABLE revisions (designId text, revision integer, title text, document text, savedAt text, name text, PRIMARY KEY (designId, revision))',
    );
    const design = made.prepare("INSERT INTO designs VALUES (?, ?, 4, 1, ?, 'then', 'now', ?)");
    for (let i = 0; i < rows; i++) design.run(`shed-${i}`, 'Slip shed', demo('slip-shed'), null);
    design.run('hall', 'Boat hall', demo('boat-hall'), 'now');
    return made;
  }

  it('backs it up while it is written to', () => {
    const live = database();
    live.pragma('journal_mode = WAL');
    live.prepare('DELETE FROM designs WHERE id = ?').run('shed-0');
    const { code, out } = hashira('backup', file, '--out', join(folder, 'copy.sqlite'));
    live.close();
    expect(code).toBe(0);
    expect(JSON.parse(out)).toEqual(jasmine.objectContaining({ format: 'hashira-backup', designs: 40 }));
    const copy = new Database(join(folder, 'copy.sqlite'), { readonly: true });
    expect(copy.pragma('integrity_check', { simple: true })).toBe('ok');
    copy.close();
    const again = hashira('backup', file, '--out', join(folder, 'copy.sqlite'));
    expect(again.code).toBe(2);
    expect(again.err).toContain('There is a file');
  });

  it('refuses to back up what is no database, and leaves nothing behind', () => {
    writeFileSync(file, 'no database '.repeat(1000));
    const { code, err } = hashira('backup', file, '--out', join(folder, 'copy.sqlite'));
    expect(code).toBe(2);
    expect(err).toContain('cannot be copied');
    expect(readdirSync(folder)).toEqual(['designs.sqlite']);
  });

  it('refuses to back up an empty file and that of another program, and leaves no copy', () => {
    writeFileSync(file, '');
    expect(hashira('backup', file, '--out', join(folder, 'copy.sqlite')).err).toContain(
      'no database of designs',
    );
    const other = new Database(file);
    other.exec('CREATE TABLE songs (title text)');
    other.close();
    const { code, err } = hashira('backup', file, '--out', join(folder, 'copy.sqlite'));
    expect(code).toBe(2);
    expect(err).toContain('no database of designs');
    expect(readdirSync(folder)).toEqual(['designs.sqlite']);
  });

  it('rescues what is sound, says what is not, and takes the latest readable revision for it', () => {
    const made = database(2);
    made.exec("UPDATE designs SET document = '{\"half' WHERE id = 'shed-1'");
    made.exec("INSERT INTO designs VALUES ('lost', 'Lost', 1, 1, '[1, 2', '', '', NULL)");
    const revision = made.prepare("INSERT INTO revisions VALUES ('shed-1', ?, '', ?, '', NULL)");
    revision.run(1, demo('slip-shed').replace('"Slip shed"', '"Older"'));
    revision.run(2, demo('slip-shed').replace('"Slip shed"', '"Newer"'));
    revision.run(3, 'torn');
    made.close();
    const before = readFileSync(file);
    const { code, out } = hashira('rescue', file, '--out', join(folder, 'out'));
    expect(code).toBe(0);
    const { designs, unreadable } = JSON.parse(out) as Rescued;
    expect(designs.map(({ title, from, deleted }) => [title, from, deleted])).toEqual([
      ['Slip shed', 'designs', false],
      ['Boat hall', 'designs', true],
      ['Newer', 'revisions', false],
    ]);
    expect(unreadable.map(({ id }) => id)).toContain('lost');
    const written = JSON.parse(readFileSync(join(folder, 'out', designs[0]!.file), 'utf8')) as unknown;
    expect(written).toEqual(jasmine.objectContaining(JSON.parse(demo('slip-shed')) as object));
    expect(readFileSync(join(folder, 'out', 'lost.txt'), 'utf8')).toBe('[1, 2');
    expect(readFileSync(file).equals(before)).toBeTrue();
  });

  it('rescues what lies behind damaged pages', () => {
    database(60).close();
    const content = readFileSync(file);
    // A tenth of the pages from the middle on
    const from = 4096 * Math.floor(content.length / 4096 / 2);
    content.fill(0xaa, from, from + 4096 * Math.ceil(content.length / 4096 / 10));
    writeFileSync(file, content);
    const { code, out } = hashira('rescue', file, '--out', join(folder, 'out'));
    expect(code).toBe(0);
    const { designs } = JSON.parse(out) as Rescued;
    expect(designs.length).toBeGreaterThan(40);
    expect(designs.length).toBeLessThan(61);
    expect(readdirSync(join(folder, 'out')).filter((name) => name.endsWith('.json')).length).toBe(
      designs.length,
    );
  });

  /** Titles that come out of the file after a change of its bytes, and how the command ended. */
  function rescuedAfter(change: (content: Buffer) => Buffer): {
    code: number | null;
    titles: string[];
    err: string;
  } {
    writeFileSync(file, change(readFileSync(file)));
    const out = join(folder, `out-${readdirSync(folder).length}`);
    const { code, out: text, err } = hashira('rescue', file, '--out', out);
    const { designs } = JSON.parse(text) as Rescued;
    return { code, titles: designs.map(({ title }) => title), err };
  }

  it('rescues every design whose pages are whole: from a file one page short, a damaged schema, header or root', () => {
    const whole = 13;
    database(whole - 1).close();
    const sound = readFileSync(file);
    const again = (change: (content: Buffer) => void) =>
      rescuedAfter(() => {
        const content = Buffer.from(sound);
        change(content);
        return content;
      });
    // The last page is part of one design at the most
    expect(rescuedAfter(() => sound.subarray(0, sound.length - 4096)).titles.length).toBeGreaterThanOrEqual(
      whole - 1,
    );
    // One bit of the name of a table in the schema
    const name = sound.indexOf('CREATE TABLE designs');
    expect(again((content) => (content[name + 15]! ^= 1)).titles.length).toBe(whole);
    // The header, with the size of pages
    expect(again((content) => content.fill(0xff, 0, 100)).titles.length).toBe(whole);
    // The whole first page, with the schema
    expect(again((content) => content.fill(0, 0, 4096)).titles.length).toBe(whole);
  });

  it('says when designs are there and none is whole, and when the folder is full or a file', () => {
    const made = database(0);
    made.exec('UPDATE designs SET document = substr(document, 1, 900)');
    made.close();
    const torn = rescuedAfter((content) => content);
    expect([torn.code, torn.titles]).toEqual([2, []]);
    expect(torn.err).toContain('none of them whole');
    const named = hashira('rescue', file, '--out', file);
    expect(named.code).toBe(2);
    expect(named.err).toContain('cannot be made');
  });

  it('rescues from tables without some columns, and says where nothing is left', () => {
    const made = database(2);
    made.exec('DROP INDEX designs_by_update; ALTER TABLE designs DROP COLUMN deletedAt');
    made.close();
    const { out } = hashira('rescue', file, '--out', join(folder, 'out'));
    expect((JSON.parse(out) as Rescued).designs.length).toBe(3);
    writeFileSync(file, 'no database '.repeat(1000));
    const { code, err } = hashira('rescue', file, '--out', join(folder, 'out'));
    expect(code).toBe(2);
    expect(err).toContain('Nothing can be rescued');
  });
});
