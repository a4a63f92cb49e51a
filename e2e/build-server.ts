import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** The server runs from its bundle, which is made anew where its sources have changed. */
export default function build(): void {
  execFileSync(process.execPath, [fileURLToPath(new URL('../scripts/build-server.mjs', import.meta.url))], {
    stdio: 'inherit',
  });
}
