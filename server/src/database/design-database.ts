import type Database from 'better-sqlite3';
import type { DataSource } from 'typeorm';
import { logExpected, logSettled } from './write-ahead-log.js';

/** Quiet time after which the log is taken into the file, ms. */
const quiet = 3000;

/**
 * An open database. While something is being saved its file says that it expects a log; after a few quiet seconds, and at the end,
 * the log is taken into the file, so that a copy of the file alone is whole.
 */
export class DesignDatabase {
  private settled = false;
  private timer: NodeJS.Timeout | undefined;

  constructor(
    readonly source: DataSource,
    private readonly letGo: () => void,
  ) {
    this.settle();
  }

  /** To be called before every write. */
  writing(): void {
    if (this.settled) {
      this.mark(logExpected);
      this.settled = false;
    }
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.settle(), quiet).unref();
  }

  /** Takes the log into the file. */
  private settle(): void {
    // While others read, such as a backup, the log stays, and with it the mark
    this.settled = this.source.isInitialized && this.mark(logSettled);
  }

  /** Writes the mark and empties the log; true once the file alone has everything. */
  private mark(value: number): boolean {
    this.connection.pragma(`user_version = ${value}`);
    const [row] = this.connection.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
    return row?.busy === 0;
  }

  private get connection(): Database.Database {
    return (this.source.driver as unknown as { databaseConnection: Database.Database }).databaseConnection;
  }

  async close(): Promise<void> {
    clearTimeout(this.timer);
    if (!this.source.isInitialized) return;
    this.settle();
    await this.source.destroy();
    this.letGo();
  }
}
