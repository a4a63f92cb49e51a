import Database from 'better-sqlite3';
import { renameSync } from 'node:fs';
import { setTimeout } from 'node:timers/promises';
import { slipShed } from '../../core/src/testing/designs.js';
import { generator } from '../../core/src/testing/random.js';
import { Application } from '../application.js';
import { isTrace, jsonHeaders, type Report, short, storeDesign } from './report.js';

/** Others lock the database and move it away while it is saved to: every save is kept or refused in words, and the server goes on. */
export async function disturbances(count: number, seed: number): Promise<Report> {
  const random = generator(seed);
  const app = new Application();
  const findings: string[] = [];
  let [saved, refused, slowest] = [0, 0, 0];
  const away = `${app.database}.away`;
  try {
    await app.start();
    const id = await storeDesign(app.url, slipShed());
    let revision = 1;
    const save = async (what: string): Promise<void> => {
      const answer = await fetch(`${app.url}/api/designs/${id}`, {
        method: 'PUT',
        headers: { ...jsonHeaders, 'If-Match': `"${revision}"` },
        body: JSON.stringify({ ...slipShed(), title: `Save ${revision + 1}` }),
      });
      const text = await answer.text();
      if (answer.ok) {
        saved++;
        revision++;
      } else if (answer.status === 503 && !isTrace(text)) refused++;
      else findings.push(`${what}: a save gives ${answer.status}: ${short(text)}`);
    };
    for (let k = 0; k < count; k++) {
      if (k % 2 === 0) {
        const other = new Database(app.database);
        other.exec(k % 4 === 0 ? 'BEGIN IMMEDIATE' : 'BEGIN EXCLUSIVE');
        const saving = save('locked');
        const until = performance.now() + 1500 * random();
        // Those who only read are answered meanwhile
        while (performance.now() < until) {
          const from = performance.now();
          const list = await fetch(`${app.url}/api/designs/${id}`);
          await list.text();
          if (!list.ok) findings.push(`locked: reading gives ${list.status}`);
          slowest = Math.max(slowest, performance.now() - from);
          await setTimeout(20);
        }
        other.exec('COMMIT');
        other.close();
        await saving;
      } else {
        renameSync(app.database, away);
        await save('moved away');
        renameSync(away, app.database);
        await save('put back');
      }
    }
    // The quiet time after the last save has its own work
    await setTimeout(3500);
    await app.stop();
    await app.start();
    const stored = (await (await fetch(`${app.url}/api/designs/${id}`)).json()) as { revision: number };
    if (stored.revision !== revision)
      findings.push(`revision ${stored.revision} after ${revision} was acknowledged`);
  } finally {
    await app.kill();
    app.remove();
  }
  return {
    figures: { disturbances: count, saved, refused, 'slowest answer meanwhile, ms': Math.round(slowest) },
    findings,
  };
}
