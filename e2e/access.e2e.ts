import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { calculated, choose, expect, openSlipShed, test } from './application.js';

/** Collects what the checker finds in one state of the page after the other. */
function looker(page: Page) {
  const found: string[] = [];
  const look = async (state: string) => found.push(...(await findings(page, state)));
  return { found, look };
}

/** What the checker finds on the page as it is, by WCAG 2.2 A and AA, with targets of 24 px, and its best practices; one line each. */
async function findings(page: Page, state: string): Promise<string[]> {
  // What fades in or out has colours that nobody reads
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          document
            .getAnimations()
            .filter(
              ({ playState, effect }) => playState === 'running' && effect?.getTiming().iterations === 1,
            ).length,
      ),
    )
    .toBe(0);
  const { violations } = await new AxeBuilder({ page })
    .options({ rules: { 'target-size': { enabled: true } } })
    .analyze();
  return violations.flatMap(({ id, nodes }) =>
    nodes.map(
      ({ target, failureSummary }) =>
        `${state}: ${id}: ${target.join(' ')}: ${failureSummary?.split('\n')[1] ?? ''}`,
    ),
  );
}

test('the accessibility checker finds nothing on any screen of a design', async ({ page, app }) => {
  test.setTimeout(240_000);
  const { found, look } = looker(page);
  await openSlipShed(page, app);
  await look('parameters');
  for (const leaf of ['Recipe', 'Rules', 'Loads', 'Choices']) {
    await page.getByRole('tab', { name: leaf }).click();
    await look(leaf);
  }
  await page.getByRole('tab', { name: 'Text', exact: true }).click();
  await page.locator('.cm-line').first().waitFor();
  await look('text');
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await page.getByText('+ step').click();
  await look('new step');
  await page.keyboard.press('Escape');
  await page.locator('app-ledger .member').first().click();
  await look('trace');
  await page.keyboard.press('Escape');
  await page.locator('.tables-switch').click();
  await look('tables');
  await page.locator('.tables-switch').click();
  await page.keyboard.press('F1');
  await look('page of keys');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Comparison', exact: true }).click();
  await page.locator('app-figures-table button.value').first().waitFor();
  await look('comparison');
  await page.getByText('Modes and buckling', { exact: true }).click();
  await page.locator('app-shapes-table tbody tr').first().waitFor();
  await look('modes compared');
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await page.getByRole('row').first().waitFor();
  await look('record');
  expect(found).toEqual([]);
});

test('nor where a frame moves, a formula is wrong, a section is picked, or designs are listed', async ({
  page,
  app,
}) => {
  test.setTimeout(240_000);
  const { found, look } = looker(page);
  await openSlipShed(page, app);
  await page.getByRole('radio', { name: 'Three hinges', exact: true }).click();
  await choose(page, 'Eaves', 'hinged');
  await page.locator('app-stage .problems').waitFor();
  await look('mechanism');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByLabel('Span', { exact: true }).last().fill('22 m +');
  await page.keyboard.press('Enter');
  await look('wrong formula');
  await page.getByRole('combobox', { name: 'Column section', exact: true }).click();
  await look('section picker');
  await page.keyboard.press('Escape');
  await page.goto(`${app.url}/designs`);
  await page.getByRole('row').nth(1).waitFor();
  await look('designs');
  await page.getByRole('button', { name: 'Rename', exact: true }).first().click();
  await page.getByRole('dialog').waitFor();
  await look('rename');
  await page.keyboard.press('Escape');
  await page.goto(`${app.url}/designs/new`);
  await page.getByRole('button').first().waitFor();
  await look('new design');
  expect(found).toEqual([]);
});

test('nor where steps, rules, loads and figures are open to be changed', async ({ page, app }) => {
  test.setTimeout(240_000);
  const { found, look } = looker(page);
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await page.locator('app-recipe-leaf .open-step, app-recipe-leaf button[aria-expanded]').first().click();
  await look('step open');
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  await page.locator('app-rules-leaf button[aria-expanded]').first().click();
  await look('rule open');
  await page.getByRole('tab', { name: 'Loads', exact: true }).click();
  await page.locator('app-loads-leaf button[aria-expanded=false]').first().click();
  await look('load case open');
  await page.getByRole('tab', { name: 'Parameters', exact: true }).click();
  await page.getByRole('button', { name: 'add, name, group or remove parameters', exact: true }).click();
  await look('parameters open');
  await page.locator('app-ledger').getByRole('button', { name: 'change', exact: true }).first().click();
  await look('figures open');
  await page.getByRole('button', { name: 'Actions for Fixed bases', exact: true }).click();
  await page.getByRole('menu').waitFor();
  await look('menu of an alternative');
  await page.keyboard.press('Escape');
  await page.getByRole('application', { name: 'Fixed bases, stage', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await look('member selected');
  await page.locator('.draw-switch').click();
  await look('drawing');
  await page.locator('.draw-switch').click();
  await page.getByRole('combobox', { name: 'What is shown', exact: true }).click();
  await look('what is shown');
  expect(found).toEqual([]);
});

test('nor on a solid design, as a slice, with stress, compared', async ({ page, app }) => {
  test.setTimeout(240_000);
  const { found, look } = looker(page);
  await page.goto(`${app.url}/designs`);
  await page.getByRole('link', { name: 'Lookout tower', exact: true }).click();
  await page.locator('app-alternatives-strip [role=radio]').first().waitFor();
  await calculated(page);
  await look('tower');
  await choose(page, 'Slice of the frame', 'storey 3');
  await page.getByText('σ', { exact: true }).click();
  await look('slice with stress');
  await page.getByRole('link', { name: 'Comparison', exact: true }).click();
  await page.locator('app-figures-table button.value').first().waitFor();
  await look('comparison of the tower');
  expect(found).toEqual([]);
});
