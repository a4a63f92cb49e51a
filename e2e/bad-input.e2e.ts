import { card, expect, openSlipShed, runServer, saved, test, typeParameter } from './application.js';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

for (const [what, name, text, sentence] of [
  ['an unknown name', 'eaves', 'spann / 3', 'uses "spann"'],
  ['a wrong unit', 'eaves', '6 kN', 'needs a value in m'],
  ['a cycle', 'spacing', 'g_line / (1 kN/m^2)', 'in a circle'],
  ['a span of zero', 'span', '0 m', 'it may be from 8.00 m to 40.0 m'],
  ['an assignment', 'span', 'x = 3 m', 'an assignment is not allowed'],
] as const)
  test(`${what} is refused in a sentence at the parameter, and the last good frame stays`, async ({
    page,
    app,
  }) => {
    await openSlipShed(page, app);
    await typeParameter(page, name, text);
    await expect(page.locator('app-parameter-row [role=alert]').first()).toContainText(sentence);
    await expect(page.locator('app-ledger')).toBeVisible();
    await expect(card(page, 'Fixed bases').locator('.problem')).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  });

test('a decimal comma is one, and a value beyond the range widens it', async ({ page, app }) => {
  await openSlipShed(page, app);
  await typeParameter(page, 'span', '24,5 m');
  await expect(page.locator('#p-span')).toHaveValue(/^24\.5\sm$/);
  await typeParameter(page, 'span', '42 m');
  await expect(page.locator('app-parameter-row [role=status]')).toContainText('The range was widened');
  await expect(page.locator('#p-span')).toHaveValue(/^42\sm$/);
  await saved(page);
});

test('a file that is no design, or of a newer version, is refused in words', async ({ page, app }) => {
  await page.goto(`${app.url}/designs`);
  await expect(page.getByRole('link', { name: 'Slip shed', exact: true })).toBeVisible();
  const count = await page.locator('tbody tr').count();
  for (const [content, sentence] of [
    ['not json', 'it is not JSON'],
    ['{"format":"something"}', 'its format is "something"'],
    ['{"format":"hashira-design","version":9}', 'written by a newer version'],
    ['{"format":"hashira-design","version":2,"title":"x"}', 'is missing'],
  ] as const) {
    const file = join(app.folder, 'bad.json');
    await writeFile(file, content);
    await page.locator('input[type=file]').setInputFiles(file);
    await expect(page.locator('.p-toast')).toContainText(sentence);
  }
  expect(await page.locator('tbody tr').count()).toBe(count);
});

test('a body over the limit and a save without its revision are refused with problem details', async ({
  page,
  app,
}) => {
  const large = await page.request.post(`${app.url}/api/designs`, {
    data: { text: 'x'.repeat(3 * 1024 * 1024) },
  });
  expect(large.status()).toBe(413);
  expect(large.headers()['content-type']).toContain('application/problem+json');
  expect(((await large.json()) as { detail: string }).detail).toContain('2048 KiB');
  const id = await openSlipShed(page, app);
  const unnamed = await page.request.put(`${app.url}/api/designs/${id}`, { data: {} });
  expect(unnamed.status()).toBe(428);
});

test('a corrupt database file stops the start with a sentence and is left as it is', async ({ app }) => {
  const file = join(app.folder, 'corrupt.sqlite');
  const content = 'this is no database, '.repeat(100);
  await writeFile(file, content);
  const run = runServer(file, 0);
  expect(await run.ended).toBe(1);
  expect(run.output()).toContain(`The database ${file} cannot be used`);
  expect(run.output()).toContain('put a backup in its place');
  expect(await readFile(file, 'utf8')).toBe(content);
});
