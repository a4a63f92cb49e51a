import { expect, type Locator, type Page } from '@playwright/test';
import { calculated, chooseOf, sectionRow, type Application } from './application.js';

/** Fields by their labels, with what is typed or chosen there. */
export type Entries = Readonly<Record<string, string>>;

/** A designer before the screen: what they do to make a design, in their words. */
export class Designer {
  constructor(
    readonly page: Page,
    private readonly app: Application,
  ) {
    page.setDefaultTimeout(20_000);
  }

  /** Begins a new design from a starting point. */
  async begin(from: string): Promise<void> {
    await this.page.goto(`${this.app.url}/designs/new`);
    await this.page
      .locator('.card')
      .filter({ has: this.page.getByText(from, { exact: true }) })
      .click();
    await calculated(this.page, 60_000);
    // A beam begins on its bench
    if (this.page.url().includes('/members')) {
      await this.page.getByRole('link', { name: 'Design', exact: true }).click();
      await this.page.locator('app-design-screen').waitFor();
    }
  }

  async leaf(name: 'Parameters' | 'Recipe' | 'Rules' | 'Loads' | 'Choices'): Promise<void> {
    await this.page.getByRole('tab', { name, exact: true }).click();
  }

  /** Fills fields within a part of the screen: lists are chosen from, boxes ticked by "yes", the rest is typed. */
  async fill(within: Locator, entries: Entries): Promise<void> {
    for (const [label, text] of Object.entries(entries)) {
      const field = within.getByLabel(label, { exact: true });
      const kind = await field.evaluate((one) => `${one.tagName} ${(one as HTMLInputElement).type}`);
      if (kind.startsWith('SELECT')) await field.selectOption({ label: text });
      else if (kind === 'INPUT checkbox') await field.setChecked(text === 'yes');
      else {
        await field.fill(text);
        await field.press('Enter');
        await field.blur();
      }
    }
  }

  /** Gives a parameter a value. */
  async parameter(title: string, text: string): Promise<void> {
    await this.leaf('Parameters');
    const field = this.page.locator('app-parameter-list').getByLabel(title, { exact: true }).last();
    await field.fill(text);
    await field.press('Enter');
  }

  /** Adds a step from its card, set as said, after it was seen on the stage. */
  async step(card: string, entries: Entries = {}): Promise<void> {
    await this.leaf('Recipe');
    if ((await this.page.locator('app-new-step').count()) === 0) await this.page.getByText('+ step').click();
    await this.page.locator('app-new-step').getByRole('button', { name: card, exact: true }).click();
    const draft = this.page.locator('app-new-step .draft');
    await this.fill(draft, entries);
    await expect(draft.getByRole('alert')).toHaveCount(0);
    // By the keyboard: a press of the mouse may fall beside a button that pictures above it have just moved
    await draft.getByRole('button', { name: 'add to the recipe', exact: true }).press('Enter');
    await expect(draft).toHaveCount(0);
  }

  /** Opens a step of the recipe and changes its fields. */
  async change(step: string, entries: Entries): Promise<void> {
    await this.leaf('Recipe');
    const row = this.page.locator('app-recipe-leaf section.step').filter({ hasText: step });
    const title = row.locator('.title');
    if ((await title.getAttribute('aria-expanded')) !== 'true') await title.click();
    await this.fill(row.locator('.fields'), entries);
  }

  /** Adds a rule for what a condition selects. */
  async rule(gives: string, condition: string, entries: Entries = {}): Promise<void> {
    await this.leaf('Rules');
    await chooseOf(this.page, 'Add a rule that gives', gives);
    await this.newRule(condition, entries);
  }

  /** Takes a section from the library for the rule that is open. */
  async section(name: string): Promise<void> {
    await this.page.locator('app-rules-leaf .fields app-section-picker button').click();
    await this.page.getByRole('searchbox').fill(name);
    await sectionRow(this.page, name).click();
  }

  /** Adds a load case. */
  async loadCase(category: string): Promise<void> {
    await this.leaf('Loads');
    await chooseOf(this.page, 'Add a load case', category);
  }

  /** Adds a load to the case that is shown. */
  async load(kind: string, condition: string, entries: Entries): Promise<void> {
    await this.leaf('Loads');
    await chooseOf(this.page, 'Add a load', kind);
    await this.newRule(condition, entries);
  }

  /** Says for what a new rule is and what it gives, and adds it. */
  private async newRule(condition: string, entries: Entries): Promise<void> {
    const draft = this.page.locator('app-new-rule');
    await this.type(draft.locator('.where'), condition);
    await this.fill(draft.locator('app-fields'), entries);
    // It is seen for how many it is before it counts
    await expect(draft.getByRole('status')).toContainText('It would be given to');
    await draft.getByRole('button', { name: 'Add the rule', exact: true }).press('Enter');
    await expect(draft).toHaveCount(0);
  }

  /** Text that is pressed and typed over. */
  private async type(within: Locator, text: string): Promise<void> {
    await within.getByRole('button').first().click();
    const field = within.locator('input');
    await field.fill(text);
    await field.press('Enter');
  }

  /** Chooses what is shown. */
  async show(result: string): Promise<void> {
    await this.leaf('Loads');
    await this.page.locator('app-loads-leaf .head').filter({ hasText: result }).first().click();
  }

  /** Rows of a table under the stage, as texts. */
  async table(title: string): Promise<string[]> {
    const tables = this.page.locator('app-result-tables');
    if ((await tables.count()) === 0)
      await this.page.getByRole('button', { name: 'tables', exact: true }).click();
    await tables.getByRole('tab', { name: title }).click();
    await expect(tables.locator('[aria-busy]')).toHaveAttribute('aria-busy', 'false');
    await expect(tables.locator('tbody tr').first()).not.toContainText('No numbers');
    return (await tables.locator('tbody tr').allInnerTexts()).map((row) => row.replace(/\s+/g, ' ').trim());
  }

  /** The greatest magnitude in a column of a table, in the unit that it is shown in. */
  async greatest(title: string, column: string): Promise<number> {
    await this.table(title);
    const tables = this.page.locator('app-result-tables');
    const head = tables.getByRole('columnheader', { name: new RegExp(`^${column}\\b`) });
    const k = await head.evaluate((cell) => Array.from(cell.parentElement!.children).indexOf(cell));
    const values: number[] = [];
    for (let way = 0; way < 2; way++) {
      await head.click();
      const cell = tables.locator('tbody tr').first().locator('td').nth(k);
      values.push(Math.abs(Number((await cell.innerText()).replaceAll('−', '-'))));
    }
    return Math.max(...values);
  }

  /** Takes away a rule. */
  async dropRule(title: string): Promise<void> {
    await this.leaf('Rules');
    const rule = this.page.locator('app-rules-leaf .rule').filter({ hasText: title }).first();
    if ((await rule.locator('.fields').count()) === 0) await rule.locator('.head').click();
    await rule.getByRole('button', { name: 'remove', exact: true }).click();
  }

  /** Records what is done into a new option of a choice. */
  async option(title: string, act: () => Promise<void>): Promise<void> {
    await this.leaf('Choices');
    const leaf = this.page.locator('app-choices-leaf');
    await leaf.getByRole('button', { name: '+ option', exact: true }).last().click();
    await leaf.locator('.detail').getByRole('button').first().click();
    const field = leaf.locator('.detail input');
    await field.fill(title);
    await field.press('Enter');
    await leaf.getByRole('button', { name: 'record changes into this option', exact: true }).click();
    await act();
    await this.leaf('Choices');
    await leaf.locator('.option', { hasText: title }).click();
    await leaf.getByRole('button', { name: 'end recording', exact: true }).click();
  }

  /** Calculates in first order, which is quick, with other settings as said. */
  async firstOrder(entries: Entries = {}): Promise<void> {
    await this.page.getByText('how it is calculated').click();
    await this.fill(this.page.locator('app-settings'), { order: '1', imperfections: 'no', ...entries });
    await this.page.getByText('how it is calculated').click();
  }

  /** Picks an alternative in the strip. */
  async alternative(title: string): Promise<void> {
    await this.page.getByRole('radio', { name: title, exact: true }).click();
  }

  /** Numbers are on the screen, and no problem. */
  async sound(): Promise<void> {
    await calculated(this.page, 60_000);
    await expect(this.page.locator('app-stage [role=alert]')).toHaveCount(0);
  }
}
