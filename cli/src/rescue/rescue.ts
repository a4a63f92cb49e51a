import Database from 'better-sqlite3';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fail, parseDesign, problem, type Design } from '@hashira/core/validation';
import { refuse, writeDocument } from '../output.js';
import { rawRows, readPages, type RawRow } from './pages.js';
import { Tables, type FoundDesign } from './tables.js';

/** What came out of a database. */
interface Rescue {
  readonly format: 'hashira-rescue';
  readonly version: 1;
  /** Files written, with the design's title and where it came from: a table, or pages that no table leads to any more. */
  readonly designs: { file: string; title: string; from: FoundDesign['from']; deleted: boolean }[];
  /** What is there and cannot be read as a design; what there is of its text is kept beside the others. */
  readonly unreadable: { id: string; file?: string; reason: string }[];
  /** What could be read and not be written into the folder. */
  readonly notWritten: { title: string; reason: string }[];
}

/** `hashira rescue`: saves every design that a damaged database still gives into files; the database is not touched. */
export async function rescue(file: string, { out }: { out: string }): Promise<void> {
  const where = { path: file };
  makeFolder(out);
  const folder = mkdtempSync(join(tmpdir(), 'hashira-rescue-'));
  let report: Rescue;
  let holdsDocuments: boolean;
  try {
    const copy = copyOf(file, folder);
    report = new Rescued(out).take(copy);
    holdsDocuments = [copy, `${copy}-wal`].some(
      (path) => existsSync(path) && readFileSync(path).includes('hashira-design'),
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
  const { designs, unreadable, notWritten } = report;
  if (notWritten.length > 0)
    refuse([
      problem(
        'no-file',
        `${notWritten.length} of ${designs.length + notWritten.length} designs could not be written into ${out}: ${notWritten[0]!.reason}. Make room, or name another folder.`,
        { path: out },
      ),
    ]);
  else if (designs.length === 0 && (holdsDocuments || unreadable.length > 0))
    refuse([
      problem(
        'nothing-rescued',
        `The file ${file} holds designs, but none of them whole. Take a backup, or the designs exported as files.`,
        where,
      ),
    ]);
  else if (designs.length === 0 && !isOurs(file))
    fail(
      'no-database',
      `Nothing can be rescued from ${file}: it holds no designs. Take a backup, or the designs exported as files.`,
      where,
    );
  await writeDocument(report, undefined);
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

function makeFolder(out: string): void {
  try {
    mkdirSync(out, { recursive: true });
  } catch (error) {
    fail('no-file', `The folder ${out} cannot be made: ${messageOf(error)}. Name another.`, { path: out });
  }
}

/** Copies the file and its log: opening would write to the originals. */
function copyOf(file: string, folder: string): string {
  const copy = join(folder, 'copy.sqlite');
  try {
    copyFileSync(file, copy);
    if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${copy}-wal`);
  } catch (error) {
    fail('no-file', `The file ${file} cannot be read: ${messageOf(error)}.`, { path: file });
  }
  return copy;
}

/** Whether a file is a whole database of designs, with none in it. */
function isOurs(file: string): boolean {
  try {
    const database = new Database(file, { readonly: true, fileMustExist: true });
    try {
      return database.prepare("SELECT 1 FROM sqlite_master WHERE name = 'designs'").get() !== undefined;
    } finally {
      database.close();
    }
  } catch {
    return false;
  }
}

/** The designs that were found, and their files. */
class Rescued {
  private readonly report: Rescue = {
    format: 'hashira-rescue',
    version: 1,
    designs: [],
    unreadable: [],
    notWritten: [],
  };
  private readonly saved = new Set<string>();
  private readonly lost = new Map<string, { text: string; reason: string }>();

  constructor(private readonly out: string) {}

  take(copy: string): Rescue {
    const tables = this.fromTables(copy);
    // Where all could be read, what else lies in the pages was removed for good
    if (tables !== 'whole') this.fromPages(copy, tables === 'closed');
    for (const [id, { text, reason }] of this.lost) {
      const file = text === '' ? undefined : this.write(id, 'txt', text, id);
      this.report.unreadable.push({ id, ...(file === undefined ? {} : { file }), reason });
    }
    return this.report;
  }

  private fromTables(copy: string): 'whole' | 'damaged' | 'closed' {
    let database: Database.Database | undefined;
    try {
      database = new Database(copy);
      database.unsafeMode(true);
      // What is wrong with one part of the schema does not hide the others
      database.pragma('writable_schema = ON');
      database.pragma('schema_version');
    } catch {
      // No database for the library; its pages may still be read
      database?.close();
      return 'closed';
    }
    try {
      const tables = new Tables(database);
      for (const found of tables.designs()) this.keep(found);
      this.latest(tables.revisions());
      return tables.isDamaged ? 'damaged' : 'whole';
    } finally {
      database.close();
    }
  }

  private fromPages(copy: string, withLog: boolean): void {
    const found: FoundDesign[] = [];
    for (const row of rawRows(readPages(copy, withLog))) {
      const design = designOfRow(row);
      if (design) found.push(design);
    }
    this.latest(found);
  }

  /** Of designs that are not saved yet the latest revision that can be read. */
  private latest(list: Iterable<FoundDesign>): void {
    const latest = new Map<string, FoundDesign>();
    for (const found of list)
      if (
        !this.saved.has(found.id) &&
        found.revision >= (latest.get(found.id)?.revision ?? -Infinity) &&
        parseDesign(textOf(found.document)).ok
      )
        latest.set(found.id, found);
    for (const found of latest.values()) this.keep(found);
  }

  private keep({ id, document, from, deleted }: FoundDesign): void {
    const text = textOf(document);
    const design = parseDesign(text);
    if (!design.ok) {
      this.lost.set(id, { text, reason: design.problems[0]!.message });
      return;
    }
    this.saved.add(id);
    this.lost.delete(id);
    this.writeDesign(design.value, { from, deleted });
  }

  private writeDesign(design: Design, more: Pick<Rescue['designs'][number], 'from' | 'deleted'>): void {
    const file = this.write(design.title, 'json', `${JSON.stringify(design, null, 2)}\n`, design.title);
    if (file !== undefined) this.report.designs.push({ file, title: design.title, ...more });
  }

  /** Writes into a file of its own; undefined where it could not be written, which the report tells. */
  private write(name: string, ending: string, content: string, title: string): string | undefined {
    const file = freeName(this.out, name, ending);
    const path = join(this.out, file);
    try {
      writeFileSync(path, content);
      return file;
    } catch (error) {
      // Half a file would look like a whole one
      rmSync(path, { force: true });
      this.report.notWritten.push({ title, reason: messageOf(error) });
      return undefined;
    }
  }
}

const textOf = (document: unknown): string =>
  Buffer.isBuffer(document) ? document.toString('utf8') : typeof document === 'string' ? document : '';

/** A row that holds a design: its first text is the id, and the revision its last whole number before the document, or after the id. */
function designOfRow(row: RawRow): FoundDesign | undefined {
  const at = row.findIndex(
    (value) => typeof value === 'string' && value.startsWith('{') && value.includes('hashira-design'),
  );
  if (at < 1) return undefined;
  const before = row.slice(0, at);
  const id = before.find((value) => typeof value === 'string');
  const numbers = before.filter((value) => typeof value === 'number');
  if (id === undefined) return undefined;
  return {
    id,
    from: 'pages',
    revision: numbers.at(-1) ?? 0,
    document: row[at],
    // Designs have eight columns, the last of them when they were deleted
    deleted: row.length === 8 && row[7] !== null,
  };
}

/** A file name from a title that is not taken yet. */
function freeName(folder: string, title: string, ending: string): string {
  const base =
    title
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 80) || 'design';
  let name = `${base}.${ending}`;
  for (let n = 2; existsSync(join(folder, name)); n++) name = `${base}-${n}.${ending}`;
  return name;
}
