import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import type { Design } from '@hashira/core';
import type { DesignStore } from './design-store.js';

// The one that is stored last is opened first
const demos = ['winch-bed', 'lookout-tower', 'quay-arch', 'boat-hall', 'slip-shed'];

/**
 * Stores the demo designs in a database that never held a design; deleting them is not undone by a restart.
 *
 * @param folder where they lie as files
 * @returns how many were stored
 */
export async function loadDemo(store: DesignStore, folder: string): Promise<number> {
  if ((await store.countEver()) > 0) return 0;
  for (const name of demos) {
    const text = await readFile(join(folder, `${name}.json`), 'utf8');
    // Our own files, of the current version: specs validate them, a start need not
    await store.create(JSON.parse(text) as Design);
    // The list goes by the time of saving, in ms: no two may share one
    await setTimeout(2);
  }
  return demos.length;
}
