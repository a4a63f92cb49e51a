import Database from 'better-sqlite3';
import { existsSync, rmSync } from 'node:fs';

/**
 * Holds a file for this process alone, by a locked file beside it. The system lets go of the lock when the process ends, however
 * it ends, so that no stale lock can bar a start.
 *
 * @returns how to let go, or undefined where another process holds it
 */
export function holdAlone(path: string): (() => void) | undefined {
  const beside = `${path}.lock`;
  for (;;) {
    const lock = new Database(beside, { timeout: 0 });
    try {
      lock.pragma('journal_mode = MEMORY');
      lock.exec('BEGIN EXCLUSIVE');
    } catch (error) {
      lock.close();
      if ((error as { code?: string }).code === 'SQLITE_BUSY') return undefined;
      throw error;
    }
    // The one that held it before may have removed the file between opening and locking: what is locked must be what others find
    if (existsSync(beside))
      return () => {
        rmSync(beside, { force: true });
        lock.close();
      };
    lock.close();
  }
}
