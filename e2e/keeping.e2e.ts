import {
  Application,
  calculated,
  cardNumbers,
  choose,
  expect,
  openSlipShed,
  saved,
  test,
  typeParameter,
} from './application.js';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

test('everything is as it was after the browser was closed', async ({ page, app, browser }) => {
  const id = await openSlipShed(page, app);
  await page.getByRole('radio', { name: 'Pinned bases', exact: true }).click();
  await choose(page, 'Apex', 'hinged');
  await typeParameter(page, 'span', '18 m');
  await saved(page);
  await calculated(page);
  const numbers = await cardNumbers(page);
  await page.close();
  const again = await browser.newPage();
  await again.goto(`${app.url}/designs/${id}`);
  await calculated(again);
  await expect.poll(() => cardNumbers(again)).toEqual(numbers);
  await again.close();
});

test('a killed server loses nothing that was shown as saved, and what was not is saved when it is back', async ({
  page,
}) => {
  const app = new Application();
  await app.start();
  try {
    await page.goto(app.url);
    await calculated(page);
    await typeParameter(page, 'span', '17 m');
    await expect(page.getByTestId('saved')).toHaveText('Saved, revision 2');
    await app.kill();
    await typeParameter(page, 'eaves', '5 m');
    await expect(page.getByRole('alert')).toContainText('does not answer');
    await expect(page.getByTestId('saved')).toHaveText('Not saved');
    await app.start();
    await expect(page.getByTestId('saved')).toHaveText('Saved, revision 3', { timeout: 30_000 });
    await app.kill();
    await app.start();
    await page.goto(app.url);
    await expect(page.locator('#p-span')).toHaveValue(/^17\sm$/);
    await expect(page.locator('#p-eaves')).toHaveValue(/^5\sm$/);
    expect(await app.stop()).toBe(0);
  } finally {
    await app.kill();
    app.remove();
  }
});

test('several designs: new, duplicate, rename, delete with undo', async ({ page, app }) => {
  await page.goto(`${app.url}/designs`);
  await page.getByRole('link', { name: 'New design', exact: true }).click();
  await page.getByRole('button', { name: /^Portal/ }).click();
  await calculated(page);
  await page.getByRole('link', { name: 'Hashira', exact: true }).click();
  const row = (title: string) =>
    page.locator('tbody tr').filter({ has: page.getByRole('link', { name: title, exact: true }) });
  await row('Portal').getByRole('button', { name: 'Rename', exact: true }).click();
  await page.getByLabel('Title', { exact: true }).fill('Sail loft');
  await page.getByRole('dialog').getByRole('button', { name: 'Rename', exact: true }).click();
  await expect(row('Sail loft')).toBeVisible();
  await row('Sail loft').getByRole('button', { name: 'Duplicate', exact: true }).click();
  await expect(row('Sail loft, copy')).toBeVisible();
  await row('Sail loft, copy').getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(row('Sail loft, copy')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(row('Sail loft, copy')).toBeVisible();
});

test('a design goes out as a file and comes back the same', async ({ page, app }) => {
  await openSlipShed(page, app);
  await typeParameter(page, 'pitch', '12 deg');
  await calculated(page);
  await saved(page);
  const numbers = await cardNumbers(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export', exact: true }).click(),
  ]);
  const file = join(app.folder, 'shed.json');
  await download.saveAs(file);
  const design = JSON.parse(await readFile(file, 'utf8')) as { format: string; title: string };
  expect(design.format).toBe('hashira-design');
  await writeFile(file, JSON.stringify({ ...design, title: 'Brought back' }));
  await page.goto(`${app.url}/designs`);
  await page.locator('input[type=file]').setInputFiles(file);
  await page.getByRole('link', { name: 'Brought back', exact: true }).click();
  await calculated(page);
  await expect.poll(() => cardNumbers(page)).toEqual(numbers);
});

test('two tabs never overwrite each other silently', async ({ page, app, context }) => {
  const id = await openSlipShed(page, app);
  const other = await context.newPage();
  await other.goto(`${app.url}/designs/${id}`);
  await calculated(other);
  await typeParameter(page, 'span', '19 m');
  await saved(page);
  // The other tab is told before it changes anything
  await expect(other.getByText('Another page saved this design')).toBeVisible();
  await typeParameter(other, 'span', '25 m');
  await expect(other.getByRole('alert')).toContainText('was changed elsewhere');
  await other.getByRole('button', { name: 'Keep mine as a new design', exact: true }).click();
  await expect(other.getByRole('button', { name: /, mine$/ })).toBeVisible();
  await expect(other.locator('#p-span')).toHaveValue(/^25\sm$/);
  await page.reload();
  await expect(page.locator('#p-span')).toHaveValue(/^19\sm$/);
});

test('a second tab takes the new state when it is told', async ({ page, app, context }) => {
  const id = await openSlipShed(page, app);
  const other = await context.newPage();
  await other.goto(`${app.url}/designs/${id}`);
  await calculated(other);
  await typeParameter(page, 'span', '19 m');
  await saved(page);
  await other.getByRole('button', { name: 'Show the new one', exact: true }).click();
  await expect(other.locator('#p-span')).toHaveValue(/^19\sm$/);
  await expect(page.getByText('Another page saved this design')).toHaveCount(0);
});

test('what was changed while the server was away is kept in the browser, and taken up at the next visit', async ({
  page,
}) => {
  const app = new Application();
  await app.start();
  try {
    await page.goto(app.url);
    await calculated(page);
    await typeParameter(page, 'span', '18 m');
    await saved(page);
    const address = page.url();
    await app.kill();
    await typeParameter(page, 'eaves', '5.2 m');
    await expect(page.getByTestId('saved')).toHaveText('Not saved');
    page.on('dialog', (dialog) => void dialog.accept());
    await page.goto('about:blank');
    await app.start();
    await page.goto(address);
    await expect(page.getByText('had not been saved were taken up')).toBeVisible();
    await expect(page.locator('#p-eaves')).toHaveValue(/^5\.2\sm$/);
    await expect(page.getByTestId('saved')).toHaveText('Saved, revision 3');
  } finally {
    await app.kill();
    app.remove();
  }
});

test('an address opens the same view again', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('radio', { name: 'Three hinges', exact: true }).click();
  await choose(page, 'What is shown', 'W Wind from the left');
  await page.getByText('N', { exact: true }).click();
  await expect(page).toHaveURL(/alternative=three-hinges/);
  await expect(page).toHaveURL(/diagram=N/);
  await page.reload();
  await calculated(page);
  await expect(page.locator('.caption')).toContainText('Three hinges');
  await expect(page.locator('.caption')).toContainText('W Wind from the left');
});
