import type Database from 'better-sqlite3';

/** A design as it lies in a table, or in a page of one. */
export interface FoundDesign {
  readonly id: string;
  readonly from: 'designs' | 'revisions' | 'pages';
  readonly revision: number;
  readonly document: unknown;
  readonly deleted: boolean;
}

/** Rows behind the last readable one that are still looked for, one by one. */
const lookedFor = 5000;

/** What the tables give, and whether all of it could be read. */
export class Tables {
  private damaged = false;

  constructor(private readonly database: Database.Database) {}

  /** Whether rows may lie in the file that the tables did not give. */
  get isDamaged(): boolean {
    return this.damaged || !this.isSound();
  }

  private isSound(): boolean {
    try {
      return this.database.pragma('integrity_check(1)', { simple: true }) === 'ok';
    } catch {
      // What cannot even be looked at is not sound
      return false;
    }
  }

  *designs(): Generator<FoundDesign> {
    for (const row of this.rows('designs', 'id'))
      yield {
        id: String(row['id'] ?? row['at']),
        from: 'designs',
        revision: Number(row['revision'] ?? 0),
        document: row['document'],
        deleted: (row['deletedAt'] ?? null) !== null,
      };
  }

  *revisions(): Generator<FoundDesign> {
    for (const row of this.rows('revisions', 'designId'))
      yield {
        id: String(row['designId'] ?? row['at']),
        from: 'revisions',
        revision: Number(row['revision'] ?? 0),
        document: row['document'],
        deleted: false,
      };
  }

  /** All rows of a table that can be read: past a damaged place they are asked for one by one. */
  private *rows(table: string, id: string): Generator<Record<string, unknown>> {
    let last = 0;
    let select = '';
    try {
      const wanted = [id, 'document', 'revision', 'deletedAt'];
      const found = (this.database.pragma(`table_info("${table}")`) as { name: string }[]).map(
        ({ name }) => name,
      );
      const columns = wanted.filter((name) => found.includes(name)).map((name) => `"${name}"`);
      select = `SELECT ${['rowid AS "at"', ...columns].join(', ')} FROM "${table}" NOT INDEXED`;
      for (const row of this.database.prepare(`${select} ORDER BY rowid`).iterate() as Iterable<
        Record<string, unknown>
      >) {
        last = Number(row['at']);
        yield row;
      }
      return;
    } catch {
      // What cannot be read here is looked for row by row, then in the pages
      this.damaged = true;
    }
    yield* this.oneByOne(`${select} WHERE rowid = ?`, last + 1);
  }

  private *oneByOne(sql: string, from: number): Generator<Record<string, unknown>> {
    let statement: Database.Statement;
    try {
      statement = this.database.prepare(sql);
    } catch {
      // Nothing of the table is left to ask
      return;
    }
    for (let at = from; at < from + lookedFor; at++) {
      const row = attemptGet(statement, at);
      if (row) yield row as Record<string, unknown>;
    }
  }
}

/** A row, or undefined where it is not there or its place is damaged. */
function attemptGet(statement: Database.Statement, at: number): unknown {
  try {
    return statement.get(at);
  } catch {
    return undefined;
  }
}
