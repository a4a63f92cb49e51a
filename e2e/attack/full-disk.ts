import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { slipShed } from '../../core/src/testing/designs.js';
import { Application } from '../application.js';
import { isTrace, jsonHeaders, short, type Report } from './report.js';

/** Fills the disk of the database, waits in quiet, makes room again: no save is lost, and the server goes on. Needs the right to mount. */
export async function fullDisk(rounds: number): Promise<Report> {
  const folder = mkdtempSync(join(tmpdir(), 'hashira-full-'));
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=4m', 'tmpfs', folder]).status === 0;
  if (!mounted) {
    rmSync(folder, { recursive: true });
    return { figures: { 'full disk': 'not tried, no right to mount' }, findings: [] };
  }
  const app = new Application(folder);
  const findings: string[] = [];
  let [saved, refused] = [0, 0];
  try {
    await app.start();
    const save = (): Promise<Response> =>
      fetch(`${app.url}/api/designs`, {
        method: 'POST',
        headers: jsonHeaders,
        body: JSON.stringify(slipShed()),
      });
    const listed = async () => ((await (await fetch(`${app.url}/api/designs`)).json()) as unknown[]).length;
    const before = await listed();
    for (let k = 0; k < rounds; k++) {
      if ((await save()).status === 201) saved++;
      else findings.push(`round ${k}: no save before the disk is full`);
      const filler = join(folder, 'filler');
      const { bavail, bsize } = statfsSync(folder);
      writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize - 4096 * k)));
      for (let n = 0; n < 3; n++) {
        const answer = await save();
        const text = await answer.text();
        if (answer.status === 201) saved++;
        else if (answer.status === 507 && /space/i.test(text) && !/backup/i.test(text)) refused++;
        else findings.push(`full: a save gives ${answer.status}: ${short(text)}`);
      }
      await setTimeout(3500);
      if ((await fetch(`${app.url}/api/health`)).status !== 200) findings.push('full: the server is gone');
      rmSync(filler);
      if ((await save()).status === 201) saved++;
      else findings.push(`round ${k}: no save after there is room again`);
    }
    if ((await listed()) !== before + saved) findings.push(`${await listed()} designs of ${before + saved}`);
    if (isTrace(app.output)) findings.push(`the log: ${short(app.output)}`);
  } finally {
    await app.kill();
    spawnSync('umount', [folder]);
    rmSync(folder, { recursive: true, force: true });
  }
  return { figures: { rounds, saved, refused }, findings };
}
