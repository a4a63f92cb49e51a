import type { Locator, Page } from '@playwright/test';
import { calculated, expect, ledgerValue, test } from './application.js';

/** Counts what a hand does: each press, and each text that is typed and confirmed. */
class Hand {
  actions = 0;

  constructor(private readonly page: Page) {}

  async press(what: Locator): Promise<void> {
    this.actions++;
    await what.click();
  }

  /** A button by its words. */
  button(words: string | RegExp, within: Page | Locator = this.page): Promise<void> {
    return this.press(within.getByRole('button', { name: words, exact: typeof words === 'string' }).first());
  }

  leaf(name: string): Promise<void> {
    return this.press(this.page.getByRole('tab', { name, exact: true }));
  }

  /** An entry of a menu that a button opens: two presses. */
  async choose(button: string, entry: string): Promise<void> {
    await this.button(button);
    await this.press(this.page.getByRole('menuitem', { name: entry, exact: true }));
  }

  /** An entry of a list that drops down: two presses. */
  async take(list: string, entry: string | RegExp): Promise<void> {
    await this.press(this.page.getByRole('combobox', { name: list, exact: true }));
    const option = this.page.getByRole('option', { name: entry, exact: true }).first();
    await this.press(option);
  }

  async type(field: Locator, text: string): Promise<void> {
    this.actions++;
    await field.fill(text);
    await field.press('Enter');
  }

  /** A press on the sheet, at a share of the way between two dimensions’ ends. */
  async pressAt(x: number, y: number): Promise<void> {
    this.actions++;
    await this.page.mouse.move(x - 1, y);
    await this.page.mouse.move(x, y);
    await this.page.waitForTimeout(400);
    await this.page.mouse.down();
    await this.page.mouse.up();
  }
}

test('a storey frame with X bracing in two bays takes at most 12 actions', async ({ page, app }) => {
  await page.goto(`${app.url}/designs`);
  const hand = new Hand(page);
  await hand.press(page.getByRole('link', { name: 'New design', exact: true }));
  await hand.press(page.locator('.card').filter({ has: page.getByText('Storey frame', { exact: true }) }));
  await calculated(page, 60_000);
  await hand.leaf('Recipe');
  await hand.press(page.getByText('+ step'));
  await hand.button('Brace panels', page.locator('app-new-step'));
  const draft = page.locator('app-new-step .draft');
  const panels = 'x <= 2 * bay_x and (role == "column" or role == "beam-x")';
  await hand.type(draft.getByLabel('Panels', { exact: true }), panels);
  await expect(draft.getByRole('alert')).toHaveCount(0);
  await hand.button('add to the recipe', draft);
  await calculated(page, 60_000);
  // Two crossing braces in each of two bays of three storeys and three rows, and their section
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  const braces = page.locator('app-rules-leaf .rule').filter({ hasText: 'Members of brace' });
  await expect(braces.locator('.number').first()).toHaveText('36');
  await expect(page.locator('app-stage')).not.toContainText('Not calculated');
  expect(hand.actions).toBeLessThanOrEqual(12);
  console.log(`storey frame with X bracing in two bays: ${hand.actions} actions`);
});

test('an arch that is tied as an option takes at most 20 actions', async ({ page, app }) => {
  await page.goto(`${app.url}/designs`);
  const hand = new Hand(page);
  await hand.press(page.getByRole('link', { name: 'New design', exact: true }));
  await hand.press(page.locator('.card').filter({ has: page.getByText('Arch', { exact: true }) }));
  await calculated(page, 60_000);
  await hand.leaf('Choices');
  const leaf = page.locator('app-choices-leaf');
  await hand.button('+ choice');
  await hand.press(
    leaf
      .locator('tbody')
      .filter({ has: page.getByRole('button', { name: 'Remove the choice New choice', exact: true }) })
      .getByRole('button', { name: '+ option', exact: true }),
  );
  await hand.press(leaf.getByTitle('Name of the option other, press to change'));
  await hand.type(leaf.getByRole('textbox', { name: 'Name of the option other', exact: true }), 'tied');
  await hand.press(leaf.getByRole('radio', { name: 'Two hinges, New choice: tied', exact: true }));
  await hand.button('record changes into this option');
  await hand.button('draw');
  const words = page.getByRole('status', { name: 'Drawing', exact: true });
  const span = (await page.getByRole('button', { name: /^Span \d/ }).boundingBox())!;
  const supports = await springings(page);
  await hand.pressAt(...supports[0]);
  await expect(words).toContainText('A member from left springing to');
  await hand.pressAt(...supports[1]);
  await expect(words).toContainText('A member begins');
  await hand.button('stop drawing');
  expect(span.width).toBeGreaterThan(0);
  await hand.pressAt(...(await springings(page))[1]);
  const bar = page.getByRole('region', { name: 'Selection', exact: true });
  await expect(bar).toContainText('right springing');
  await hand.choose('Give', 'support');
  await hand.take('support', 'roller');
  await hand.button('end');
  await calculated(page);
  await expect(page.locator('app-stage')).not.toContainText('Not calculated');
  // The roller holds nothing sideways: the tie carries what the springings pushed with
  await page.getByRole('tab', { name: 'Choices', exact: true }).click();
  await leaf.getByRole('button', { name: 'tied', exact: true }).first().click();
  await expect(leaf.locator('.detail')).toContainText('Drawn member');
  await expect(leaf.locator('.detail')).toContainText('roller');
  await expect(ledgerValue(page, 'Utilisation')).toHaveText(/\d/);
  expect(hand.actions).toBeLessThanOrEqual(20);
  console.log(`arch tied as an option: ${hand.actions} actions`);
});

/** Where the springings of the arch stand on the page: at both ends of the span's dimension line. */
async function springings(page: Page): Promise<[[number, number], [number, number]]> {
  const stage = (await page.locator('app-stage').boundingBox())!;
  const leaders = await page
    .locator('app-stage svg.lines path.leader')
    .evaluateAll((paths) => paths.map((path) => path.getAttribute('d') ?? ''));
  const numbers = leaders
    .flatMap((path) => [...path.matchAll(/M([\d.-]+)[ ,]([\d.-]+)/g)])
    .map(([, x, y]) => [Number(x), Number(y)] as const);
  const left = numbers.reduce((a, b) => (b[0] < a[0] ? b : a));
  const right = numbers.reduce((a, b) => (b[0] > a[0] ? b : a));
  return [left, right].map(([x, y]) => [stage.x + x, stage.y + y - 26]) as [
    [number, number],
    [number, number],
  ];
}

test('a load case, its load and combinations by the code take at most 10 actions', async ({ page, app }) => {
  const response = await page.request.post(`${app.url}/api/designs`, {
    data: {
      format: 'hashira-design',
      version: 2,
      title: 'Bare portal',
      space: 'plane',
      steps: [{ id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', roof: 'flat' }],
      rules: [
        { id: 's', members: 'true', section: 'HEB 300', material: 'S355' },
        { id: 'b', nodes: 'place == "base"', support: 'fixed' },
      ],
      loadCases: [{ id: 'G', title: 'Own weight', category: 'permanent', selfWeight: 1 }],
      alternatives: [{ id: 'a', title: 'A', picks: {} }],
      figures: [
        { id: 'm', title: 'Steel mass', kind: 'mass' },
        { id: 'u', title: 'Utilisation', kind: 'utilisation' },
      ],
    },
  });
  const { id } = (await response.json()) as { id: string };
  await page.goto(`${app.url}/designs/${id}`);
  await calculated(page);
  const hand = new Hand(page);
  await hand.leaf('Loads');
  await hand.choose('Add a load case', 'snow');
  await hand.choose('Add a load', 'load on members');
  const draft = page.locator('app-new-rule');
  await hand.type(draft.locator('.where input'), 'role == "beam"');
  await hand.type(draft.getByLabel('load', { exact: true }).last(), '-4 kN/m');
  await hand.button('Add the rule', draft);
  await hand.take('Combinations made', /^by EN/);
  await calculated(page);
  // 1.35 G + 1.5 S among them: the utilisation is known
  await expect(ledgerValue(page, 'Utilisation')).toHaveText(/\d/);
  expect(hand.actions).toBeLessThanOrEqual(10);
  console.log(`loads and combinations: ${hand.actions} actions`);
});
