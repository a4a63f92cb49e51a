// Refreshes docs/screenshots: npm run screenshots
import { chromium, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Application, calculated, choose } from './application.js';
import config from './playwright.config.js';

const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url));
mkdirSync(folder, { recursive: true });

const app = new Application();
await app.start();
const browser = await chromium.launch(config.use?.launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

/** Takes a picture when every alternative that is on it is worked out. */
async function picture(name: string): Promise<void> {
  await page.waitForFunction(
    () =>
      !/checking…|calculating…/.test(document.body.textContent) &&
      !document.querySelector('app-workspace-state button'),
    undefined,
    { timeout: 60_000 },
  );
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(folder, `${name}.png`) });
}

async function openShed(target: Page): Promise<void> {
  await target.goto(app.url);
  await calculated(target);
}

await openShed(page);
await picture('design');

await page.getByRole('tab', { name: 'Text', exact: true }).click();
await page.locator('.cm-line').first().waitFor();
await choose(page, 'What is shown', 'C2 Wind in service');
await page.getByText('bare').click();
await page.getByLabel('deformed', { exact: true }).check();
await page.getByRole('group', { name: 'Fixed bases, stage', exact: true }).focus();
for (let i = 0; i < 7; i++) await page.keyboard.press('ArrowRight');
await picture('text');

await openShed(page);
await page.locator('app-ledger .member').nth(2).click();
await picture('trace');

await openShed(page);
await page.getByRole('radio', { name: 'Three hinges', exact: true }).click();
await choose(page, 'Eaves', 'hinged');
await picture('mechanism');
await page.getByRole('button', { name: 'Undo', exact: true }).click();

await page.getByRole('link', { name: 'Comparison', exact: true }).click();
await page.locator('app-figures-chart svg').waitFor();
await picture('comparison');

await openShed(page);
await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
await page.getByText('+ step').click();
await picture('recipe');
await page.locator('app-new-step').getByRole('button', { name: 'Lines', exact: true }).click();
await page.getByLabel('Points', { exact: true }).fill('0, 4.2; 6, 4.2; 6, 0');
await page.keyboard.press('Enter');
await picture('preview');

await openShed(page);
await page.getByRole('tab', { name: 'Loads', exact: true }).click();
await page.getByRole('button', { name: /^S Snow/ }).click();
await page.locator('app-loads-leaf .sentence').first().click();
await page.locator('app-ledger .edit').click();
await picture('loads');

await openShed(page);
await page.getByRole('tab', { name: 'Choices', exact: true }).click();
await page.getByRole('button', { name: 'haunched', exact: true }).click();
await picture('choices');

await openShed(page);
await page.locator('app-stage').focus();
await page.keyboard.press('ArrowRight');
await page.keyboard.press('Enter');
await page.getByRole('combobox', { name: 'Give a section', exact: true }).click();
await page.getByRole('searchbox').fill('lightest HEA with Wpl,y above 1200 cm3');
await picture('sections');
await page.keyboard.press('Enter');
await calculated(page);
await page.getByRole('button', { name: 'tables', exact: true }).click();
await page.getByRole('tab', { name: 'Forces along members', exact: true }).click();
await picture('rules');

for (const [title, name] of [
  ['Quay arch', 'arch'],
  ['Lookout tower', 'tower'],
  ['Winch bed', 'winch-bed'],
] as const) {
  await page.getByRole('link', { name: 'Hashira', exact: true }).click();
  await page.getByRole('link', { name: title, exact: true }).click();
  await page.locator('app-ledger').waitFor();
  await calculated(page, 90_000);
  if (name === 'winch-bed') {
    await page.getByText('bare', { exact: true }).click();
    await page.getByLabel('sections', { exact: true }).check();
    await choose(page, 'Group members by', 'by section');
  }
  await picture(name);
}
await page.getByLabel('sections', { exact: true }).uncheck();
await page.getByRole('combobox', { name: 'What is shown', exact: true }).click();
await page.getByRole('option', { name: /^Mode 1/ }).click();
await picture('mode');

await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('link', { name: 'New design', exact: true }).click();
await picture('new-design');

await page.getByRole('link', { name: 'All designs', exact: true }).click();
await page.getByRole('link', { name: 'Boat hall', exact: true }).click();
await page.locator('app-design-screen .label.plum').first().waitFor({ timeout: 60_000 });
await calculated(page, 60_000);
await page.getByText('Model check: sound').waitFor();
await picture('hall');
await choose(page, 'Slice of the frame', 'row 3');
await picture('slice');

await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('button', { name: 'Duplicate', exact: true }).first().click();
// The references of all designs
await page.waitForTimeout(12_000);
await picture('designs');

await browser.close();
await app.stop();
app.remove();
