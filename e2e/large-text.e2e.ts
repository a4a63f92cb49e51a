import { expect, openSlipShed, test } from './application.js';
import config from './playwright.config.js';
import { reachesAll } from './reach.js';

// A reader who has set text twice as large in the browser
const { launchOptions } = config.use!;
test.use({
  launchOptions: {
    ...launchOptions,
    args: [...(launchOptions?.args ?? []), '--blink-settings=defaultFontSize=32'],
  },
});

test('with text twice as large everything can be reached, and labels of the stage are as large', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const label = page.locator('app-stage .label').first();
  await expect(label).toBeVisible();
  expect(
    await label.evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize)),
  ).toBeCloseTo(24, 0);
  await reachesAll(page);
});
