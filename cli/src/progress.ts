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

/**
 * Progress on standard error: one line that is written over on a terminal, lines else. The command is stopped as any is, by
 * Ctrl+C.
 *
 * @param wanted tells it also where no terminal reads
 */
export function progressOf(wanted = false): { progress?: Progress } {
  const terminal = process.stderr.isTTY;
  if (!wanted && !terminal) return {};
  const start = performance.now();
  let stage = 'Analysis';
  let told = start + patience - pace;
  let shown = false;
  // The analysis does not give the event loop a turn: written at once
  const write = (text: string) => writeSync(2, terminal ? `\r\u001b[K${text}` : `${text}\n`);
  if (terminal) process.once('exit', () => shown && writeSync(2, '\r\u001b[K'));
  const progress: Progress = {
    stage: (name) => (stage = name),
    step(done) {
      const now = performance.now();
      if (now - told < pace) return;
      told = now;
      shown = true;
      write(`${stage}: ${Math.floor(100 * done)} %, ${((now - start) / 1000).toFixed(1)} s`);
    },
  };
  return { progress };
}
