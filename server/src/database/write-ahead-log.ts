import { closeSync, existsSync, openSync, readFileSync, readSync } from 'node:fs';

// Layouts by "Database File Format" of the SQLite documentation: 1.3 the database header, 4.1 to 4.2 the write-ahead log.

/**
 * Mark that earlier versions left in a database's header (its user version) while saves lay in the log that the file alone did not have.
 * Now saves are taken into the file before they are answered.
 */
const logExpected = 1;

const headerSize = 32;
const frameHead = 24;

/** What is wrong with the log beside a database file; undefined where nothing is. */
export function logProblem(path: string): string | undefined {
  const expected = userVersion(path) === logExpected;
  const log = `${path}-wal`;
  if (!existsSync(log))
    return expected
      ? `the last saves were written to the log ${log}, which is missing: put it back beside the file`
      : undefined;
  const content = readFileSync(log);
  if (content.length === 0)
    return expected
      ? `the last saves were written to the log ${log}, which is empty: put a whole copy of it beside the file`
      : undefined;
  if (expected && isCut(content))
    return `its log ${log} was cut off inside a save: put a whole copy of it beside the file`;
  const lost = savesBehindDamage(content);
  return lost === 0
    ? undefined
    : `its log ${log} is damaged: ${lost === 'all' ? 'nothing of it' : `${lost} of its saves`} can${lost === 'all' ? '' : 'not'} be read; put a whole copy of it beside the file`;
}

/** First bytes of a log, by the order of bytes in which its checksums are made. */
const [littleEndianLog, bigEndianLog] = [0x377f0682, 0x377f0683];

const isLog = (log: Buffer): boolean => [littleEndianLog, bigEndianLog].includes(log.readUInt32BE(0));

/** Whether a log ends inside one of its frames. */
function isCut(log: Buffer): boolean {
  if (log.length < headerSize || !isLog(log)) return false;
  return (log.length - headerSize) % (frameHead + log.readUInt32BE(8)) !== 0;
}

/** The number that applications may keep in a database's header: big-endian, at byte 60. */
function userVersion(path: string): number {
  const header = Buffer.alloc(100);
  const file = openSync(path, 'r');
  try {
    return readSync(file, header, 0, 100, 0) < 100 ? 0 : header.readInt32BE(60);
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

/**
 * Saves (frames that end a transaction) of this log that lie behind its first frame with a wrong checksum. What a crash cut short
 * has no such end, so that an ordinary crash counts none.
 */
export function savesBehindDamage(log: Buffer): number | 'all' {
  if (log.length < headerSize) return 'all';
  if (!isLog(log)) return 'all';
  const sum = new Checksum(log.readUInt32BE(0) === littleEndianLog);
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
