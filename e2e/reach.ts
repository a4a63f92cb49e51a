import { expect, type Page } from '@playwright/test';

/** Goes through an open Slip shed on a small screen: nothing is out of reach, and the stage has at least half of the width. */
export async function reachesAll(page: Page): Promise<void> {
  const { width } = page.viewportSize()!;
  const free = async () => {
    const stage = (await page.locator('app-stage').boundingBox())!;
    const open = page.locator('.leaves.open, .ledger.open');
    const over = (await open.count()) > 0 ? await open.boundingBox() : null;
    return stage.width - (over?.width ?? 0);
  };
  const scrolls = await page.evaluate(() => [
    document.documentElement.scrollWidth - innerWidth,
    document.documentElement.scrollHeight - innerHeight,
  ]);
  expect(scrolls).toEqual([0, 0]);
  expect(await free()).toBeGreaterThanOrEqual(width / 2);
  const leaves = page.getByRole('button', { name: 'parameters, recipe, rules, loads, choices', exact: true });
  await leaves.click();
  expect(await free()).toBeGreaterThanOrEqual(width / 2 - 1);
  const span = page.getByRole('textbox', { name: 'Span', exact: true });
  await span.fill('20 m');
  await span.press('Enter');
  for (const leaf of ['Recipe', 'Rules', 'Loads', 'Choices', 'Parameters']) {
    await page.getByRole('tab', { name: leaf }).click();
    await expect(page.getByRole('tabpanel', { name: leaf })).toBeVisible();
  }
  await leaves.click();
  await page.getByRole('button', { name: 'figures', exact: true }).click();
  expect(await free()).toBeGreaterThanOrEqual(width / 2 - 1);
  await page.locator('app-ledger').getByRole('button', { name: /mm/ }).last().click();
  const trace = page.locator('app-trace-panel [role=dialog]');
  await expect(trace).toContainText('mm');
  const box = (await trace.boundingBox())!;
  expect(box.x).toBeGreaterThanOrEqual(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'figures', exact: true }).click();
  await page.getByRole('radio', { name: 'Three hinges', exact: true }).click();
  await expect(page.getByRole('radio', { name: 'Three hinges', exact: true })).toBeChecked();
  // What is at the bar's far end is scrolled to
  await page.getByLabel('deformed', { exact: true }).check();
  await page.getByRole('button', { name: 'tables', exact: true }).click();
  await expect(page.getByRole('combobox', { name: 'What the table tells', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'tables', exact: true }).click();
  await page.getByRole('link', { name: 'Comparison', exact: true }).click();
  const table = page.getByRole('row', { name: /Apex deflection/ });
  await table.scrollIntoViewIfNeeded();
  await expect(table).toBeInViewport({ ratio: 0.9 });
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Revisions', exact: true })).toBeVisible();
}
