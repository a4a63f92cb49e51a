import {
  calculated,
  choose,
  chooseOf,
  expect,
  ledgerValue,
  openSlipShed,
  saved,
  test,
} from './application.js';

test('what is selected on the stage gets a section by the shortest condition, undone by one press', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const before = await ledgerValue(page, 'Steel mass').innerText();
  await page.locator('app-stage').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const bar = page.getByRole('region', { name: 'Selection', exact: true });
  await expect(bar).toContainText('left column');
  await expect(bar).toContainText('columns on the left');
  // The other column beside it: now the role is enough
  await page.locator('app-stage').focus();
  const read = page.locator('app-stage .readout strong');
  for (let i = 0; i < 4; i++) {
    const before = await read.innerText();
    await page.keyboard.press('PageDown');
    await expect(read).not.toHaveText(before);
    if ((await read.innerText()) === 'right column') break;
  }
  await page.keyboard.press('Shift+Enter');
  await expect(bar).toContainText('2 members');
  await expect(bar).toContainText('columns');
  // One of them alone, and by one press all of its kind again
  await page.keyboard.press('Enter');
  await expect(bar).toContainText('right column');
  await bar.getByRole('button', { name: 'all …', exact: true }).click();
  await page.getByRole('menuitem', { name: 'columns (2)', exact: true }).click();
  await expect(bar).toContainText('2 members');
  await page.getByRole('combobox', { name: 'Give a section', exact: true }).click();
  await page.getByRole('searchbox').fill('lightest HEA with Wpl,y above 1200 cm3');
  await page.keyboard.press('Enter');
  // Columns have theirs from a parameter: that is said, and asked
  await expect(bar.getByRole('alert')).toContainText('Column section');
  await bar.getByRole('button', { name: 'HEA 300 for these alone', exact: true }).click();
  // HEA 300 is lighter than HEB 300 (88 and 117 kg/m, EN 10365): 2 × 6.4 m of 29 kg/m are 370 kg less
  await expect(ledgerValue(page, 'Steel mass')).not.toHaveText(before);
  const mass = (text: string) => Number(/\d+/.exec(text)![0]);
  const after = mass(await ledgerValue(page, 'Steel mass').innerText());
  expect(mass(before) - after).toBeGreaterThan(355);
  expect(mass(before) - after).toBeLessThan(385);
  // The rule with just that condition took it, and stands open
  await expect(page.locator('app-rules-leaf .rule', { hasText: 'Columns' }).first()).toContainText('HEA 300');
  await expect(page.locator('app-rule-form')).toHaveCount(1);
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(ledgerValue(page, 'Steel mass')).toHaveText(before);
});

test('a box takes members in, a typed condition selects, and nodes get a load of their own', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const box = (await page.locator('app-stage').boundingBox())!;
  await page.keyboard.down('Shift');
  await page.mouse.move(box.x + 12, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 12, box.y + box.height - 40, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up('Shift');
  const bar = page.getByRole('region', { name: 'Selection', exact: true });
  await expect(bar).toContainText('4 members');
  await bar.getByTitle('Condition of the selection, press to change').click();
  await page
    .getByRole('textbox', { name: 'Condition of the selection', exact: true })
    .fill('role == "rafter"');
  await page.keyboard.press('Enter');
  await expect(bar).toContainText('2 members');
  await bar.getByRole('button', { name: 'clear', exact: true }).click();
  await expect(bar).toHaveCount(0);

  // A load at the apex by a rule from the list
  const moment = await ledgerValue(page, 'Apex deflection').innerText();
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  await chooseOf(page, 'Add a rule that gives', 'load on nodes');
  const draft = page.locator('app-new-rule');
  // It acts on nothing until it is said on what
  await expect(draft.getByRole('button', { name: 'Add the rule', exact: true })).toBeDisabled();
  await draft.getByRole('textbox', { name: /^Condition of/ }).fill('place == "apex"');
  await page.keyboard.press('Enter');
  await expect(draft).toContainText('It would be given to 1 node.');
  await choose(page, 'load case', /^S /);
  await draft.getByLabel('force', { exact: true }).fill('0 kN, 0 kN, -40 kN');
  await page.keyboard.press('Enter');
  await draft.getByRole('button', { name: 'Add the rule', exact: true }).click();
  await calculated(page);
  await expect(ledgerValue(page, 'Apex deflection')).not.toHaveText(moment);
  await page.getByRole('tab', { name: 'Loads', exact: true }).click();
  await page.getByRole('button', { name: /^S Snow/ }).click();
  await expect(page.locator('app-loads-leaf .load', { hasText: 'apexes' })).toHaveCount(1);
});

test('a rule’s condition by chips: narrowed, widened, and the same as the text', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  const rule = page.locator('app-rules-leaf .rule', { hasText: 'Purlins hold the rafters' });
  await rule.locator('.head').click();
  await expect(rule.locator('.soft').first()).toHaveText('2');
  await chooseOf(rule, 'and …', 'side');
  await chooseOf(rule, 'choose … value of side', 'left');
  await expect(rule.getByTitle(/^Condition of/)).toHaveText('role == "rafter" and side == "left"');
  await expect(rule.locator('.soft').first()).toHaveText('1');
  await chooseOf(rule, 'or … another value of side', 'right');
  await expect(rule.getByTitle(/^Condition of/)).toHaveText(
    'role == "rafter" and (side == "left" or side == "right")',
  );
  await expect(rule.locator('.soft').first()).toHaveText('2');
  // What is typed shows as chips
  await rule.getByTitle(/^Condition of/).click();
  await rule.getByRole('textbox', { name: /^Condition of/ }).fill('role == "rafter" and z > eaves + 1 m');
  await page.keyboard.press('Enter');
  await expect(rule.getByLabel('Value of z', { exact: true })).toHaveValue('eaves + 1 m');
  await rule.getByRole('button', { name: 'Leave out z > eaves + 1 m', exact: true }).click();
  await expect(rule.getByTitle(/^Condition of/)).toHaveText('role == "rafter"');
});

test('a rule that is written wrong says so at the rule, and the last frame stays', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Rules', exact: true }).click();
  const rafters = page.locator('app-rules-leaf .rule', { hasText: 'Rafters' }).first();
  await rafters.locator('.head').click();
  await rafters.getByTitle('Condition of Rafters, press to change').click();
  await rafters.getByRole('textbox', { name: 'Condition of Rafters', exact: true }).fill('role == ');
  await page.keyboard.press('Enter');
  await expect(rafters.getByRole('alert')).toContainText('role ==');
  await expect(page.getByText('the last frame that could be built')).toBeVisible();
});
