import { calculated, choose, expect, ledgerValue, openSlipShed, test } from './application.js';

test('what a step is for is pointed at on the stage, and its pattern is chosen by its picture', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await page.getByText('+ step').click();
  await page.locator('app-new-step').getByRole('button', { name: 'Divide', exact: true }).click();
  const draft = page.locator('app-new-step .draft');
  await draft.getByRole('button', { name: 'point at members', exact: true }).click();
  const pointing = page.getByRole('status', { name: 'Pointing', exact: true });
  await expect(pointing).toContainText('Members: press members on the stage');
  await page.locator('app-stage').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(draft.getByLabel('Members', { exact: true })).toHaveValue(
    /role == "(column|rafter)" and side == "left"/,
  );
  // The selection bar gives way while it is pointed
  await expect(page.getByRole('region', { name: 'Selection', exact: true })).toHaveCount(0);
  await pointing.getByRole('button', { name: 'done', exact: true }).click();
  await expect(pointing).toHaveCount(0);
  await draft.getByRole('button', { name: 'back to the cards', exact: true }).click();
  // What matches nothing is told at its field
  await page.locator('app-new-step').getByRole('button', { name: 'Brace panels', exact: true }).click();
  const patterns = draft.getByRole('radiogroup', { name: 'Pattern', exact: true });
  await expect(patterns.getByRole('img')).toHaveCount(0);
  await patterns.getByText('chevron', { exact: true }).click();
  await expect(patterns.getByRole('radio', { name: 'chevron', exact: true })).toBeChecked();
  await draft.getByLabel('Panels', { exact: true }).fill('role == "purlin"');
  await draft.getByLabel('Panels', { exact: true }).press('Enter');
  await expect(draft.locator('[id$="-panels-problem"]')).toBeVisible();
});

test('a support is given by direction, beginning from what is there, and is drawn as what it is', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const sway = await ledgerValue(page, 'Eaves sway').innerText();
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  await page.locator('app-rules-leaf .rule').filter({ hasText: 'Bases' }).first().locator('.head').click();
  const form = page.locator('app-rule-form');
  await choose(page, 'support', 'each by itself');
  const parts = form.getByRole('group', { name: 'support, in parts', exact: true });
  // Clamped as it was: the three directions of the plane, all held
  for (const direction of ['along x', 'up and down', 'turning about y'])
    await expect(parts.getByLabel(direction, { exact: true })).toHaveText('held');
  await choose(page, 'turning about y', 'spring');
  await expect(page.locator('app-rules-leaf')).toContainText('spring of 1 MN m/rad turning about y');
  await calculated(page);
  await expect(ledgerValue(page, 'Eaves sway')).not.toHaveText(sway);
});

test('a trace leads to the member and to another section for it', async ({ page, app }) => {
  await openSlipShed(page, app);
  await ledgerValue(page, 'Utilisation').click();
  const trace = page.locator('app-trace-panel [role=dialog]');
  await expect(trace).toContainText(/under U1/);
  await expect(trace).toContainText('My,Ed / Mc,y,Rd ≤ 1');
  await expect(trace).toContainText('Its forces from the analysis');
  await trace.getByRole('button', { name: 'change its section', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Selection', exact: true })).toContainText('left column');
  await expect(page.getByRole('combobox', { name: 'Give a section', exact: true })).toBeFocused();
});
