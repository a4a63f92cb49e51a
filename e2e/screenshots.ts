// Refreshes docs/screenshots: npm run screenshots
import { chromium, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Application, calculated, choose, tellTable } from './application.js';
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
  await target.goto(`${app.url}/designs`);
  await target.getByRole('link', { name: 'Slip shed', exact: true }).click();
  await target.locator('app-ledger .member').first().waitFor();
  await calculated(target);
}

await openShed(page);
await picture('design');

await openShed(page);
await page.locator('app-ledger .member').nth(2).click();
await picture('trace');

await openShed(page);
await page.getByRole('radio', { name: 'Three hinges', exact: true }).click();
await choose(page, 'Eaves', 'hinged');
await picture('mechanism');
await page.getByRole('button', { name: 'Undo', exact: true }).click();

await page.getByRole('link', { name: 'Comparison', exact: true }).click();
await page.locator('app-figures-table tbody').nth(3).waitFor();
await picture('comparison');
await page
  .getByRole('button', { name: /^Eaves sway .*where it comes from/ })
  .first()
  .click();
await page.locator('app-why tbody tr').first().waitFor();
await picture('shares');
await page.getByRole('button', { name: 'back to the table', exact: true }).click();
await page.getByText('Modes and buckling', { exact: true }).click();
await page.locator('app-shapes-table').getByRole('button', { name: '2 up and down' }).click();
await page.getByRole('button', { name: 'hold', exact: true }).click();
await picture('modes');
await page.getByRole('link', { name: 'Record', exact: true }).click();
await page
  .getByRole('button', { name: /^What changed since revision/ })
  .last()
  .click();
await page.locator('app-what-changed').waitFor();
await choose(page, 'Before', 'Fixed bases');
await choose(page, 'After', 'Pinned with haunches');
await page.locator('app-what-changed tbody tr').first().waitFor();
await picture('changed');

// Two arches, one over the other
await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('link', { name: 'Quay arch', exact: true }).click();
await page.locator('app-ledger').waitFor();
await calculated(page, 90_000);
await page.getByRole('link', { name: 'Comparison', exact: true }).click();
for (const name of ['Circular, fixed', 'Circular, three hinges'])
  await page.getByRole('checkbox', { name: `${name} on a large stage`, exact: true }).uncheck();
await page.getByLabel('lay over the reference').check();
await picture('overlay');

await openShed(page);
await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
await page.getByText('+ step').click();
await picture('recipe');

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
await page.keyboard.press('Enter');
await page.getByRole('button', { name: 'HEA 300 for these alone', exact: true }).click();
await calculated(page);
await page.getByRole('button', { name: 'tables', exact: true }).click();
await tellTable(page, 'What members carry at most');
await picture('rules');

await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('link', { name: 'Lookout tower', exact: true }).click();
await page.locator('app-ledger').waitFor();
await calculated(page, 90_000);
await picture('tower');

// The screens of members
const members = async (): Promise<void> => {
  await page.getByRole('link', { name: 'Members', exact: true }).click();
  await page.locator('app-schedule .group').first().waitFor();
};
await members();
await page.getByRole('radio', { name: 'Single diagonal', exact: true }).click();
await page.locator('app-schedule .fold').last().click();
await picture('members');

await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('link', { name: 'Slip shed', exact: true }).click();
await page.locator('app-ledger').waitFor();
await calculated(page);
await page.getByRole('radio', { name: 'Pinned with haunches', exact: true }).click();
await members();
await page.locator('app-schedule .name').nth(1).click();
await page.locator('app-member-sheet .neighbour').first().waitFor();
await page.locator('app-member-sheet summary').first().click();
await picture('sheet');
await page.getByText('put it on the bench').click();
await page.getByRole('button', { name: '+ support', exact: true }).click();
await page.getByRole('button', { name: '+ load', exact: true }).click();
await picture('bench');
await page.keyboard.press('Escape');
await page.getByText('‹ all members').click();
await page.getByText('load to failure', { exact: true }).click();
await page.getByText('plastic hinges', { exact: true }).click();
await page.getByRole('button', { name: 'Raise until it fails', exact: true }).click();
await page.locator('app-failure .verdict').waitFor({ timeout: 60_000 });
await page.getByRole('button', { name: 'The same for every alternative', exact: true }).click();
await page.locator('app-failure .others li').nth(3).waitFor({ timeout: 120_000 });
await picture('failure');

await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('link', { name: 'New design', exact: true }).click();
await picture('new-design');

await page.getByRole('link', { name: 'All designs', exact: true }).click();
await page.getByRole('link', { name: 'Boat hall', exact: true }).click();
await page.locator('app-design-screen .label.plum').first().waitFor({ timeout: 60_000 });
await calculated(page, 60_000);
await page.getByText('Model check: sound').waitFor();
await picture('hall');

await page.getByRole('link', { name: 'Hashira', exact: true }).click();
await page.getByRole('button', { name: 'Duplicate', exact: true }).first().click();
// The references of all designs
await page.waitForTimeout(12_000);
await picture('designs');

await browser.close();
await app.stop();
app.remove();
