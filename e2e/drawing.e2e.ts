import { Designer } from './designer.js';
import { calculated, expect, ledgerValue, openSlipShed, saved, test, typeParameter } from './application.js';

test('a member is drawn from a third of a column to the other corner, and stays attached when the span changes', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const mass = async () => Number(/\d+/.exec(await ledgerValue(page, 'Steel mass').innerText())![0]);
  const before = await mass();
  await page.getByRole('button', { name: 'draw', exact: true }).click();
  const stage = page.locator('app-stage');
  const words = page.getByRole('status', { name: 'Drawing', exact: true });
  await stage.focus();
  // The keyboard reads along the left column from its base
  for (let i = 0; i < 7; i++) await page.keyboard.press('ArrowRight');
  await expect(words).toContainText('1/3 of left column');
  await page.keyboard.press('Enter');
  await page.keyboard.press('PageDown');
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
  await expect(words).toContainText('A member from 1/3 of left column to');
  await expect(words).toContainText(/to (right eaves|apex)/);
  const apex = (await words.innerText()).includes('apex');
  await page.keyboard.press('Enter');
  await calculated(page);
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await expect(page.locator('app-recipe-leaf').getByText('Drawn member')).toBeVisible();
  // IPE 200 has 22.4 kg/m (EN 10365); the columns are 6.4 m, the apex 1.74 m above them in the middle of 22 m
  const length = (span: number) =>
    apex
      ? Math.hypot(span / 2, (6.4 * 2) / 3 + (span / 2) * Math.tan((9 * Math.PI) / 180))
      : Math.hypot(span, (6.4 * 2) / 3);
  expect(Math.abs((await mass()) - before - 22.4 * length(22))).toBeLessThan(4);
  await saved(page);
  await page.getByRole('button', { name: 'stop drawing', exact: true }).click();
  await expect(words).toHaveCount(0);
  await page.getByRole('tab', { name: 'Parameters', exact: true }).click();
  await typeParameter(page, 'span', '26 m');
  await calculated(page);
  await expect(page.locator('app-stage [role=alert]')).toHaveCount(0);
});

test('a frame is drawn from nothing: typed, pressed on the sheet, and attached to what stands there', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/designs/new`);
  await page.getByRole('button', { name: /^Empty sheet, plane/ }).click();
  await page.getByRole('button', { name: 'draw', exact: true }).click();
  const words = page.getByRole('status', { name: 'Drawing', exact: true });
  const type = async (text: string) => {
    await words.getByRole('textbox').fill(text);
    await words.getByRole('textbox').press('Enter');
  };
  await type('0, 0');
  await expect(words).toContainText('A member from 0 m, 0 m to');
  await expect(
    words.getByRole('textbox', { name: 'Length or coordinates of the end', exact: true }),
  ).toBeFocused();
  await type('0, 4');
  // IPE 200 has 22.4 kg/m (EN 10365)
  await expect(ledgerValue(page, 'Steel mass')).toHaveText(/8\d(\.\d+)?\skg/);
  // From the column's head to a place beside the frame, which is a multiple of half a metre
  const box = (await page.locator('app-stage').boundingBox())!;
  await page.locator('app-stage').focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
  await expect(words).toContainText('begins at point 2');
  await page.keyboard.press('Enter');
  await expect(words).toContainText('A member from point 2 to');
  await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.5);
  await expect(words).toContainText(/to x \d+(\.5)? m, z -?\d+(\.5)? m/);
  // Escape gives the beginning up, and draws nothing to where the pointer happens to be
  await page.keyboard.press('Escape');
  await expect(words).toContainText('A member begins at');
  await expect(ledgerValue(page, 'Steel mass')).toHaveText(/8\d(\.\d+)?\skg/);
  await page.keyboard.press('PageDown');
  await expect(words).toContainText('begins at point 1');
  await page.keyboard.press('Enter');
  await expect(words).toContainText('A member from point 1 to');
  await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.45);
  await expect(words).toContainText(/to x \d+(\.5)? m/);
  const reach = Number(/to x ([\d.]+) m/.exec(await words.innerText())![1]);
  expect(reach).toBeGreaterThan(0.5);
  await page.mouse.down();
  await page.mouse.up();
  // What nothing holds and nothing loads is no error: it vibrates
  await expect(ledgerValue(page, 'Steel mass')).not.toHaveText(/8\d(\.\d+)?\skg/);
  await page.getByRole('button', { name: 'stop drawing', exact: true }).click();
  await expect(page.locator('app-stage')).not.toContainText('Not calculated');
  await expect(page.locator('app-legend')).toContainText('a free body; its motions as a whole are left out');
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await expect(page.locator('app-recipe-leaf section.step')).toHaveCount(2);
});

test('points of a line are dragged, moved by keys, added and removed on the stage, each undone by one press', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Portal');
  await designer.firstOrder();
  await designer.step('Lines', { Points: '0, 3; 4, 3; 4, 5', Role: 'mezzanine' });
  await designer.sound();
  const handles = page.getByRole('button', { name: /^Point \d$/ });
  await expect(handles).toHaveCount(3);
  const points = page.getByLabel('Points', { exact: true });
  const box = (await handles.nth(2).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 5; i++) await page.mouse.move(x + 8 * i, y);
  await page.mouse.up();
  await expect(points).not.toHaveValue('0 m, 3 m; 4 m, 3 m; 4 m, 5 m');
  await expect(points).toHaveValue(/^0 m, 3 m; 4 m, 3 m; [5-9]\.?\d* m, 5 m$/);
  await page.keyboard.press('Control+z');
  await expect(points).toHaveValue('0 m, 3 m; 4 m, 3 m; 4 m, 5 m');
  await handles.nth(2).focus();
  await page.keyboard.press('ArrowUp');
  await expect(points).toHaveValue('0 m, 3 m; 4 m, 3 m; 4 m, 5.1 m');
  await handles.nth(1).focus();
  await page.keyboard.press('Insert');
  await expect(handles).toHaveCount(4);
  await expect(points).toHaveValue('0 m, 3 m; 4 m, 3 m; 4 m, 4.05 m; 4 m, 5.1 m');
  await handles.nth(2).focus();
  await page.keyboard.press('Delete');
  await expect(handles).toHaveCount(3);
  await designer.sound();
});
