import { existsSync, readFileSync } from 'node:fs';

// Layouts by "Database File Format" of the SQLite documentation: 1.3 the header, 1.6 b-tree pages, 2.1 records, 4.1 the log.

/** A row as it lies in the pages, whatever the schema says: its values in order. */
export type RawRow = readonly (string | number | null)[];

/** The pages of a database file with what its log has of them. */
interface Pages {
  readonly size: number;
  /** Bytes at the end of each page that hold nothing. */
  readonly reserved: number;
  readonly count: number;
  /** A page by its number, from 1; undefined where the file ends before it. */
  page(number: number): Buffer | undefined;
}

const headerSize = 100;
/** A file whose header is damaged is taken to have pages of this size, which is what the database makes. */
const usualSize = 4096;
const leaf = 0x0d;

/** Reads a file, and the log beside it unless that was taken into the file already. */
export function readPages(file: string, withLog: boolean): Pages {
  const content = readFileSync(file);
  const written = content.length >= headerSize ? content.readUInt16BE(16) : 0;
  const stated = written === 1 ? 65536 : written;
  const isSize = stated >= 512 && (stated & (stated - 1)) === 0;
  const size = isSize ? stated : usualSize;
  const reserved = isSize && content[20]! < 64 ? content[20]! : 0;
  const log = withLog ? pagesOfLog(`${file}-wal`, size) : new Map<number, Buffer>();
  return {
    size,
    reserved,
    count: Math.max(Math.ceil(content.length / size), ...log.keys()),
    page(number) {
      const own = log.get(number) ?? content.subarray((number - 1) * size, number * size);
      return own.length === size ? own : undefined;
    },
  };
}

/** The pages of a log by their numbers, the latest of each. */
function pagesOfLog(file: string, size: number): Map<number, Buffer> {
  const pages = new Map<number, Buffer>();
  if (!existsSync(file)) return pages;
  const log = readFileSync(file);
  for (let at = 32; at + 24 + size <= log.length; at += 24 + size) {
    // Frames of an earlier round of the log have another salt
    if (log.compare(log, 16, 24, at + 8, at + 16) !== 0) break;
    pages.set(log.readUInt32BE(at), log.subarray(at + 24, at + 24 + size));
  }
  return pages;
}

/** Rows of every table leaf among the pages, found without the schema or the pages above them; rows with a missing part are left out. */
export function* rawRows(pages: Pages): Generator<RawRow> {
  for (let number = 1; number <= pages.count; number++) {
    const page = pages.page(number);
    if (!page) continue;
    const head = number === 1 ? headerSize : 0;
    if (page[head] !== leaf) continue;
    const cells = page.readUInt16BE(head + 3);
    for (let k = 0; k < cells; k++) {
      const pointer = head + 8 + 2 * k;
      if (pointer + 2 > pages.size) break;
      const row = rowAt(pages, page, page.readUInt16BE(pointer));
      if (row) yield row;
    }
  }
}

/** The row of a cell; undefined where the cell makes no sense or part of it is missing. */
function rowAt(pages: Pages, page: Buffer, at: number): RawRow | undefined {
  const length = readVarint(page, at);
  const rowid = length && readVarint(page, length.next);
  if (!rowid || length.value > pages.count * pages.size) return undefined;
  const payload = payloadAt(pages, page, rowid.next, length.value);
  return payload && readRecord(payload);
}

/** A cell's payload: what lies in the page, and the rest in a chain of overflow pages. */
function payloadAt(pages: Pages, page: Buffer, at: number, length: number): Buffer | undefined {
  const usable = pages.size - pages.reserved;
  const local = localLength(length, usable);
  if (at + local > page.length) return undefined;
  if (local === length) return page.subarray(at, at + length);
  const parts = [page.subarray(at, at + local)];
  if (at + local + 4 > page.length) return undefined;
  let next = page.readUInt32BE(at + local);
  const seen = new Set<number>();
  for (let left = length - local; left > 0; left -= usable - 4) {
    const overflow = pages.page(next);
    if (!overflow || seen.has(next)) return undefined;
    seen.add(next);
    parts.push(overflow.subarray(4, 4 + Math.min(left, usable - 4)));
    next = overflow.readUInt32BE(0);
  }
  return Buffer.concat(parts);
}

/** Bytes of a payload that lie in its leaf. */
function localLength(length: number, usable: number): number {
  if (length <= usable - 35) return length;
  const least = Math.floor(((usable - 12) * 32) / 255) - 23;
  const most = least + ((length - least) % (usable - 4));
  return most <= usable - 35 ? most : least;
}

/** Values of a record. */
function readRecord(payload: Buffer): RawRow | undefined {
  const head = readVarint(payload, 0);
  if (!head || head.value > payload.length) return undefined;
  const values: (string | number | null)[] = [];
  let at = head.next;
  let body = head.value;
  while (at < head.value) {
    const type = readVarint(payload, at);
    if (!type) return undefined;
    at = type.next;
    const value = readValue(payload, body, type.value);
    if (!value) return undefined;
    values.push(value.value);
    body += value.length;
  }
  return values;
}

/** Lengths of whole numbers by their type. */
const lengths = [0, 1, 2, 3, 4, 6, 8];

function readValue(
  payload: Buffer,
  at: number,
  type: number,
): { value: string | number | null; length: number } | undefined {
  const fits = (length: number) => at + length <= payload.length;
  if (type === 0) return { value: null, length: 0 };
  if (type === 8 || type === 9) return { value: type - 8, length: 0 };
  if (type === 7) return fits(8) ? { value: payload.readDoubleBE(at), length: 8 } : undefined;
  if (type >= 12) {
    const length = Math.floor((type - 12) / 2);
    return fits(length) ? { value: payload.toString('utf8', at, at + length), length } : undefined;
  }
  const length = lengths[type];
  if (length === undefined || !fits(length)) return undefined;
  if (length === 8) return { value: Number(payload.readBigInt64BE(at)), length };
  return { value: payload.readIntBE(at, length), length };
}

/** A number of one to nine bytes, seven bits each, all eight of the ninth. */
function readVarint(bytes: Buffer, at: number): { value: number; next: number } | undefined {
  let value = 0;
  for (let k = 0; k < 9; k++) {
    const byte = bytes[at + k];
    if (byte === undefined) return undefined;
    if (k === 8) return { value: value * 256 + byte, next: at + 9 };
    value = value * 128 + (byte & 0x7f);
    if (byte < 0x80) return { value, next: at + k + 1 };
  }
  return undefined;
}
