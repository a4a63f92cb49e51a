import { calculated, expect, ledgerValue, openSlipShed, saved, test } from './application.js';

test('US customary units: what is read, what a bare number means, and what the document keeps', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await page.getByRole('button', { name: /^m, kN/ }).click();
  // 22 m, −64.8 mm, 324 kN·m
  const span = page.getByRole('textbox', { name: 'Span', exact: true });
  await expect(span).toHaveValue(/^72\.178\sft$/);
  await expect(ledgerValue(page, 'Apex deflection')).toHaveText(/−2\.55\sin/);
  await expect(
    page
      .locator('app-stage .label')
      .filter({ hasText: /239\skip·ft/ })
      .first(),
  ).toBeVisible();
  await expect(page.locator('app-legend')).toContainText('kip·ft');
  await expect(page.locator('app-ledger')).toContainText(/x = 21\.0\sft/);
  await span.fill('80');
  await span.press('Enter');
  await expect(span).toHaveValue(/^80\sft$/);
  await saved(page);
  await page.reload();
  await calculated(page);
  await expect(span).toHaveValue(/^80\sft$/);
  await page.getByRole('button', { name: /^ft, kip/ }).click();
  await expect(span).toHaveValue(/^24\.384\sm$/);
  // It stays as it was typed
  await span.focus();
  await expect(span).toHaveValue('80 ft');
});
