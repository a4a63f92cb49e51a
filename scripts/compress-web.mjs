// Compresses the files of the built web application once, so that the server does not for each visitor.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const texts = new Set(['.js', '.css', '.html', '.svg', '.json', '.txt']);
/** Shorter files are sent as they are, bytes. */
const shortest = 1024;
/** Higher qualities save a few per cent more and take ten times as long. */
const quality = 9;

/** Writes `name.br` and `name.gz` beside each text below a folder. */
export function compressWeb(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) compressWeb(path);
    if (!entry.isFile() || !texts.has(extname(entry.name))) continue;
    const text = readFileSync(path);
    if (text.length < shortest) continue;
    const params = {
      [constants.BROTLI_PARAM_QUALITY]: quality,
      [constants.BROTLI_PARAM_SIZE_HINT]: text.length,
    };
    writeFileSync(`${path}.br`, brotliCompressSync(text, { params }));
    writeFileSync(`${path}.gz`, gzipSync(text, { level: 9 }));
  }
}
