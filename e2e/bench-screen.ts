import { chromium } from '@playwright/test';
import { Application } from './application.js';
import config from './playwright.config.js';

/** From a drag event to the end of the frame that shows its numbers, ms, in the page. */
interface Drag {
  median: number;
  p95: number;
  /** Frames drawn while 120 events came at the pace of the screen, and the longest gap between two. */
  frames: number;
  longestGap: number;
}

const app = new Application();
await app.start();
const browser = await chromium.launch(config.use?.launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
// The compiler names functions through a helper that the page does not have
await page.addInitScript('globalThis.__name = (f) => f');
await page.goto(app.url);
await page.locator('app-ledger').waitFor();
await page.waitForTimeout(1000);

const result = await page.evaluate(async (): Promise<Drag> => {
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
  const frameEnd = () =>
    new Promise<void>((done) => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => done();
      requestAnimationFrame(() => channel.port2.postMessage(0));
    });
  send('pointerdown', 0);
  const times: number[] = [];
  for (let i = 1; i <= 100; i++) {
    const before = numbers();
    const from = performance.now();
    send('pointermove', ((i * 7) % 60) - 30);
    while (numbers() === before && performance.now() - from < 1000) await frameEnd();
    if (i > 20) times.push(performance.now() - from);
  }
  let frames = 0;
  let longestGap = 0;
  let last = performance.now();
  let shown = numbers();
  for (let i = 0; i < 120; i++) {
    send('pointermove', (i % 60) - 30);
    await frameEnd();
    const now = numbers();
    if (now !== shown) {
      frames++;
      longestGap = Math.max(longestGap, performance.now() - last);
      last = performance.now();
      shown = now;
    }
  }
  send('pointerup', 0);
  times.sort((a, b) => a - b);
  return {
    median: times[Math.floor(times.length / 2)]!,
    p95: times[Math.floor(times.length * 0.95)]!,
    frames,
    longestGap,
  };
});
console.log(
  `drag event → frame with its numbers, 1280 × 800, software rendering: median ${result.median.toFixed(0)} ms, 95 % ${result.p95.toFixed(0)} ms`,
);
console.log(
  `120 drag events at the pace of the screen: ${result.frames} states drawn, longest gap ${result.longestGap.toFixed(0)} ms`,
);
await browser.close();
await app.stop();
app.remove();
