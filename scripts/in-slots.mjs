// Runs commands, as many at a time as the machine has processors; shows the output of each when it ends.
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { stripVTControlCharacters } from 'node:util';
import { root } from './set-up.mjs';

const environment = { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0', NG_CLI_ANALYTICS: 'false' };

/** Runs one command; gives its output without colours, whether it passed, and how long it took, s. */
function runOne({ command, args, cwd = root }) {
  return new Promise((done) => {
    const begun = performance.now();
    const child = spawn(command, args, { cwd, env: environment, stdio: ['ignore', 'pipe', 'pipe'] });
    const chunks = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => chunks.push(chunk));
    const end = (ok, more = '') => {
      const output = stripVTControlCharacters(Buffer.concat(chunks).toString('utf8') + more);
      done({ output, ok, seconds: (performance.now() - begun) / 1000 });
    };
    child.on('error', (error) => end(false, `${error.message}\n`));
    child.on('close', (code) => end(code === 0));
  });
}

/** Runs every job, in their order as slots come free and not before the job it names as `after` has ended; tells each result when it is there. */
export async function inSlots(jobs, tell, slots = availableParallelism()) {
  const waiting = [...jobs];
  const results = new Map();
  const begin = async (job) => {
    await results.get(job.after);
    return runOne(job);
  };
  const worker = async () => {
    for (let job = waiting.shift(); job; job = waiting.shift()) {
      results.set(job, begin(job));
      tell(job, await results.get(job));
    }
  };
  await Promise.all(Array.from({ length: slots }, worker));
}
