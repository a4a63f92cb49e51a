import { AxeBuilder } from '@axe-core/playwright';
import { readFile } from 'node:fs/promises';
import { choose, expect, openSlipShed, test } from './application.js';
import type { Page } from '@playwright/test';
import type { Design } from '@hashira/core';

async function openComparison(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Comparison', exact: true }).click();
  await expect(page.locator('app-figures-table tbody button.value').first()).toBeVisible();
}

const row = (page: Page, figure: string) =>
  page.locator('app-figures-table tbody tr').filter({
    has: page.locator('.title', {
      hasText: new RegExp(`^${figure.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`),
    }),
  });
const stages = (page: Page) => page.locator('app-comparison-stages section');
/** The demo shed as it is stored. */
async function shedDocument(app: { readonly url: string }): Promise<Design> {
  const list = (await (await fetch(`${app.url}/api/designs`)).json()) as { id: string; title: string }[];
  const { id } = list.find(({ title }) => title === 'Slip shed')!;
  return ((await (await fetch(`${app.url}/api/designs/${id}`)).json()) as { document: Design }).document;
}

async function store(app: { readonly url: string }, design: Design): Promise<string> {
  const headers = { 'Content-Type': 'application/json' };
  const made = await fetch(`${app.url}/api/designs`, {
    method: 'POST',
    headers,
    body: JSON.stringify(design),
  });
  return ((await made.json()) as { id: string }).id;
}

const noViolations = async (page: Page) =>
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

test('stages show the same load case over a table with differences and what is best', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await expect(stages(page).locator('app-stage')).toHaveCount(4);
  await expect(stages(page).locator('h2')).toContainText(['U1', 'U1', 'U1', 'U1']);
  const boxes = await stages(page)
    .locator('app-stage')
    .evaluateAll((all) => all.map((stage) => [stage.clientWidth, stage.clientHeight].join('×')));
  expect(new Set(boxes.map((box) => box.split('×')[1])).size).toBe(1);
  // The reference has no differences, a pinned base no moment
  const moments = row(page, 'Moment at a base').locator('td');
  await expect(moments.first().locator('.difference')).toHaveCount(0);
  for (const k of [1, 2, 3]) await expect(moments.nth(k).locator('.difference')).toHaveText('−100 %');
  await expect(row(page, 'Apex deflection').locator('.place')).toHaveText('apex, C1');
  await expect(row(page, 'Eaves sway').locator('td .word')).toHaveText(['best', 'worse', 'worse', 'worse']);
  await expect(row(page, 'Bases').locator('td.differs')).toHaveCount(3);
  await noViolations(page);
});

test('another reference turns the differences', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await choose(page, 'Differences to', 'Three hinges');
  await expect(row(page, 'Utilisation').locator('td').nth(2).locator('.difference')).toHaveCount(0);
  await expect(row(page, 'Utilisation').locator('.difference').first()).toHaveText(/^\s*−/);
});

test('figures of the shown load case alone', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await choose(page, 'What is shown', 'G Own weight and roofing');
  const value = row(page, 'Vertical reaction').locator('button.value').first();
  const governing = await value.innerText();
  await page.getByText('G only').click();
  await expect(value).not.toHaveText(governing);
});

test('one camera: zooming one stage zooms them all', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  const labels = () =>
    stages(page)
      .locator('app-stage')
      .evaluateAll((all) =>
        all.map((stage) => {
          const label = stage.querySelector('.label.moss');
          return label ? getComputedStyle(label).transform : '';
        }),
      );
  await expect.poll(async () => (await labels()).every((text) => text !== '')).toBe(true);
  const before = await labels();
  const box = (await stages(page).locator('app-stage').first().boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.wheel(0, 200);
  await expect.poll(async () => (await labels()).every((text, i) => text !== before[i])).toBe(true);
});

test('few stand large, one over the reference, and the address keeps it', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  for (const name of ['Three hinges', 'Pinned with haunches'])
    await page.getByRole('checkbox', { name: `${name} on a large stage` }).uncheck();
  await expect(stages(page)).toHaveCount(2);
  await page.getByLabel('lay over the reference').check();
  await expect(stages(page)).toHaveCount(1);
  await expect(stages(page).locator('.differs')).toHaveText(/Bases: pinned\s+over Fixed bases, faint/);
  // Reactions and values are whole: nothing of them leaves the sheet
  const cut = await stages(page)
    .locator('app-stage')
    .evaluate((stage) => {
      const sheet = stage.getBoundingClientRect();
      return Array.from(stage.querySelectorAll('.label')).filter((label) => {
        const { left, right, top, bottom } = label.getBoundingClientRect();
        return left < sheet.left || right > sheet.right || top < sheet.top || bottom > sheet.bottom;
      }).length;
    });
  expect(cut).toBe(0);
  await expect(page).toHaveURL(/large=fixed(,|%2C)pinned.*overlay=1|overlay=1.*large=fixed(,|%2C)pinned/);
  await noViolations(page);
  await page.reload();
  await expect(stages(page)).toHaveCount(1);
});

test('rows are sorted by how much they differ, kept on top, and hidden', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  const figures = page.locator('app-figures-table tbody').filter({ hasText: /^\s*figures/ });
  await expect(figures.locator('.title').first()).toHaveText('Utilisation');
  await choose(page, 'Order of the rows', 'by how much they differ');
  await expect(figures.locator('.title').first()).toHaveText('Moment at a base');
  await page.getByRole('button', { name: 'Actions for Steel mass' }).click();
  await page.getByText('Steel mass: keep on top').click();
  await expect(page.locator('app-figures-table tbody').first()).toContainText('kept on top');
  await page.getByRole('button', { name: 'Actions for Utilisation' }).first().click();
  await page.getByText('Utilisation: hide').click();
  await expect(row(page, 'Utilisation')).toHaveCount(0);
  await page.getByRole('button', { name: '1 row is hidden: show' }).click();
  await expect(row(page, 'Utilisation')).toHaveCount(1);
});

test('foundations open to all directions, and the table is a CSV', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await page.getByRole('button', { name: 'left base, greatest upwards, all directions' }).click();
  const part = page.locator('tr.part').filter({ hasText: 'moment about Y, greatest' });
  await expect(part.locator('td').first()).toHaveText(/kN·m/);
  await expect(part.locator('td').nth(1)).toHaveText('–');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'as CSV' }).click();
  const csv = await readFile(await (await download).path(), 'utf8');
  expect(csv.split('\r\n')[0]).toBe('figure,unit,Fixed bases,Pinned bases,Three hinges,Pinned with haunches');
});

test('a decision and its reason are kept in the design and shown on the list', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await page.getByRole('button', { name: 'decide …' }).click();
  await choose(page, 'Decide for', 'Pinned with haunches');
  await page.getByLabel('Why').fill('Footings without moment, sway as asked');
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await expect(page.locator('app-decision')).toContainText('Decided: Pinned with haunches');
  await expect(stages(page).filter({ hasText: 'Pinned with haunches' }).locator('.decided')).toBeVisible();
  await expect(page.locator('app-workspace-state')).toContainText(/Saved/);
  await page.reload();
  await expect(page.locator('app-decision')).toContainText('Footings without moment');
  await page.goto(`${app.url}/designs`);
  await expect(page.locator('tr').filter({ hasText: 'Slip shed' }).first()).toContainText(
    'decided: Pinned with haunches',
  );
});

test('charts: two figures as points, all as lines, one as bars', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await page.getByText('Charts', { exact: true }).click();
  const bars = page.locator('app-comparison-charts .bars .plot');
  await expect(bars.locator('svg')).toBeVisible();
  await choose(page, 'Figure as bars', 'Moment at a base');
  await expect(bars).toHaveAttribute(
    'aria-label',
    /Moment at a base: Fixed bases −214\skN·m, Pinned bases 0/,
  );
  await expect(page.locator('app-comparison-charts .points .plot svg')).toContainText('Three hinges');
  await expect(page.locator('app-comparison-charts .lines .plot svg')).toContainText('reference');
  await noViolations(page);
});

test('a difference opens to where it comes from, drawn on both frames', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  const button = row(page, 'Eaves sway')
    .getByRole('button', { name: /where it comes from/ })
    .first();
  await button.click();
  const panel = page.getByRole('region', { name: /Eaves sway/ });
  await expect(panel.getByRole('row', { name: /right column bending/ })).toBeVisible();
  await expect(stages(page)).toHaveCount(2);
  await expect(stages(page).nth(1).locator('.bands text').first()).toHaveText(/mm/);
  await noViolations(page);
  await page.keyboard.press('Escape');
  await expect(panel).toBeHidden();
  await expect(stages(page)).toHaveCount(4);
  await expect(button).toBeFocused();
});

test('modes side by side, paired by likeness, moving in step', async ({ page, app }) => {
  await openSlipShed(page, app);
  await openComparison(page);
  await page.getByText('Modes and buckling').click();
  const table = page.locator('app-shapes-table');
  await table.getByRole('button', { name: '1 sway' }).click();
  await expect(table.locator('tbody tr').first()).toContainText(/→ .*\sHz.*MAC 0\.9/);
  await expect(stages(page).locator('h2').nth(1)).toContainText(/Hz, MAC 0\.\d\d, sway/);
  await page.getByLabel('Marked up to, Hz').fill('3');
  await page.keyboard.press('Tab');
  await expect(table.locator('tbody tr').first().locator('.in-band')).toHaveCount(3);
  await page.getByRole('button', { name: 'hold' }).click();
  await noViolations(page);
});

test('trains: influence lines, the whole train as it travels, and where it stands', async ({ page, app }) => {
  const document = await shedDocument(app);
  document.rules.push({
    id: 'wheels',
    title: 'Hoist under the rafters',
    members: 'role == "rafter" and side == "left"',
    train: { case: 'G', forces: ['10 kN', '10 kN'], gaps: ['2 m'], direction: '-z' },
  });
  const id = await store(app, {
    ...document,
    title: 'Hoist shed',
    analysis: { ...document.analysis, order: 1 },
  });
  await page.goto(`${app.url}/designs/${id}/compare`);
  await page.getByText('Trains', { exact: true }).click();
  const trains = page.locator('app-trains');
  await expect(trains.locator('.words')).toHaveCount(4, { timeout: 60_000 });
  await expect(trains.locator('.words').first()).toContainText('My in left rafter');
  await expect(trains.locator('.plot svg')).toHaveCount(3);
  await expect(stages(page).first().locator('app-arrows path')).toHaveCount(2);
  const before = await stages(page).first().locator('app-arrows path').first().getAttribute('d');
  await page.getByRole('slider', { name: 'Place of the first force' }).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft');
  await expect(stages(page).first().locator('app-arrows path').first()).not.toHaveAttribute('d', before!);
  await choose(page, 'What is read', 'Horizontal reaction, where it is worst');
  await expect(trains.locator('.words').first()).toContainText('Horizontal reaction at');
  await noViolations(page);
});

test('an alternative that is a mechanism is drawn as one, and the rest compares', async ({ page, app }) => {
  await openSlipShed(page, app);
  const document = await shedDocument(app);
  const loose: Design = {
    ...document,
    title: 'Loose shed',
    choices: [
      ...document.choices,
      {
        id: 'slide',
        title: 'Footings',
        options: [
          { id: 'held', title: 'held', changes: {} },
          {
            id: 'sliding',
            title: 'sliding',
            changes: { rules: [{ id: 'slide', nodes: 'place == "base"', support: 'roller' }] },
          },
        ],
      },
    ],
    alternatives: document.alternatives.map((one) =>
      one.id === 'pinned' ? { ...one, picks: { ...one.picks, slide: 'sliding' } } : one,
    ),
  };
  const id = await store(app, loose);
  await page.goto(`${app.url}/designs/${id}/compare`);
  const stage = stages(page).filter({ hasText: 'Footings: sliding' });
  await expect(stage.getByRole('alert')).toContainText('Not calculated');
  await expect(row(page, 'Utilisation').locator('td').nth(1)).toHaveText('mechanism');
  await expect(row(page, 'Utilisation').locator('td').nth(2)).toContainText('%');
});
