import { slipShed } from '../../core/src/testing/designs.js';
import { generator } from '../../core/src/testing/random.js';
import { Application } from '../application.js';
import { jsonHeaders, type Report } from './report.js';

/** Many clients at once: each saves a design of its own and one that all share, reads, lists, duplicates and deletes. */
export async function clients(count: number, seconds: number, seed: number): Promise<Report> {
  const app = new Application();
  const findings: string[] = [];
  const times: number[] = [];
  const health: number[] = [];
  let conflicts = 0;
  try {
    await app.start();
    const base = `${app.url}/api/designs`;
    const ask = async (method: string, path: string, body?: unknown, revision?: number) => {
      const from = performance.now();
      const answer = await fetch(base + path, {
        method,
        headers: {
          ...(body === undefined ? { 'X-Hashira': 'attack' } : jsonHeaders),
          ...(revision === undefined ? {} : { 'If-Match': `"${revision}"` }),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      const text = await answer.text();
      times.push(performance.now() - from);
      if (answer.status === 412) conflicts++;
      else if (answer.status >= 400) findings.push(`${method} ${path} gives ${answer.status}: ${text}`);
      return JSON.parse(text === '' ? '{}' : text) as { id: string; revision: number };
    };
    const shared = (await ask('POST', '', { ...slipShed(), title: 'Shared' })).id;
    const end = performance.now() + 1000 * seconds;
    const client = async (n: number): Promise<void> => {
      const random = generator(seed + n);
      const own = (await ask('POST', '', { ...slipShed(), title: `Client ${n}` })).id;
      let revision = 1;
      while (performance.now() < end) {
        const what = random();
        if (what < 0.4) {
          const title = `Client ${n}, save ${revision + 1}`;
          const answer = await ask('PUT', `/${own}`, { ...slipShed(), title }, revision);
          if (answer.revision !== revision + 1)
            findings.push(`client ${n}: revision ${answer.revision} after ${revision}`);
          revision = answer.revision;
        } else if (what < 0.6) {
          const { revision: current } = await ask('GET', `/${shared}`);
          await ask('PUT', `/${shared}`, { ...slipShed(), title: `Shared by ${n}` }, current);
        } else if (what < 0.8) await ask('GET', `/${own}`);
        else if (what < 0.9) await ask('GET', '');
        else {
          const { id, revision: first } = await ask('POST', `/${own}/duplicate`);
          await ask('DELETE', `/${id}`, undefined, first);
        }
      }
    };
    const watch = async (): Promise<void> => {
      while (performance.now() < end) {
        const from = performance.now();
        await (await fetch(`${app.url}/api/health`)).text();
        health.push(performance.now() - from);
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
    };
    await Promise.all([watch(), ...Array.from({ length: count }, (_, n) => client(n))]);
  } finally {
    await app.stop();
    app.remove();
  }
  const at = (list: number[], share: number) =>
    Math.round(list.sort((a, b) => a - b)[Math.floor(share * (list.length - 1))] ?? 0);
  return {
    figures: {
      clients: count,
      seconds,
      requests: times.length,
      conflicts,
      'median, ms': at(times, 0.5),
      '95 %, ms': at(times, 0.95),
      'health median, ms': at(health, 0.5),
      'health slowest, ms': at(health, 1),
    },
    findings,
  };
}
