import { expect, ledgerValue, openSlipShed, test } from './application.js';
import { reachesAll } from './reach.js';

for (const [width, height] of [
  [900, 700],
  [700, 700],
  [640, 400],
] as const)
  test(`everything can be reached at ${width} × ${height}, and the stage keeps half the width`, async ({
    page,
    app,
  }) => {
    await page.setViewportSize({ width, height });
    await openSlipShed(page, app);
    await reachesAll(page);
  });

test('at 2560 × 1440 the room goes to the stage', async ({ page, app }) => {
  await page.setViewportSize({ width: 2560, height: 1440 });
  await openSlipShed(page, app);
  const stage = (await page.locator('app-stage').boundingBox())!;
  expect(stage.width).toBeGreaterThan(0.7 * 2560);
  expect(stage.height).toBeGreaterThan(0.8 * 1440);
  await expect(ledgerValue(page, 'Apex deflection')).toBeVisible();
});

test('nothing jumps where something is switched on or wrong', async ({ page, app }) => {
  await openSlipShed(page, app);
  const places = () =>
    page.evaluate(() =>
      ['app-stage', 'aside', 'app-alternatives-strip', 'app-leaves'].map((name) => {
        const { top, bottom, left, right } = document.querySelector(name)!.getBoundingClientRect();
        return [name, top, bottom, left, right].join(' ');
      }),
    );
  const before = await places();
  await page.getByLabel('deformed', { exact: true }).check();
  expect(await places()).toEqual(before);
  await page.getByLabel('sections', { exact: true }).check();
  expect(await places()).toEqual(before);
  const span = page.getByRole('textbox', { name: 'Span', exact: true });
  await span.fill('22 m +');
  await span.press('Enter');
  await expect(
    page.locator('app-parameter-row .problem, app-parameter-row [role=alert]').first(),
  ).toBeVisible();
  expect(await places()).toEqual(before);
});
