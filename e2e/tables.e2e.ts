import { readFile } from 'node:fs/promises';
import { calculated, choose, expect, openSlipShed, tellTable, test } from './application.js';

test('tables of results follow what is shown, what is selected, and are saved as CSV', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await choose(page, 'What is shown', 'S Snow');
  await page.getByRole('button', { name: 'tables', exact: true }).click();
  const rows = page.locator('app-result-tables tbody tr');
  await expect(rows).toHaveCount(2);
  // 4.4 kN/m of snow on 22 m, half of it at each base
  await expect(rows.first()).toContainText('48.4 up');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV', exact: true }).click();
  const file = await saving;
  expect(file.suggestedFilename()).toMatch(/^Slip shed, copy( \d+)?, reactions, S Snow\.csv$/);
  const [head, first] = (await readFile(await file.path(), 'utf8')).split('\r\n');
  expect(head).toBe('node,id,at,FX [kN],FZ [kN],MY [kN·m]');
  expect(Number(first!.split(',')[4])).toBeCloseTo(48.4, 6);

  await tellTable(page, 'What members carry, from end to end');
  await expect(rows).toHaveCount(20);
  await page.locator('app-stage').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(5);
  // The address opens the same tables again
  await page.reload();
  await calculated(page);
  await expect(page.getByRole('combobox', { name: 'What the table tells', exact: true })).toBeVisible();
});

test('F1 opens the page of keys, Escape closes it and gives the focus back', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.locator('app-stage').focus();
  await page.keyboard.press('F1');
  await expect(page.getByRole('dialog', { name: 'Keys', exact: true })).toContainText(
    'selects the member that is read',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys', exact: true })).toHaveCount(0);
});
