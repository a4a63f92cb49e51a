import { writeSync } from 'node:fs';
import type { Progress } from '@hashira/core/validation';

/** Shorter work says nothing. ms */
const patience = 1000;
const pace = 200;

/** What the commands that analyse share. */
export interface CommandOptions {
  readonly out?: string;
  readonly progress?: boolean;
}

/** Whether a line stands on the terminal that is taken away at the end. */
let shown = false;

/**
 * Progress on standard error: one line that is written over on a terminal, lines else. The command is stopped as any is, by
 * Ctrl+C.
 *
 * @param wanted tells it also where no terminal reads
 * @param of what it is the progress of, where there are several
 */
export function progressOf(wanted = false, of = ''): { progress?: Progress } {
  const terminal = process.stderr.isTTY;
  if (!wanted && !terminal) return {};
  const start = performance.now();
  let stage = 'Analysis';
  let told = start + patience - pace;
  // The analysis does not give the event loop a turn: written at once
  const write = (text: string) => writeSync(2, terminal ? `\r\u001b[K${text}` : `${text}\n`);
  const progress: Progress = {
    stage: (name) => (stage = name),
    step(done) {
      const now = performance.now();
      if (now - told < pace) return;
      told = now;
      if (terminal && !shown) process.once('exit', () => writeSync(2, '\r\u001b[K'));
      shown = true;
      write(
        `${of === '' ? '' : `${of}, `}${stage}: ${Math.floor(100 * done)} %, ${((now - start) / 1000).toFixed(1)} s`,
      );
    },
  };
  return { progress };
}
