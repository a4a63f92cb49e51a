import {
  calculated,
  card,
  cardNumbers,
  choose,
  expect,
  openSlipShed,
  test,
  typeParameter,
} from './application.js';
import type { Page } from '@playwright/test';

async function act(page: Page, title: string, action: string): Promise<void> {
  const actions = page.getByRole('button', { name: `Actions for ${title}` });
  // A new card is scrolled to; a menu opened before that has ended would close with the scrolling
  await expect(actions).toBeInViewport({ ratio: 1 });
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  // The menu of the step before fades out first
  await expect(page.getByRole('menuitem')).toHaveCount(0);
  await actions.click();
  await page.getByRole('menuitem', { name: action }).click();
}

test('add, rename, duplicate and remove, each undone and redone', async ({ page, app }) => {
  await openSlipShed(page, app);
  const cards = page.locator('app-alternatives-strip .card');
  await page.getByRole('button', { name: '+ alternative', exact: true }).click();
  await expect(cards).toHaveCount(5);
  await act(page, 'New alternative', 'Rename');
  const field = page.getByRole('textbox', { name: 'Name of the alternative', exact: true });
  await field.fill('Spring bases');
  await field.press('Enter');
  await expect(card(page, 'Spring bases')).toBeVisible();
  await act(page, 'Spring bases', 'Duplicate');
  await expect(card(page, 'Spring bases 2')).toBeVisible();
  await act(page, 'Spring bases 2', 'Remove');
  await expect(cards).toHaveCount(5);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(cards).toHaveCount(6);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(cards).toHaveCount(4);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+y');
  await expect(card(page, 'Spring bases 2')).toBeVisible();
});

test('a support changed in one alternative leaves the others alone', async ({ page, app }) => {
  await openSlipShed(page, app);
  const before = await cardNumbers(page);
  await page.getByRole('radio', { name: 'Pinned bases', exact: true }).click();
  await choose(page, 'Bases', 'turning on springs');
  await calculated(page);
  await expect.poll(async () => (await cardNumbers(page)).slice(3, 6)).not.toEqual(before.slice(3, 6));
  const after = await cardNumbers(page);
  expect(after.slice(0, 3)).toEqual(before.slice(0, 3));
  expect(after.slice(6)).toEqual(before.slice(6));
});

test('a hinge added in one alternative is drawn there only', async ({ page, app }) => {
  await openSlipShed(page, app);
  const before = await cardNumbers(page);
  await choose(page, 'Apex', 'hinged');
  await expect.poll(async () => (await cardNumbers(page)).slice(0, 3)).not.toEqual(before.slice(0, 3));
  await expect.poll(async () => (await cardNumbers(page)).slice(3)).toEqual(before.slice(3));
});

test('a hinge too many is a sentence that names what moves, and the others stay calculated', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await page.getByRole('radio', { name: 'Three hinges', exact: true }).click();
  await choose(page, 'Eaves', 'hinged');
  const alert = page.locator('app-stage [role=alert]');
  await expect(alert).toContainText('can move without resistance');
  await expect(alert).toContainText('along X');
  await expect(alert).toContainText('Hold');
  await expect(card(page, 'Fixed bases').locator('dd').first()).toHaveText(/^\s*0\.\d+\s*$/);
});

test('a parameter can be changed in one alternative only, and follow the design again', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const before = await cardNumbers(page);
  await page.getByText('Fixed bases alone', { exact: true }).click();
  await typeParameter(page, 'eaves', '8 m');
  await expect.poll(async () => (await cardNumbers(page)).slice(0, 3)).not.toEqual(before.slice(0, 3));
  await expect.poll(async () => (await cardNumbers(page)).slice(3)).toEqual(before.slice(3));
  await page.getByRole('button', { name: 'Eaves height: follow the design again', exact: true }).click();
  await expect.poll(() => cardNumbers(page)).toEqual(before);
});

test('the keyboard alone goes through the alternatives', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('radio', { name: 'Fixed bases', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Pinned bases', exact: true })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  await expect(page.locator('.caption')).toContainText('Pinned bases');
  const slider = page.getByRole('slider', { name: 'Span', exact: true });
  await slider.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('#p-span')).toHaveValue(/^22\.1\sm$/);
});
