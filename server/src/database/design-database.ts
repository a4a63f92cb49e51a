import type Database from 'better-sqlite3';
import { statSync, statfsSync } from 'node:fs';
import { dirname } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import type { DataSource } from 'typeorm';

/** The file that the server has open is no longer where it was: what is saved now would be lost. */
export class DatabaseGone extends Error {}

/** A database that another program holds is asked again so often, and so much later each time, ms. */
const tries = 12;
const later = 50;
/** Free space below which an error of reading or writing is that of a full disk, bytes. */
const noSpace = 1024 * 1024;

/**
 * An open database. What was saved is taken from the log into the file before the save is answered, so that a copy of the file alone
 * is whole at every moment, and nothing that was answered lies where a damaged or missing log could lose it.
 */
export class DesignDatabase {
  private readonly identity: string | undefined;

  /**
   * @param letGo called when it is closed
   * @param tell takes a line about what went wrong and harms nothing that was saved
   */
  constructor(
    readonly source: DataSource,
    private readonly path: string,
    private readonly letGo: () => void,
    private readonly tell: (line: string) => void = () => undefined,
  ) {
    this.identity = identityOf(path);
    this.emptyLog();
  }

  /** Reads; asks again where another program holds the database. */
  read<T>(work: () => Promise<T>): Promise<T> {
    return this.patiently(work);
  }

  /**
   * Writes, in one statement or transaction, and takes the log into the file.
   *
   * @throws DatabaseGone where the file was removed or replaced
   */
  async write<T>(work: () => Promise<T>): Promise<T> {
    const result = await this.patiently(() => {
      this.mustBeThere();
      return work();
    });
    this.emptyLog();
    return result;
  }

  async close(): Promise<void> {
    if (!this.source.isInitialized) return;
    this.emptyLog();
    await this.source.destroy();
    this.letGo();
  }

  private mustBeThere(): void {
    if (identityOf(this.path) === this.identity) return;
    throw new DatabaseGone(
      `The database file ${this.path} was removed, moved or replaced while the server runs: nothing was stored. ` +
        'Put it back where it was, or stop the server and start it on the file that is to be used.',
    );
  }

  /** Tried again apart, with other work in between: waiting inside the database would hold up everybody. */
  private async patiently<T>(work: () => Promise<T>): Promise<T> {
    for (let attempt = 1; ; attempt++) {
      try {
        return await work();
      } catch (error) {
        if (!isBusy(error) || attempt === tries) throw this.named(error);
        await setTimeout(later * Math.min(attempt, 5));
      }
    }
  }

  /** A full disk shows as an error of reading or writing in some places. */
  private named(error: unknown): unknown {
    const { code } = error as { code?: unknown };
    if (typeof code === 'string' && code.startsWith('SQLITE_IOERR') && isDiskFull(this.path))
      return Object.assign(new Error('the disk is full'), { code: 'SQLITE_FULL' });
    return error;
  }

  /** While others read, such as a backup, the log stays until the next save; it is whole by itself. */
  private emptyLog(): void {
    if (!this.source.isInitialized) return;
    try {
      this.connection.pragma('wal_checkpoint(TRUNCATE)');
    } catch (error) {
      this.tell(`The log of ${this.path} could not be taken into the file: ${String(error)}`);
    }
  }

  private get connection(): Database.Database {
    return (this.source.driver as unknown as { databaseConnection: Database.Database }).databaseConnection;
  }
}

/** Which file stands at a path: device and number on it; undefined where there is none. */
function identityOf(path: string): string | undefined {
  const found = statSync(path, { bigint: true, throwIfNoEntry: false });
  return found && `${found.dev} ${found.ino}`;
}

function isBusy(error: unknown): boolean {
  const { code } = error as { code?: unknown };
  return typeof code === 'string' && /^SQLITE_(BUSY|LOCKED)/.test(code);
}

/** Whether the disk of a file has no space left. */
export function isDiskFull(path: string): boolean {
  const { bavail, bsize } = statfsSync(dirname(path));
  return bavail * bsize < noSpace;
}
