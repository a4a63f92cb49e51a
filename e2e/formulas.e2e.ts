import { expect, ledgerValue, openSlipShed, test } from './application.js';

test('a formula is helped along: names with their values, what it comes to, what is wrong', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const before = await ledgerValue(page, 'Apex deflection').textContent();
  const field = page.getByRole('textbox', { name: 'Haunch length', exact: true });
  await field.focus();
  const panel = page.locator('app-expression-panel');
  await expect(panel).toContainText(/= 2\.20000\sm/);
  await field.fill('spa');
  await expect(panel).toContainText(/span\s*Span, 22\.0\sm/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.keyboard.type(' / 8 +');
  await expect(panel).toContainText('span / 8 +');
  await expect(panel.locator('.wrong')).toBeVisible();
  await page.keyboard.type(' 10 cm');
  await expect(panel).toContainText(/= 2\.85000\sm/);
  await page.keyboard.press('Enter');
  await expect(panel).toHaveCount(0);
  await page.getByRole('radio', { name: 'Pinned with haunches', exact: true }).click();
  await expect.poll(() => ledgerValue(page, 'Apex deflection').textContent()).not.toBe(before);
  await expect(page.getByText('span / 8 + 10 cm')).toBeVisible();
});
