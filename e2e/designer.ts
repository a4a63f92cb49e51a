import { expect, type Locator, type Page } from '@playwright/test';
import { calculated, type Application } from './application.js';
import { chooseByKeys, pressKey, sectionByKeys, selectByKeys } from './keys.js';

/** Fields by their labels, with what is typed or chosen there. */
export type Entries = Readonly<Record<string, string>>;

/** A designer before the screen, without a mouse: what they do to make a design, in their words. */
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
    await pressKey(this.page.locator('.card').filter({ has: this.page.getByText(from, { exact: true }) }));
    await calculated(this.page, 60_000);
    // A beam begins on its bench
    if (this.page.url().includes('/members')) {
      await pressKey(this.page.getByRole('link', { name: 'Design', exact: true }));
      await this.page.locator('app-design-screen').waitFor();
    }
  }

  async leaf(name: 'Parameters' | 'Recipe' | 'Rules' | 'Loads' | 'Choices'): Promise<void> {
    await pressKey(this.page.getByRole('tab', { name, exact: true }));
  }

  /** Fills fields within a part of the screen: lists are chosen from, boxes ticked by "yes", the rest is typed. */
  async fill(within: Locator, entries: Entries): Promise<void> {
    for (const [label, text] of Object.entries(entries)) {
      const field = within.getByLabel(label, { exact: true });
      const kind = await field.evaluate((one) => {
        const role = one.getAttribute('role');
        return role ?? `${one.tagName} ${(one as HTMLInputElement).type}`;
      });
      if (kind === 'combobox') await selectByKeys(field, text);
      else if (kind === 'radiogroup') await pressKey(field.getByRole('radio', { name: text, exact: true }));
      else if (kind === 'INPUT checkbox') {
        if ((await field.isChecked()) !== (text === 'yes')) await pressKey(field);
      } else {
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
    if ((await this.page.locator('app-new-step').count()) === 0)
      await pressKey(this.page.getByText('+ step'));
    await pressKey(this.page.locator('app-new-step').getByRole('button', { name: card, exact: true }));
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
    if ((await title.getAttribute('aria-expanded')) !== 'true') await pressKey(title);
    await this.fill(row.locator('.fields'), entries);
  }

  /** Adds a rule for what a condition selects. */
  async rule(gives: string, condition: string, entries: Entries = {}): Promise<void> {
    await this.leaf('Rules');
    await chooseByKeys(this.page, 'Add a rule that gives', gives);
    await this.newRule(condition, entries);
  }

  /** Takes a section from the library for the rule that is open. */
  section(name: string): Promise<void> {
    const opener = this.page.locator('app-rules-leaf .fields app-section-picker button');
    return sectionByKeys(this.page, opener, name);
  }

  /** Adds a load case. */
  async loadCase(category: string): Promise<void> {
    await this.leaf('Loads');
    await chooseByKeys(this.page, 'Add a load case', category);
  }

  /** Adds a load to the case that is shown. */
  async load(kind: string, condition: string, entries: Entries): Promise<void> {
    await this.leaf('Loads');
    await chooseByKeys(this.page, 'Add a load', kind);
    await this.newRule(condition, entries);
  }

  /** Says for what a new rule is and what it gives, and adds it. */
  private async newRule(condition: string, entries: Entries): Promise<void> {
    const draft = this.page.locator('app-new-rule');
    await this.fill(draft, { 'Condition of the new rule': condition });
    await this.fill(draft.locator('app-fields'), entries);
    // It is seen for how many it is before it counts
    await expect(draft.getByRole('status')).toContainText('It would be given to');
    await draft.getByRole('button', { name: 'Add the rule', exact: true }).press('Enter');
    await expect(draft).toHaveCount(0);
  }

  /** Chooses what is shown. */
  async show(result: string): Promise<void> {
    await this.leaf('Loads');
    await pressKey(this.page.locator('app-loads-leaf .head').filter({ hasText: result }).first());
  }

  /** Rows of a table under the stage, as texts. */
  async table(title: string): Promise<string[]> {
    const tables = this.page.locator('app-result-tables');
    if ((await tables.count()) === 0)
      await pressKey(this.page.getByRole('button', { name: 'tables', exact: true }));
    await selectByKeys(this.page.getByRole('combobox', { name: 'What the table tells', exact: true }), title);
    await expect(tables.locator('[aria-busy]')).toHaveAttribute('aria-busy', 'false');
    await expect(tables.locator('tbody tr').first()).not.toContainText('No numbers');
    return (await tables.locator('tbody tr').allInnerTexts()).map((row) => row.replace(/\s+/g, ' ').trim());
  }

  /** Numbers of a table by row: those that go left, down, against an axis or anticlockwise, and compression, below zero. */
  async numbers(title: string): Promise<number[][]> {
    await this.table(title);
    // All at once: rows come and go while the design is calculated
    const texts = await this.page
      .locator('app-result-tables tbody tr')
      .evaluateAll((rows) =>
        rows.map((row) =>
          Array.from(row.querySelectorAll<HTMLElement>('td.number'), (cell) => cell.innerText.trim()),
        ),
      );
    return texts.map((cells) =>
      cells.map((text) => {
        const value = Number.parseFloat(text.replaceAll('−', '-'));
        return /left|down|against|anticlockwise|compression/.test(text) ? -value : value;
      }),
    );
  }

  /** The greatest magnitude of a force of members, in the unit that it is shown in. */
  async greatest(column: 'N' | 'V' | 'M'): Promise<number> {
    const rows = await this.numbers('What members carry at most');
    return Math.max(...rows.map((row) => Math.abs(row['NVM'.indexOf(column)]!)));
  }

  /** Takes away a rule. */
  async dropRule(title: string): Promise<void> {
    await this.leaf('Rules');
    const rule = this.page.locator('app-rules-leaf .rule').filter({ hasText: title }).first();
    if ((await rule.locator('.fields').count()) === 0) await pressKey(rule.locator('.head'));
    await pressKey(rule.getByRole('button', { name: 'remove', exact: true }));
  }

  /** Records what is done into a new option of a choice. */
  async option(title: string, act: () => Promise<void>): Promise<void> {
    await this.leaf('Choices');
    const leaf = this.page.locator('app-choices-leaf');
    await pressKey(leaf.getByRole('button', { name: '+ option', exact: true }).last());
    await pressKey(leaf.locator('.detail').getByRole('button').first());
    const field = leaf.locator('.detail input');
    await field.fill(title);
    await field.press('Enter');
    await pressKey(leaf.getByRole('button', { name: 'record changes into this option', exact: true }));
    await act();
    await this.leaf('Choices');
    await pressKey(leaf.locator('.option', { hasText: title }));
    await pressKey(leaf.getByRole('button', { name: 'end recording', exact: true }));
  }

  /** Calculates in first order, which is quick, with other settings as said. */
  async firstOrder(entries: Entries = {}): Promise<void> {
    await pressKey(this.page.getByText('how it is calculated'));
    await this.fill(this.page.locator('app-settings'), { order: '1', imperfections: 'no', ...entries });
    await pressKey(this.page.getByText('how it is calculated'));
  }

  /** Picks an alternative in the strip. */
  async alternative(title: string): Promise<void> {
    await pressKey(this.page.getByRole('radio', { name: title, exact: true }));
  }

  /** Numbers are on the screen, and no problem. */
  async sound(): Promise<void> {
    await calculated(this.page, 60_000);
    await expect(this.page.locator('app-stage [role=alert]')).toHaveCount(0);
  }
}
