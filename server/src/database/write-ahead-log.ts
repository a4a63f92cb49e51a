import { closeSync, existsSync, openSync, readFileSync, readSync } from 'node:fs';

// Layouts by "Database File Format" of the SQLite documentation: 1.3 the database header, 4.1 to 4.2 the write-ahead log.

/** Mark in the database's header (its user version) while saves lie in the log that the file alone does not have. */
export const logExpected = 1;
export const logSettled = 0;

/** What is wrong with the log beside a database file; undefined where nothing is. */
export function logProblem(path: string): string | undefined {
  if (userVersion(path) !== logExpected) return undefined;
  const log = `${path}-wal`;
  if (!existsSync(log))
    return `the last saves were written to the log ${log}, which is missing: put it back beside the file`;
  const content = readFileSync(log);
  // An empty log is whole: it was emptied into the file
  if (content.length === 0) return undefined;
  const lost = savesBehindDamage(content);
  return lost === 0
    ? undefined
    : `its log ${log} is damaged: ${lost === 'all' ? 'nothing of it' : `${lost} of its saves`} can${lost === 'all' ? '' : 'not'} be read; put a whole copy of it beside the file`;
}

/** The number that applications may keep in a database's header: big-endian, at byte 60. */
function userVersion(path: string): number {
  const header = Buffer.alloc(100);
  const file = openSync(path, 'r');
  try {
    return readSync(file, header, 0, 100, 0) < 100 ? logSettled : header.readInt32BE(60);
  } finally {
    closeSync(file);
  }
}

/** Running sums over pairs of words, as the log's checksums are made. */
class Checksum {
  private a = 0;
  private b = 0;

  constructor(private readonly littleEndian: boolean) {}

  add(bytes: Buffer): void {
    for (let i = 0; i + 8 <= bytes.length; i += 8) {
      const [x, y] = this.littleEndian
        ? [bytes.readUInt32LE(i), bytes.readUInt32LE(i + 4)]
        : [bytes.readUInt32BE(i), bytes.readUInt32BE(i + 4)];
      this.a = (this.a + x + this.b) >>> 0;
      this.b = (this.b + y + this.a) >>> 0;
    }
  }

  is(bytes: Buffer, at: number): boolean {
    return bytes.readUInt32BE(at) === this.a && bytes.readUInt32BE(at + 4) === this.b;
  }
}

const headerSize = 32;
const frameHead = 24;

/**
 * Saves (frames that end a transaction) of this log that lie behind its first frame with a wrong checksum. What a crash cut short
 * has no such end, so that an ordinary crash counts none.
 */
export function savesBehindDamage(log: Buffer): number | 'all' {
  if (log.length < headerSize) return 'all';
  const magic = log.readUInt32BE(0);
  if (magic !== 0x377f0682 && magic !== 0x377f0683) return 'all';
  const sum = new Checksum(magic === 0x377f0682);
  sum.add(log.subarray(0, 24));
  if (!sum.is(log, 24)) return 'all';
  const pageSize = log.readUInt32BE(8);
  const ofThisLog = (at: number) => log.compare(log, 16, 24, at + 8, at + 16) === 0;
  let sound = true;
  let lost = 0;
  for (let at = headerSize; at + frameHead + pageSize <= log.length; at += frameHead + pageSize) {
    if (!ofThisLog(at)) break;
    if (sound) {
      sum.add(log.subarray(at, at + 8));
      sum.add(log.subarray(at + frameHead, at + frameHead + pageSize));
      sound = sum.is(log, at + 16);
    }
    const endsSave = log.readUInt32BE(at + 4) !== 0;
    if (!sound && endsSave) lost++;
  }
  return lost;
}
