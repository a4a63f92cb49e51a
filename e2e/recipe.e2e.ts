import { calculated, cardNumbers, choose, expect, openSlipShed, test } from './application.js';
import type { Page } from '@playwright/test';

/** Opens a copy of the hall, the solid demo design. */
async function openHall(page: Page, url: string): Promise<void> {
  const list = (await (await page.request.get(`${url}/api/designs`)).json()) as {
    id: string;
    title: string;
  }[];
  await page.goto(`${url}/designs/${list.find(({ title }) => title === 'Boat hall')!.id}`);
  // Second order of sixty load steps in space takes a while
  await expect(page.locator('app-design-screen .label.plum').first()).toBeVisible({ timeout: 60_000 });
}

test('steps are added, changed by their form, switched off and taken back', async ({ page, app }) => {
  await openSlipShed(page, app);
  const before = await cardNumbers(page);
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await expect(page.locator('app-recipe-leaf')).toContainText('22 m × 6.4 m, duo-pitch 9°');
  await page.getByText('+ step').click();
  await page.getByRole('button', { name: /^Divide/ }).click();
  await expect(page.getByText('a step that is not added yet')).toBeVisible();
  await page.getByRole('button', { name: 'add to the recipe', exact: true }).click();
  await expect(page.locator('app-recipe-leaf')).toContainText('in 2 parts');
  await calculated(page);
  // Pieces of a member stay one for the checks
  await expect.poll(async () => (await cardNumbers(page)).slice(1, 3)).toEqual(before.slice(1, 3));
  // What it divides is chosen by a chip, which says the same as the text
  const step = page.locator('app-recipe-leaf section.step').filter({ hasText: 'in 2 parts' });
  const members = step.getByLabel('Members', { exact: true });
  await members.fill('role == "rafter"');
  await members.press('Enter');
  await choose(page, 'Value of role', 'column');
  await expect(members).toHaveValue('role == "column"');
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  for (const value of ['role == "rafter"', '']) {
    await undo.click();
    await expect(members).toHaveValue(value);
  }
  await page.keyboard.press('Control+z');
  await expect(page.locator('app-recipe-leaf')).not.toContainText('in 2 parts');
});

test('rules tell what they give, where, and to how many', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  const leaf = page.locator('app-rules-leaf');
  await expect(leaf).toContainText('HEB 300 in S355');
  await expect(leaf).toContainText('columns on the left');
  await expect(leaf).toContainText('0.7 × 4.125 kN/m along x');
});

test('a factor of a combination is changed and reaches the numbers', async ({ page, app }) => {
  await openSlipShed(page, app);
  const before = await cardNumbers(page);
  await page.getByRole('tab', { name: 'Loads', exact: true }).click();
  const field = page.getByLabel('Factor on S in U1', { exact: true });
  await field.fill('1.75');
  await field.press('Enter');
  await calculated(page);
  await expect.poll(async () => (await cardNumbers(page))[6]).not.toBe(before[6]);
});

test('a solid frame is seen from four sides and sliced', async ({ page, app }) => {
  test.setTimeout(120_000);
  await openHall(page, app.url);
  // The graphics card's picture, as the browser composes it
  const picture = async () =>
    (await page.locator('app-design-screen app-stage').screenshot()).toString('base64');
  const oblique = await picture();
  for (const view of ['front', 'side', 'plan']) {
    await page.getByText(view, { exact: true }).click();
    await expect.poll(picture).not.toBe(oblique);
    await expect(page).toHaveURL(new RegExp(`view=${view}`));
  }
  await choose(page, 'Slice of the frame', 'whole');
  await expect(page).toHaveURL(/slice=whole/);
  const whole = await picture();
  await choose(page, 'Slice of the frame', 'row 3');
  await expect.poll(picture).not.toBe(whole);
  await expect(page).toHaveURL(/slice=row:3/);
});

test('a step is dragged to another place, and drawing is finished by a typed length', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  const titles = () => page.locator('app-recipe-leaf .step strong').allTextContents();
  await page.locator('app-recipe-leaf .step').first().getByRole('button').first().click();
  await page.getByRole('button', { name: 'duplicate', exact: true }).click();
  await page.locator('app-recipe-leaf .step').nth(1).getByRole('button').first().click();
  const before = await titles();
  const [first, last] = [page.locator('.grip').first(), page.locator('.grip').last()];
  const from = (await first.boundingBox())!;
  const to = (await last.boundingBox())!;
  await page.mouse.move(from.x + 5, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 5, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + 5, to.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect.poll(titles).toEqual([...before.slice(1), before[0]]);
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'draw', exact: true }).click();
  const stage = page.getByRole('application', { name: 'Fixed bases, stage', exact: true });
  await stage.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(page.locator('app-draw-member-bar')).toContainText('1/2 of left column');
  await page.keyboard.press('Enter');
  const end = page.getByLabel('Length or coordinates of the end', { exact: true });
  await end.fill('3 kN');
  await end.press('Enter');
  await expect(page.locator('app-draw-member-bar')).toContainText('needs a value in m');
  await end.fill('2.5');
  await end.press('Enter');
  await page.getByRole('button', { name: 'stop drawing', exact: true }).click();
  await expect.poll(titles).toHaveLength(before.length);
  await expect(page.locator('app-recipe-leaf')).toContainText('Drawn member');
});
