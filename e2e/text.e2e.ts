import type { Page } from '@playwright/test';
import { calculated, expect, ledgerValue, openSlipShed, saved, test } from './application.js';

const told = (page: Page) => page.locator('app-design-text .told');

/** Opens the design as text, with the caret behind the first place where a text stands. */
async function textAt(page: Page, text: string): Promise<void> {
  await page.getByRole('tab', { name: 'Text', exact: true }).click();
  await expect(told(page)).toContainText('taken up at once');
  await page.locator('.cm-content').click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('Control+f');
  await page.getByRole('textbox', { name: 'Find', exact: true }).pressSequentially(text);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowRight');
}

test('the design as text: a value that is typed moves the numbers, is saved, and can be taken back', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const before = await ledgerValue(page, 'Apex deflection').innerText();
  await textAt(page, '"22 m');
  await page.keyboard.type(' + 2 m');
  await expect(told(page)).toContainText('Reading');
  await expect(told(page)).toContainText('taken up at once');
  await expect(ledgerValue(page, 'Apex deflection')).not.toHaveText(before);
  await calculated(page);
  await saved(page);
  await page.getByRole('tab', { name: 'Parameters', exact: true }).click();
  // In its field it is shown as it was typed
  await expect(page.locator('#p-span')).toHaveValue(/^24\sm$/);
  await page.locator('#p-span').focus();
  await expect(page.locator('#p-span')).toHaveValue('22 m + 2 m');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(ledgerValue(page, 'Apex deflection')).toHaveText(before);
});

test('what is wrong with a text is said at its place, keeps the design, and goes when it is fixed', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const before = await ledgerValue(page, 'Apex deflection').innerText();
  // No kind of step is called that
  await textAt(page, '"make": "portal');
  await page.keyboard.type('x');
  await expect(told(page)).toContainText('Not taken up');
  await expect(page.locator('app-design-text .problems')).toContainText('make');
  await expect(page.locator('.cm-lintRange-error')).not.toHaveCount(0);
  await expect(ledgerValue(page, 'Apex deflection')).toHaveText(before);
  await page.keyboard.press('Backspace');
  await expect(told(page)).toContainText('taken up at once');
  // No JSON at all
  await page.keyboard.press('End');
  await page.keyboard.press('Backspace');
  await expect(page.locator('app-design-text .problems')).toContainText(/Line \d+: /);
  await page.getByRole('button', { name: 'back to the design as it is', exact: true }).click();
  await expect(told(page)).toContainText('taken up at once');
  await expect(ledgerValue(page, 'Apex deflection')).toHaveText(before);
});

test('values and names are offered while the text is typed', async ({ page, app }) => {
  await openSlipShed(page, app);
  await textAt(page, '"space": "');
  await page.keyboard.press('Control+Space');
  await expect(page.getByRole('option', { name: '"solid"', exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
});
