import type { Locator, Page } from '@playwright/test';
import { calculated, expect, test, type Application } from './application.js';

/** A demo design: what is dragged, by how many steps, and what must follow it. */
interface Demo {
  readonly title: string;
  readonly alternatives: number;
  /** Name of the parameter, its field's text before and after ten steps of the arrow key. */
  readonly parameter: string;
  readonly before: RegExp;
  readonly after: RegExp;
  /** A figure that follows. */
  readonly figure: string;
}

const demos: readonly Demo[] = [
  {
    title: 'Slip shed',
    alternatives: 4,
    parameter: 'span',
    before: /^22\sm$/,
    after: /^23\sm$/,
    figure: 'Apex deflection',
  },
  {
    title: 'Quay arch',
    alternatives: 12,
    parameter: 'span',
    before: /^34\sm$/,
    after: /^39\sm$/,
    figure: 'Thrust',
  },
  {
    title: 'Lookout tower',
    alternatives: 4,
    parameter: 'storey_height',
    before: /^3\.3\sm$/,
    after: /^4\.3\sm$/,
    figure: 'Drift of a storey',
  },
  {
    title: 'Winch bed',
    alternatives: 3,
    parameter: 'bed_length',
    before: /^2\.8\sm$/,
    after: /^3\.3\sm$/,
    figure: 'First frequency',
  },
  {
    title: 'Boat hall',
    alternatives: 3,
    parameter: 'span',
    before: /^17\sm$/,
    after: /^18\sm$/,
    figure: 'Sway across',
  },
];

async function open(page: Page, app: Application, title: string): Promise<string> {
  const list = (await (await page.request.get(`${app.url}/api/designs`)).json()) as {
    id: string;
    title: string;
  }[];
  const original = list.find((design) => design.title === title)!;
  const copy = await page.request.post(`${app.url}/api/designs/${original.id}/duplicate`);
  const { id } = (await copy.json()) as { id: string };
  await page.goto(`${app.url}/designs/${id}`);
  return id;
}
const row = (page: Page, figure: string): Locator =>
  page.locator('app-ledger tr').filter({ has: page.getByRole('rowheader', { name: figure, exact: true }) });

for (const { title, alternatives, parameter, before, after, figure } of demos)
  test(`${title}: a changed parameter moves the frame, what is attached to it, and its figures`, async ({
    page,
    app,
  }) => {
    // Second order in space, three to four alternatives, on two processors
    test.setTimeout(180_000);
    await open(page, app, title);
    await calculated(page, 90_000);
    await expect(
      page.getByRole('radiogroup', { name: 'Alternatives', exact: true }).getByRole('radio'),
    ).toHaveCount(alternatives);
    const field = page.locator(`#p-${parameter}`);
    await expect(field).toHaveValue(before);
    const was = await row(page, figure).innerText();
    const loads = await page.locator('app-ledger .balance').innerText();
    const picture = await page.locator('app-stage canvas').screenshot();
    await field.focus();
    for (let i = 0; i < 10; i++) await field.press('ArrowUp');
    await expect(field).toHaveValue(after);
    await calculated(page, 90_000);
    // The figure, the sum of the loads and the picture follow
    await expect.poll(() => row(page, figure).innerText(), { timeout: 90_000 }).not.toBe(was);
    expect(await page.locator('app-ledger .balance').innerText()).not.toBe(loads);
    expect((await page.locator('app-stage canvas').screenshot()).equals(picture)).toBe(false);
    // In second order as far as its iterations go
    const gap = /gap (\S+) of/.exec(await page.locator('app-ledger .balance + p').innerText())![1]!;
    expect(Number(gap)).toBeLessThan(1e-5);
  });
