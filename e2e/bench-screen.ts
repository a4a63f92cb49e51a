// Figures of the screen, in software rendering: first picture, designs while a hand drags, the heap, and a frame of 1 000 members.
import { chromium, type Page } from '@playwright/test';
import { Application } from './application.js';
import { thousandMembers, twistedFrame } from './bench-designs.js';
import { longestTasks } from './bench-tasks.js';
import config from './playwright.config.js';

/** Runs in the page: the end of a frame, and what the bench watches. */
declare global {
  interface Window {
    frameEnd(): Promise<void>;
    /** Longest time between two messages that the page sends itself every 2 ms, since it was last asked, ms; watched from then on. */
    longestSilence(): number;
    /** When the stage was first drawn with numbers beside it, ms since the page was asked for. */
    firstPicture: number | undefined;
  }
}

const app = new Application();
await app.start();
const browser = await chromium.launch(config.use?.launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(watch);

await firstPicture(page);
await slipShed(page);
await heapOfDrags(page);
await opened(page, await demo(page, 'Lookout tower'));
await dragged(page, 'Lookout tower, second order, storey height');
await opened(page, await stored(page, twistedFrame()));
await dragged(page, 'Twisted frame of 15 storeys, 765 members, storey height');
await opened(page, await stored(page, thousandMembers()));
await thousand(page);
// Turning is measured when the workers have nothing left to do
await page.waitForTimeout(25_000);
await turning(page);
await linkedStages(page);
await browser.close();
await app.stop();
app.remove();

/** Runs in the page before all else. */
function watch(): void {
  // The compiler names functions through a helper that the page does not have
  (globalThis as Record<string, unknown>)['__name'] = (f: unknown) => f;
  window.frameEnd = () =>
    new Promise<void>((done) => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => done();
      requestAnimationFrame(() => channel.port2.postMessage(0));
    });
  let longest = 0;
  let last = 0;
  const beats = new MessageChannel();
  beats.port1.onmessage = () => {
    const now = performance.now();
    longest = Math.max(longest, now - last);
    last = now;
    setTimeout(() => beats.port2.postMessage(0), 2);
  };
  window.longestSilence = () => {
    if (last === 0) beats.port2.postMessage(0);
    const value = longest;
    longest = 0;
    last = performance.now();
    return value;
  };
  const look = () => {
    const drawn = document.querySelector('app-stage canvas, app-stage svg');
    if (drawn && /\d/.test(document.querySelector('app-ledger')?.textContent ?? ''))
      window.firstPicture = performance.now();
    else requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/** Stores a design. @returns its id */
async function stored(of: Page, design: object): Promise<string> {
  const response = await of.request.post(`${app.url}/api/designs`, { data: design });
  if (!response.ok()) throw new Error(await response.text());
  return ((await response.json()) as { id: string }).id;
}

/** The id of a demo design. */
async function demo(of: Page, title: string): Promise<string> {
  const response = await of.request.get(`${app.url}/api/designs`);
  const listed = (await response.json()) as readonly { id: string; title: string }[];
  const found = listed.find((one) => one.title === title);
  if (!found) throw new Error(`There is no demo design "${title}".`);
  return found.id;
}

async function opened(of: Page, id: string): Promise<void> {
  await of.goto(`${app.url}/designs/${id}`);
  await of.locator('app-ledger .member').first().waitFor({ timeout: 60_000 });
  await settled(of);
}

/** From the page's being asked for to the Slip shed with its numbers, five times without a cache. */
async function firstPicture(of: Page): Promise<void> {
  const times: number[] = [];
  for (let run = 0; run < 5; run++) {
    const fresh = await browser.newContext();
    const first = await fresh.newPage();
    await first.addInitScript(watch);
    await first.goto(app.url);
    await first.waitForFunction(() => window.firstPicture !== undefined);
    times.push(await first.evaluate(() => window.firstPicture!));
    await fresh.close();
  }
  console.log(`First picture with its numbers: median ${share(times, 0.5)} ms, most ${share(times, 1)} ms`);
  await of.goto(app.url);
  await of.locator('app-ledger .member').first().waitFor();
  await settled(of);
}

/** From a step of a parameter's slider to the frame with other numbers. */
async function dragged(of: Page, words: string): Promise<void> {
  for (const [what, told] of [
    ['its diagram', 'app-legend'],
    ['its numbers', 'app-ledger'],
  ] as const) {
    const times = await steps(of, 60, told);
    await settled(of);
    console.log(
      `${words}, step of the slider → frame with ${what}: median ${share(times, 0.5)} ms, 95 % ${share(times, 0.95)} ms`,
    );
  }
}

/** Steps the first slider to and fro; waits until what tells of it has changed, or only for the frame. @returns what each took, ms */
function steps(of: Page, count: number, told?: string): Promise<number[]> {
  return of.evaluate(
    async ([total, selector]) => {
      const handle = document.querySelector<HTMLElement>('app-parameter-row .p-slider-handle')!;
      handle.focus();
      // With the exact values, which stand in titles
      const text = () => (selector ? document.querySelector(selector)!.innerHTML : '');
      const taken: number[] = [];
      for (let i = 0; i < total; i++) {
        const before = text();
        const from = performance.now();
        const code = i % 20 < 10 ? 'ArrowRight' : 'ArrowLeft';
        handle.dispatchEvent(
          new KeyboardEvent('keydown', { code, key: code, bubbles: true, cancelable: true }),
        );
        do await window.frameEnd();
        while (selector && text() === before && performance.now() - from < 5000);
        taken.push(performance.now() - from);
      }
      return taken.slice(Math.min(10, total >> 1));
    },
    [count, told] as const,
  );
}

/** The page's heap after 100 steps of a slider and after 1 000. */
async function heapOfDrags(of: Page): Promise<void> {
  await steps(of, 100);
  const early = await heap(of);
  await steps(of, 900);
  const late = await heap(of);
  console.log(
    `Slip shed, heap of the page after 100 steps of a slider ${mega(early)} MB, after 1 000 ${mega(late)} MB: ${((100 * (late - early)) / early).toFixed(1)} %`,
  );
}

function mega(bytes: number): string {
  return (bytes / 1e6).toFixed(1);
}

/** Bytes of the page's heap after its garbage was collected. */
async function heap(of: Page): Promise<number> {
  const session = await of.context().newCDPSession(of);
  await session.send('HeapProfiler.enable');
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  await session.detach();
  return usedSize;
}

async function settled(of: Page): Promise<void> {
  await of.waitForFunction(() => !document.body.textContent.includes('calculating…'));
  await of.waitForTimeout(1000);
}

/** From a drag event to the end of the frame that shows its numbers, and how many states are drawn while a hand drags. */
async function slipShed(of: Page): Promise<void> {
  const { times, frames, longestGap } = await of.evaluate(async () => {
    const label = document.querySelector<HTMLButtonElement>('app-dimension-label button')!;
    // Synthetic events carry no real pointer to capture
    label.setPointerCapture = () => undefined;
    label.releasePointerCapture = () => undefined;
    const box = label.getBoundingClientRect();
    const send = (type: string, dx: number) =>
      label.dispatchEvent(
        new PointerEvent(type, {
          bubbles: true,
          clientX: box.left + 10 + dx,
          clientY: box.top + 8,
          pointerId: 1,
        }),
      );
    const numbers = () => document.querySelector('app-ledger')!.textContent;
    send('pointerdown', 0);
    const taken: number[] = [];
    for (let i = 1; i <= 100; i++) {
      const before = numbers();
      const from = performance.now();
      send('pointermove', ((i * 7) % 60) - 30);
      while (numbers() === before && performance.now() - from < 1000) await window.frameEnd();
      if (i > 20) taken.push(performance.now() - from);
    }
    let drawn = 0;
    let gap = 0;
    let last = performance.now();
    let shown = numbers();
    for (let i = 0; i < 120; i++) {
      send('pointermove', (i % 60) - 30);
      await window.frameEnd();
      const now = numbers();
      if (now === shown) continue;
      drawn++;
      gap = Math.max(gap, performance.now() - last);
      last = performance.now();
      shown = now;
    }
    send('pointerup', 0);
    return { times: taken, frames: drawn, longestGap: gap };
  });
  console.log(
    `Slip shed, drag event → frame with its numbers, 1280 × 800: median ${share(times, 0.5)} ms, 95 % ${share(times, 0.95)} ms`,
  );
  console.log(
    `Slip shed, 120 drag events at the pace of the screen: ${frames} states drawn, longest gap ${longestGap.toFixed(0)} ms`,
  );
}

/** From a changed parameter to the frame that shows the selected alternative's forces, and its checks; then how long the page is blocked meanwhile. */
async function thousand(of: Page): Promise<void> {
  const words = '1 040 members × 4 × 12, changed storey height';
  const told = (times: readonly number[]) => `median ${share(times, 0.5)} ms, most ${share(times, 1)} ms`;
  const runs = await storeyHeights(of, 20, false);
  // The first ones meet code that the browser has not compiled for speed yet; they are told by themselves
  for (const [which, part] of [
    ['the first eight', runs.slice(0, 8)],
    ['the next twelve', runs.slice(8)],
  ] as const) {
    console.log(`${words}, ${which} → forces on the stage: ${told(part.map(({ forces }) => forces))}`);
    console.log(`${words}, ${which} → checks: ${told(part.map(({ checks }) => checks))}`);
  }
  let watched: Awaited<ReturnType<typeof storeyHeights>> = [];
  const tasks = await longestTasks(browser, of, 'change', async () => {
    watched = await storeyHeights(of, 12, true);
  });
  console.log(`${words}, longest task of the page: ${told(tasks)}`);
  console.log(`${words}, longest silence of the page: ${told(watched.map(({ silence }) => silence))}`);
}

/** Changes the storey height some times. @returns how long forces and checks took, and the page's longest silence where it is watched, ms */
function storeyHeights(
  of: Page,
  count: number,
  isWatched: boolean,
): Promise<{ forces: number; checks: number; silence: number }[]> {
  return of.evaluate(
    async ([total, watches]) => {
      const field = document.querySelector<HTMLInputElement>('app-parameter-row input')!;
      const text = (row: number) =>
        document.querySelectorAll('app-ledger table tr td .number')[row]!.textContent;
      const until = async (row: number, before: string, from: number) => {
        while ((text(row) === before || text(row).includes('…')) && performance.now() - from < 20_000)
          await window.frameEnd();
        return performance.now() - from;
      };
      const taken: { forces: number; checks: number; silence: number }[] = [];
      for (let i = 0; i < total; i++) {
        const [sway, worst] = [text(0), text(1)];
        if (watches) window.longestSilence();
        // The value is typed before; the change begins when it is confirmed
        field.focus();
        field.value = `${3 + i / 20} m`;
        await window.frameEnd();
        performance.mark('change');
        const from = performance.now();
        field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
        const forces = await until(0, sway, from);
        const checks = await until(1, worst, from);
        while (document.body.textContent.includes('calculating…')) await window.frameEnd();
        await new Promise((done) => setTimeout(done, 1500));
        taken.push({ forces, checks, silence: watches ? window.longestSilence() : 0 });
      }
      return taken;
    },
    [count, isWatched] as const,
  );
}

/** The first stage turned by hand. @returns frames a second */
function turned(of: Page): Promise<number> {
  return of.evaluate(async () => {
    const sheet = document.querySelector<HTMLElement>('app-stage')!;
    sheet.setPointerCapture = () => undefined;
    sheet.releasePointerCapture = () => undefined;
    const send = (type: string, x: number) =>
      sheet.dispatchEvent(
        new PointerEvent(type, {
          bubbles: true,
          clientX: 500 + x,
          clientY: 300,
          pointerId: 1,
          altKey: true,
          buttons: 1,
        }),
      );
    send('pointerdown', 0);
    await window.frameEnd();
    const from = performance.now();
    const count = 60;
    for (let i = 1; i <= count; i++) {
      send('pointermove', i * 2);
      await window.frameEnd();
    }
    send('pointerup', 0);
    return (1000 * count) / (performance.now() - from);
  });
}

async function turning(of: Page): Promise<void> {
  console.log(`1 040 members turned with M drawn: ${(await turned(of)).toFixed(1)} frames a second`);
}

/** Two linked stages of the Boat hall turned, against one of them, in turns. */
async function linkedStages(of: Page): Promise<void> {
  const id = await demo(of, 'Boat hall');
  const rates: Record<string, number[]> = {};
  for (let run = 0; run < 3; run++)
    for (const large of ['ends', 'ends,middle']) {
      await of.goto(`${app.url}/designs/${id}/compare?large=${large}`);
      await of.locator('app-figures-table button.value').first().waitFor({ timeout: 60_000 });
      // Turning is measured when the workers have nothing left to do
      await of.waitForTimeout(20_000);
      (rates[large] ??= []).push(await turned(of));
    }
  const [one, two] = Object.values(rates).map((all) => [...all].sort((a, b) => a - b)[1]!);
  console.log(
    `Boat hall in the comparison with M drawn, turned: one stage ${one!.toFixed(1)}, two linked ${two!.toFixed(1)} frames a second; ratio ${(two! / one!).toFixed(2)}`,
  );
}

function share(times: readonly number[], part: number): string {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))]!.toFixed(0);
}
