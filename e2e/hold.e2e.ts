import type { Page } from '@playwright/test';
import { existsSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { calculated, expect, openSlipShed, runServer, saved, test, typeParameter } from './application.js';

/** What the design screen says of the span on the server. */
async function spanOf(page: Page, url: string, id: string): Promise<string> {
  const answer = await page.request.get(`${url}/api/designs/${id}`);
  const { document } = (await answer.json()) as {
    document: { parameters: { name: string; value: string }[] };
  };
  return document.parameters.find(({ name }) => name === 'span')!.value;
}

test('twelve pages of one browser all save, and hear of each other', async ({ page, app, context }) => {
  test.slow();
  const id = await openSlipShed(page, app);
  const pages = [page];
  for (let k = 1; k < 12; k++) {
    const other = await context.newPage();
    await other.goto(`${app.url}/designs/${id}`);
    await expect(other.locator('#p-span')).toBeVisible();
    pages.push(other);
  }
  const last = pages.at(-1)!;
  await calculated(last);
  await typeParameter(last, 'span', '23.5 m');
  // Twelve pages keep the machine busy: what was saved before is still said for a moment
  await expect(last.getByTestId('saved')).toHaveText('Saved, revision 2');
  expect(await spanOf(page, app.url, id)).toBe('23.5 m');
  // The first page is told that there is a newer revision
  await expect(page.getByText('Another page saved this design: revision 2.')).toBeVisible();
  for (const one of pages.slice(1)) await one.close();
});

test('a worker that gives no sign is given up, said, and replaced', async ({ page, app }) => {
  const id = await openSlipShed(page, app);
  await page.goto(`${app.url}/`);
  // The file of the worker is one that never ends
  await page.route(/worker-\w+\.js$/, async (route) => {
    const answer = await route.fetch();
    const text = await answer.text();
    await (text.includes('calculate')
      ? route.fulfill({ response: answer, body: 'for (;;) {}' })
      : route.continue());
  });
  await page.goto(`${app.url}/designs/${id}`);
  await expect(page.getByText(/gave no sign for 10 s and was given up/)).toBeVisible({ timeout: 30_000 });
  await page.unroute(/worker-\w+\.js$/);
  await page.getByRole('button', { name: 'calculate again', exact: true }).click();
  await calculated(page);
});

test('a database that was moved away takes no save, and the page keeps what was changed', async ({
  page,
  app,
}) => {
  const id = await openSlipShed(page, app);
  const away = `${app.database}.away`;
  renameSync(app.database, away);
  try {
    await typeParameter(page, 'span', '24.5 m');
    await expect(page.getByTestId('saved')).toHaveText('Not saved');
    await expect(page.getByText(/was removed, moved or replaced/).first()).toBeVisible();
  } finally {
    renameSync(away, app.database);
  }
  await saved(page);
  expect(await spanOf(page, app.url, id)).toBe('24.5 m');
});

test('beyond this machine the server asks for its key', async ({ page, app }) => {
  const refused = runServer(join(app.folder, 'open.sqlite'), 0, ['--host', '0.0.0.0']);
  expect(await refused.ended).toBe(1);
  expect(refused.output()).toContain('--key-file');
  const file = join(app.folder, 'key');
  const run = runServer(join(app.folder, 'keyed.sqlite'), 0, ['--host', '0.0.0.0', '--key-file', file]);
  try {
    await expect
      .poll(() => /stands in \S+: (\S+)/.exec(run.output())?.[1] ?? '', { timeout: 60_000 })
      .not.toBe('');
    const url = /Hashira is at (\S+)/.exec(run.output())![1]!;
    const key = /stands in \S+: (\S+)/.exec(run.output())![1]!;
    expect(existsSync(file)).toBe(true);
    await page.goto(url);
    await page.getByLabel('Key of this server').fill('not the key');
    await page.getByRole('button', { name: 'Enter' }).click();
    await expect(page.getByRole('alert')).toContainText('That is not the key');
    await page.getByLabel('Key of this server').fill(key);
    await page.getByRole('button', { name: 'Enter' }).click();
    await expect(page.getByRole('heading', { name: 'Slip shed', exact: true })).toBeVisible();
    expect(await page.evaluate(() => document.cookie)).toBe('');
  } finally {
    run.process.kill('SIGTERM');
    await run.ended;
  }
});

test('a dimension is typed over on the stage', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('button', { name: /^Span .* press to type$/ }).click();
  const field = page.locator('app-dimension-label').getByRole('textbox', { name: 'Span', exact: true });
  await field.fill('21 m');
  await field.press('Enter');
  await expect(page.locator('#p-span')).toHaveValue(/^21\sm$/);
});
