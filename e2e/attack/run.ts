// npm run attack: attacks the server and the commands with what may happen to them, seeded, and prints figures.
import { clients } from './clients.js';
import { databases } from './databases.js';
import { documents } from './documents.js';
import { disturbances } from './disturbances.js';
import { fullDisk } from './full-disk.js';
import { growth } from './growth.js';
import { kills } from './kills.js';
import { names } from './names.js';
import type { Report } from './report.js';
import { requests } from './requests.js';
import { rescues } from './rescues.js';

const parts: Readonly<Record<string, () => Promise<Report>>> = {
  kills: () => kills(200, 1),
  databases: () => databases(100, 2),
  requests: () => requests(3000, 3),
  documents: () => documents(2000, 4),
  clients: () => clients(50, 20, 5),
  rescues: () => rescues(64, 6),
  growth: () => growth(),
  disturbances: () => disturbances(40, 7),
  fullDisk: () => fullDisk(5),
  names,
};
const chosen = process.argv.slice(2);
let found = 0;
for (const [name, part] of Object.entries(parts)) {
  if (chosen.length > 0 && !chosen.includes(name)) continue;
  const from = performance.now();
  const { figures, findings } = await part();
  const words = Object.entries(figures).map(([what, value]) => `${what} ${value}`);
  console.log(`${name}: ${words.join('; ')}; ${((performance.now() - from) / 1000).toFixed(0)} s`);
  for (const finding of findings.slice(0, 20)) console.log(`  FOUND ${finding}`);
  if (findings.length > 20) console.log(`  and ${findings.length - 20} more`);
  found += findings.length;
}
console.log(`${found} findings`);
process.exitCode = found === 0 ? 0 : 1;
