import { setTimeout } from 'node:timers/promises';
import { slipShed } from '../../core/src/testing/designs.js';
import { generator } from '../../core/src/testing/random.js';
import { Application } from '../application.js';
import { jsonHeaders, storeDesign, type Report } from './report.js';

/** Kills the server in the middle of saves, starts it again, and looks whether every save that was answered is there. */
export async function kills(count: number, seed: number): Promise<Report> {
  const random = generator(seed);
  const app = new Application();
  const findings: string[] = [];
  let saves = 0;
  try {
    await app.start();
    const id = await storeDesign(app.url, slipShed());
    let revision = 1;
    for (let k = 0; k < count; k++) {
      const saving = saveUntilGone(`${app.url}/api/designs/${id}`, revision, () => saves++);
      await setTimeout(20 + 200 * random());
      await app.kill();
      const acknowledged = await saving;
      await app.start();
      const answer = await fetch(`${app.url}/api/designs/${id}`);
      const stored = (await answer.json()) as { revision: number; document: { title: string } };
      // The save that was under way may be there without having been answered
      if (stored.revision < acknowledged || stored.revision > acknowledged + 1)
        findings.push(`kill ${k}: revision ${stored.revision} after ${acknowledged} was acknowledged`);
      if (stored.revision > 1 && stored.document.title !== `Save ${stored.revision}`)
        findings.push(`kill ${k}: revision ${stored.revision} holds "${stored.document.title}"`);
      revision = stored.revision;
    }
    const list = (await (await fetch(`${app.url}/api/designs/${id}/revisions`)).json()) as unknown[];
    if (list.length < Math.min(100, revision))
      findings.push(`only ${list.length} of ${revision} revisions are listed`);
  } finally {
    await app.kill();
    app.remove();
  }
  return { figures: { kills: count, 'acknowledged saves': saves }, findings };
}

/** Saves one revision after the other until the server no longer answers. Returns the last one that it acknowledged. */
async function saveUntilGone(url: string, from: number, saved: () => void): Promise<number> {
  let revision = from;
  for (;;) {
    try {
      const answer = await fetch(url, {
        method: 'PUT',
        headers: { ...jsonHeaders, 'If-Match': `"${revision}"` },
        body: JSON.stringify({ ...slipShed(), title: `Save ${revision + 1}` }),
      });
      if (!answer.ok) return revision;
      revision = ((await answer.json()) as { revision: number }).revision;
      saved();
    } catch {
      // The server is gone, which is what was waited for
      return revision;
    }
  }
}
