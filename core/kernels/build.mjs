// Compiles kernels.as.ts to WebAssembly and writes it as a TypeScript module; with --check compares instead of writing.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Buffer } from 'node:buffer';
import asc from 'assemblyscript/asc';

const here = dirname(fileURLToPath(import.meta.url));
const target = join(here, '../src/analysis/sparse/kernels-binary.ts');

/** The module for a memory of its own, or for one that threads share. */
async function compile(flags) {
  const files = {};
  const { error, stderr } = await asc.main(
    [
      'kernels.as.ts',
      '-O3',
      '--noAssert',
      '--enable',
      'simd',
      '--runtime',
      'stub',
      '--importMemory',
      ...flags,
      '--outFile',
      'kernels.wasm',
    ],
    {
      readFile: (name) => {
        try {
          return readFileSync(join(here, name), 'utf8');
        } catch {
          return null;
        }
      },
      writeFile: (name, contents) => void (files[name] = contents),
      listFiles: () => [],
    },
  );
  if (error) {
    console.error(stderr.toString());
    process.exit(1);
  }
  const text = Buffer.from(files['kernels.wasm']).toString('base64');
  return text
    .match(/.{1,96}/g)
    .map((line) => `  '${line}',`)
    .join('\n');
}

const alone = await compile([]);
const shared = await compile(['--enable', 'threads', '--sharedMemory', '--maximumMemory', '65536']);
const source = `/** The kernels of core/kernels/kernels.as.ts as WebAssembly, base64; written by \`npm run kernels\`. */
export const kernelsBinary = [
${alone}
].join('');

/** The same for a memory that threads share. */
export const sharedKernelsBinary = [
${shared}
].join('');
`;
if (process.argv.includes('--check')) {
  const same = readFileSync(target, 'utf8') === source;
  console.log(
    same ? 'The kernels are those of their source.' : 'The kernels differ from their source: npm run kernels',
  );
  process.exit(same ? 0 : 1);
}
writeFileSync(target, source);
