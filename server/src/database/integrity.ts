import Database from 'better-sqlite3';
import { statSync } from 'node:fs';
import { startWorker } from '../start-worker.js';

/** Files from this size on are examined beside the main thread, bytes. */
const large = 32 * 1024 * 1024;

/** What the database finds wrong in its own file, the first of it; `ok` where nothing is. */
export function integrity(path: string): string {
  const database = new Database(path, { fileMustExist: true });
  try {
    const report = String(database.pragma('integrity_check(1)', { simple: true }));
    // One line without its heading, to stand in a sentence
    return report
      .replace(/^\*{3}.*\*{3}/, '')
      .replace(/\s+/g, ' ')
      .trim();
  } finally {
    database.close();
  }
}

/** The same, and for large files in a thread of its own. @param say told once where it takes a while */
export async function examineIntegrity(path: string, say: (line: string) => void): Promise<string> {
  const { size } = statSync(path);
  if (size < large) return integrity(path);
  say(`Examining the database (${Math.round(size / 1024 / 1024)} MB) …`);
  const worker = startWorker('integrity-worker', import.meta.url, { workerData: path });
  return new Promise((resolve, reject) => {
    worker.once('message', (report: string) => resolve(report));
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('examining it ended without an answer')));
  });
}
