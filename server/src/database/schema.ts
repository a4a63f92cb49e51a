import Database from 'better-sqlite3';
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { migrations } from './migrations/index.js';

interface SchemaObject {
  readonly type: string;
  readonly name: string;
  readonly sql: string | null;
}

const objects = (database: Database.Database) =>
  database
    .prepare("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite%'")
    .all() as SchemaObject[];

const columns = (database: Database.Database, table: string) =>
  (database.pragma(`table_info("${table}")`) as { name: string }[]).map(({ name }) => name);

/** Makes the tables, indices and triggers of the given migrations in a database of its own. */
async function made(applied: readonly string[]): Promise<Database.Database> {
  const database = new Database(':memory:');
  const runner = {
    query: (sql: string) => Promise.resolve(database.exec(sql)),
  } as unknown as QueryRunner;
  for (const Migration of migrations) {
    const migration: MigrationInterface = new Migration();
    if (applied.includes(migration.name!)) await migration.up(runner);
  }
  return database;
}

/** What a database lacks of that which its migrations made, or has beside it and acts on it, in words; undefined where all is as it should be. */
export async function schemaProblem(
  database: Database.Database,
  applied: readonly string[],
): Promise<string | undefined> {
  const found = new Map(objects(database).map((one) => [one.name, one]));
  const wanted = await made(applied);
  try {
    for (const { type, name, sql } of objects(wanted)) {
      const own = found.get(name);
      if (!own) return `its ${type} "${name}" is missing`;
      if (own.type !== type) return `"${name}" is a ${own.type} instead of a ${type}`;
      if (type === 'table') {
        const has = columns(database, name);
        const missing = columns(wanted, name).find((column) => !has.includes(column));
        if (missing) return `its table "${name}" has no column "${missing}"`;
      } else if (own.sql !== sql) return `its ${type} "${name}" was changed`;
    }
    // A trigger of others could change what is saved
    const own = new Set(objects(wanted).map(({ name }) => name));
    const foreign = [...found.values()].find(({ type, name }) => type === 'trigger' && !own.has(name));
    if (foreign) return `its ${foreign.type} "${foreign.name}" is none of ours`;
  } finally {
    wanted.close();
  }
  return undefined;
}
