import { chromium } from '@playwright/test';
import { Application, calculated } from './application.js';
import config from './playwright.config.js';
const app = new Application();
await app.start();
const browser = await chromium.launch(config.use?.launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.log('PAGE ERROR', e.stack?.slice(0, 900)));
page.on('console', (m) => {
  if (m.type() === 'error') console.log('CONSOLE', m.text());
});
page.on('response', async (r) => {
  if (r.status() === 422) console.log((await r.text()).slice(0, 400));
});
const steps = (await import(process.argv[2]!)).default;
try {
  await steps(page, app, calculated);
} catch (e) {
  console.log(String(e).slice(0, 1500));
  await page.screenshot({ path: '/tmp/shots/error.png' });
}
await browser.close();
await app.stop();
app.remove();
