import { AxeBuilder } from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import {
  calculated,
  card,
  choose,
  expect,
  openSlipShed,
  test,
  typeParameter,
  type Application,
} from './application.js';

/** Opens the screen of members and waits for its schedule. */
async function openMembers(page: Page): Promise<Locator> {
  await page.getByRole('link', { name: 'Members', exact: true }).click();
  const schedule = page.locator('app-schedule');
  await expect(schedule.locator('.group').first()).toBeVisible();
  return schedule;
}

async function openDemo(page: Page, app: Application, title: string): Promise<void> {
  const list = (await (await page.request.get(`${app.url}/api/designs`)).json()) as {
    id: string;
    title: string;
  }[];
  const { id } = list.find((design) => design.title === title)!;
  const copy = (await (await page.request.post(`${app.url}/api/designs/${id}/duplicate`)).json()) as {
    id: string;
  };
  await page.goto(`${app.url}/designs/${copy.id}`);
  await calculated(page, 120_000);
}

async function axe(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(' ')}`));
}

test('a shed overloaded by snow is found, explained, mended by lighter-section search, and passes', async ({
  page,
  app,
}) => {
  test.setTimeout(240_000);
  await openSlipShed(page, app);
  await typeParameter(page, 'snow', '3 kN/m2');
  await calculated(page);
  const schedule = await openMembers(page);
  await expect(schedule.locator('.verdict strong')).toHaveText('over');
  // Found
  await schedule.getByRole('button', { name: /^over [1-4]$/ }).click();
  await expect(page).toHaveURL(/filter=over/);
  const row = schedule.locator('.member').first();
  await expect(row).toContainText('over');
  // Explained
  await row.locator('.name').click();
  const sheet = page.locator('app-member-sheet');
  await expect(sheet.locator('.verdict')).toContainText('over');
  await sheet.locator('summary').first().click();
  await expect(sheet.locator('app-steps tr:not(.from)').last()).toContainText('utilisation');
  expect(await axe(page)).toEqual([]);
  await sheet.getByRole('button', { name: '‹ all members' }).click();
  // Mended
  await page.getByRole('button', { name: 'lighter sections' }).click();
  await page.getByRole('button', { name: 'Find the lightest that pass' }).click();
  await expect(page.locator('app-suggestions h2')).toHaveText('The lightest set that passes', {
    timeout: 180_000,
  });
  expect(await axe(page)).toEqual([]);
  await page.getByRole('button', { name: 'Take over all' }).click();
  await expect(page.locator('app-suggestions')).toContainText('taken over');
  await calculated(page);
  await page.getByRole('button', { name: 'schedule', exact: true }).click();
  await expect(page.locator('app-schedule .verdict strong')).toHaveText('passes');
  // One change
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await calculated(page);
  await expect(page.locator('app-schedule .verdict strong')).toHaveText('over');
});

test('the tower’s drift is mended by a suggestion for its first alternative', async ({ page, app }) => {
  test.setTimeout(300_000);
  await openDemo(page, app, 'Lookout tower');
  const schedule = await openMembers(page);
  await expect(schedule.locator('.verdict strong')).toHaveText('checks pass, limits do not');
  const drift = schedule.locator('[aria-label="Limits"] .member', { hasText: 'Drift' });
  await expect(drift).toContainText('over');
  await page.getByRole('button', { name: 'lighter sections' }).click();
  const groups = page.locator('app-suggestions fieldset label');
  for (let i = 0; i < (await groups.count()); i++)
    if (!/Beam|Column/.test((await groups.nth(i).textContent()) ?? ''))
      await groups.nth(i).locator('input').uncheck();
  await page.getByRole('button', { name: 'Find the lightest that pass' }).click();
  await expect(page.locator('app-suggestions .running')).toContainText('looked at');
  expect(await axe(page)).toEqual([]);
  await expect(page.locator('app-suggestions h2')).toContainText('set that passes', { timeout: 280_000 });
  await page.locator('app-suggestions').getByRole('button', { name: 'this alternative' }).click();
  await page.getByRole('button', { name: 'Take over all' }).click();
  await calculated(page, 120_000);
  await page.getByRole('button', { name: 'schedule', exact: true }).click();
  await expect(page.locator('app-schedule .verdict strong')).toHaveText('passes');
});

test('what fails first is told: yielding gives way to buckling where columns are slender and rafters deep', async ({
  page,
  app,
}) => {
  test.setTimeout(120_000);
  await openSlipShed(page, app);
  await openMembers(page);
  await page.getByRole('button', { name: 'load to failure' }).click();
  const failure = page.locator('app-failure');
  await failure.getByRole('button', { name: 'Raise until it fails' }).click();
  await expect(failure.locator('.verdict')).toContainText(/column yields first/, { timeout: 60_000 });
  expect(await axe(page)).toEqual([]);
  // Along the path by keys: the frame follows
  const path = failure.getByRole('slider', { name: 'Along the path' });
  await path.focus();
  await page.keyboard.press('Home');
  await expect(page.locator('app-failure-frame .caption')).toContainText('at 0 times');
  await page.keyboard.press('End');
  await expect(page.locator('app-failure-frame .failed').first()).toBeAttached();
  await failure.getByRole('button', { name: 'The same for every alternative' }).click();
  await expect(failure.locator('.others li')).toHaveCount(4, { timeout: 60_000 });
  await failure.getByRole('button', { name: 'plastic hinges' }).click();
  await failure.getByRole('button', { name: 'Raise until it fails' }).click();
  await expect(failure.locator('.verdict')).toContainText(/collapses at/, { timeout: 60_000 });
  await expect(page.locator('app-failure-frame .hinge').first()).toBeVisible();
  // Slender columns
  await page.getByRole('link', { name: 'Design', exact: true }).click();
  await typeParameter(page, 'eaves', '9 m');
  await page.getByRole('link', { name: 'Members', exact: true }).click();
  await page.getByRole('button', { name: 'schedule', exact: true }).click();
  for (const [group, section] of [
    ['Column section', 'HEA 160'],
    ['Rafter section', 'IPE 750'],
  ] as const) {
    await page.getByRole('combobox', { name: `Section of ${group}` }).click();
    await page.keyboard.type(section);
    await page.keyboard.press('Enter');
    await calculated(page);
  }
  await page.getByRole('button', { name: 'load to failure' }).click();
  await failure.getByRole('button', { name: 'elastic', exact: true }).click();
  await failure.getByRole('button', { name: 'Raise until it fails' }).click();
  await expect(failure.locator('.verdict')).toContainText(/column buckles|unstable/, { timeout: 60_000 });
});

test('a sheet is opened and read by the keyboard alone', async ({ page, app }) => {
  await openSlipShed(page, app);
  const schedule = await openMembers(page);
  await schedule.getByRole('button', { name: 'left rafter' }).focus();
  await page.keyboard.press('Enter');
  const sheet = page.locator('app-member-sheet');
  await expect(sheet.getByRole('heading', { name: 'left rafter' })).toBeVisible();
  await expect(page).toHaveURL(/member=/);
  const cursor = sheet.getByRole('slider', { name: 'Place along the member' });
  await cursor.focus();
  await page.keyboard.press('Home');
  await expect(cursor).toHaveAttribute('aria-valuetext', /^0\sm: N /);
  await page.keyboard.press('ArrowRight');
  await expect(cursor).not.toHaveAttribute('aria-valuetext', /^0\sm/);
  await page.keyboard.press('End');
  await expect(cursor).toHaveAttribute('aria-valuenow', '11.137');
  await page.reload();
  await expect(sheet.getByRole('heading', { name: 'left rafter' })).toBeVisible();
  await sheet.locator('summary').first().focus();
  await page.keyboard.press('Enter');
  await expect(sheet.locator('app-steps').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(schedule).toBeVisible();
});

test('one member gets another section by a rule, and says what it was before', async ({ page, app }) => {
  await openSlipShed(page, app);
  const schedule = await openMembers(page);
  await schedule.getByRole('button', { name: 'left column' }).click();
  const sheet = page.locator('app-member-sheet');
  await sheet.getByRole('button', { name: 'this member' }).click();
  const before = await sheet.locator('.verdict').textContent();
  await sheet.locator('.neighbour button').first().click();
  await calculated(page);
  await expect(sheet.locator('.verdict')).toContainText(`${before!.trim()} → `);
  await sheet.getByRole('button', { name: '‹ all members' }).click();
  await page.getByRole('link', { name: 'Design', exact: true }).click();
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  await expect(page.locator('app-rules-leaf')).toContainText('left column: HEB 260');
});

test('the bench takes a member out, follows the hand, and gives back what was put on', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/designs/new`);
  await page
    .locator('.card')
    .filter({ has: page.getByText('Beam', { exact: true }) })
    .click();
  const bench = page.locator('app-bench');
  await expect(bench.getByRole('heading', { name: 'beam, on the bench' })).toBeVisible();
  const used = bench.locator('.used');
  const before = await used.textContent();
  await bench.getByRole('button', { name: '+ support' }).click();
  await expect(used).toContainText(`${before!.trim()} → `);
  expect(await axe(page)).toEqual([]);
  // Dragged
  const support = bench.getByRole('slider', { name: /^support at/ });
  const box = (await support.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 70, box.y + 5, { steps: 4 });
  await page.mouse.up();
  await expect(bench.getByRole('slider', { name: /^support at 3\.60/ })).toHaveCount(0);
  // By keys, and a length that cannot be given back
  await support.focus();
  await page.keyboard.press('ArrowLeft');
  await bench.getByLabel(/^length/).fill('8');
  await page.keyboard.press('Enter');
  await expect(bench.locator('[aria-label="Give back"]')).toContainText('Not given back: its length');
  await bench.getByRole('button', { name: 'Give back' }).click();
  await calculated(page);
  await page.getByRole('link', { name: 'Design', exact: true }).click();
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await expect(page.locator('app-recipe-leaf')).toContainText('beam, support at');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('app-recipe-leaf')).not.toContainText('beam, support at');
});

test('the schedule says what is wrong with an alternative, and the address opens the same again', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const schedule = await openMembers(page);
  await card(page, 'Three hinges').getByRole('radio').click();
  await calculated(page);
  await choose(page, 'Combination', /^U2 /);
  await expect(page).toHaveURL(/under=U2/);
  await schedule.locator('.fold').first().click();
  await expect(schedule.locator('.member').first()).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.reload();
  await expect(page.locator('.caption')).toContainText('utilisation, U2');
  await expect(page.locator('.caption')).toContainText('Three hinges');
});
