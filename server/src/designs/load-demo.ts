import { readFile } from 'node:fs/promises';
import { setTimeout } from 'node:timers/promises';
import { ProblemError } from '@hashira/core';
import { parseDesign } from '@hashira/core/validation';
import type { DesignStore } from './design-store.js';

// The one that is stored last is opened first
const demos = ['winch-bed', 'lookout-tower', 'quay-arch', 'boat-hall', 'slip-shed'];

/** Stores the demo designs in a database that never held a design; deleting them is not undone by a restart. */
export async function loadDemo(store: DesignStore): Promise<number> {
  if ((await store.countEver()) > 0) return 0;
  for (const name of demos) {
    const text = await readFile(new URL(`../../../core/demo/${name}.json`, import.meta.url), 'utf8');
    const design = parseDesign(text);
    if (!design.ok) throw new ProblemError(design.problems);
    await store.create(design.value);
    // The list goes by the time of saving, in ms: no two may share one
    await setTimeout(2);
  }
  return demos.length;
}
