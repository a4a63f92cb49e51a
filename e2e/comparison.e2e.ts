import { AxeBuilder } from '@axe-core/playwright';
import { choose, expect, openSlipShed, test } from './application.js';
import type { Page } from '@playwright/test';

async function openComparison(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Comparison', exact: true }).click();
  await expect(page.locator('app-comparison-screen tbody button').first()).not.toHaveText('–');
}

const row = (page: Page, figure: string) =>
  page.locator('app-comparison-screen tbody tr').filter({ hasText: figure });

test('equal stages show the same load case over a table with differences', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await expect(page.locator('app-comparison-screen app-stage')).toHaveCount(4);
  await expect(page.locator('app-comparison-screen section h2')).toContainText(['U1', 'U1', 'U1', 'U1']);
  const boxes = await page
    .locator('app-comparison-screen app-stage')
    .evaluateAll((stages) => stages.map((stage) => [stage.clientWidth, stage.clientHeight].join('×')));
  expect(new Set(boxes.map((box) => box.split('×')[1])).size).toBe(1);
  const names = [
    'Utilisation',
    'Eaves sway',
    'Apex deflection',
    'Steel mass',
    'Buckling factor αcr',
    'Moment in columns',
    'Moment in rafters',
    'Moment at a base',
    'Horizontal reaction',
    'Vertical reaction',
  ];
  await expect(page.locator('tbody th')).toContainText(names);
  // The reference has no differences, a pinned base no moment
  await expect(row(page, 'Moment at a base').locator('.difference')).toHaveText([
    '',
    '−100 %',
    '−100 %',
    '−100 %',
  ]);
  await expect(row(page, 'Apex deflection').locator('.place')).toHaveText('apex, C1');
});

test('another reference turns the differences', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await choose(page, 'Differences to', 'Three hinges');
  await expect(row(page, 'Utilisation').locator('.difference').nth(2)).toHaveText('');
  await expect(row(page, 'Utilisation').locator('.difference').first()).toHaveText(/^−/);
});

test('figures of the shown load case alone', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await choose(page, 'What is shown', 'G Own weight and roofing');
  const governing = await row(page, 'Vertical reaction').getByRole('button').first().innerText();
  await page.getByText('G only').click();
  await expect(row(page, 'Vertical reaction').getByRole('button').first()).not.toHaveText(governing);
});

test('one camera: zooming one stage zooms them all', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  const labels = () =>
    page.locator('app-comparison-screen app-stage').evaluateAll((stages) =>
      stages.map((stage) => {
        const label = stage.querySelector('.label.moss');
        return label ? getComputedStyle(label).transform : '';
      }),
    );
  await expect.poll(async () => (await labels()).every((text) => text !== '')).toBe(true);
  const before = await labels();
  const box = (await page.locator('app-comparison-screen app-stage').first().boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.wheel(0, 200);
  await expect.poll(async () => (await labels()).every((text, i) => text !== before[i])).toBe(true);
});

test('a chart of two chosen figures', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  const chart = page.locator('app-figures-chart .chart');
  await expect(chart.locator('svg')).toBeVisible();
  await choose(page, 'Figure as bars', 'Moment at a base');
  await expect(chart).toHaveAttribute(
    'aria-label',
    /Moment at a base: Fixed bases −214\skN·m, Pinned bases 0/,
  );
  await expect(chart.locator('svg')).toContainText('Moment at a base, kN·m');
});

test('a difference opens to where it comes from', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  const button = row(page, 'Eaves sway')
    .getByRole('button', { name: /where it comes from/ })
    .first();
  await button.click();
  const panel = page.getByRole('dialog', { name: /Eaves sway/ });
  await expect(panel.getByRole('row', { name: /left column bending/ })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(panel).toBeHidden();
  await expect(button).toBeFocused();
});
