import { calculated, expect, ledgerValue, saved, test } from './application.js';
import { Designer } from './designer.js';
import { chooseByKeys, pressKey, selectByKeys } from './keys.js';

test.describe.configure({ timeout: 240_000 });

test('a storey frame of 4 × 3 bays, upper columns of another section by rule, floors two-way, one deflection read', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Storey frame');
  await designer.firstOrder();
  await designer.change('Storey frame', { 'Bays along x': '4 * bay_x', 'Bays along y': '3 * bay_y' });
  await designer.rule('section', 'role == "column" and storey > 1');
  await designer.section('HEA 160');
  await designer.sound();
  // 5 × 4 columns in two storeys
  const rule = page.locator('app-rules-leaf .rule').filter({ has: page.locator('.fields') });
  await expect(rule.locator('> .number')).toHaveText('40');
  await designer.show('Q');
  await expect(page.locator('app-loads-leaf .case.shown')).toContainText('two-way');
  const stage = page.locator('app-design-screen app-stage');
  await stage.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(page.locator('app-stage .readout')).toContainText(/uz\s*−?[\d.]+\smm/);
});

test('a hall: a portal copied in a row, purlins, bracing, wind on two faces, and the way of the wind to the ground', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Portal');
  await designer.firstOrder({ space: 'solid' });
  await designer.step('Divide', { Members: 'role == "rafter"', Parts: '2' });
  await designer.step('Copy', {
    Copies: '3',
    By: '0, 6, 0',
    'Connect the nodes': 'place == "eaves" or place == "apex" or place == "division"',
    'Role of what connects them': 'purlin',
  });
  await designer.step('Brace panels', {
    Panels: '(row == 1 or row == 3) and role == "purlin" or role == "rafter"',
    Pattern: 'x',
  });
  await designer.step('Brace panels', {
    Panels: '(row == 1 or row == 3) and role == "purlin" or role == "column"',
    Pattern: 'x',
  });
  await designer.rule('hinge at an end', 'role == "purlin"', { at: 'both ends' });
  await designer.rule('action', 'role == "brace"', { action: 'axial' });
  await designer.loadCase('wind');
  await designer.load('load on members', 'role == "column" and y == 0 m', { along: 'y', load: '2 kN/m' });
  await designer.sound();
  // Both columns of the first row: 2 kN/m over the height of the eaves, all of it to the ground
  await designer.leaf('Parameters');
  const height = Number(/[\d.]+/.exec(await page.locator('#p-eaves').inputValue())![0]);
  await expect(page.locator('app-ledger .balance tr').filter({ hasText: 'ΣY' })).toContainText(
    (2 * 2 * height).toFixed(1),
  );
  await pressKey(
    page
      .getByRole('radio', { name: 'N', exact: true })
      .or(page.getByRole('button', { name: 'N', exact: true }))
      .first(),
  );
  await expect(page.locator('app-stage .label').first()).toContainText('kN');
  await expect(page.locator('app-ledger')).toContainText(/largest gap \d(\.\d)?e-\d/);
});

test('spokes from a centre to a circle; the circle becomes a smooth curve; n changes: sections, supports, loads stay', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Spoked roof');
  await designer.firstOrder();
  const masses: number[] = [];
  const mass = async () => {
    await designer.sound();
    return Number(/[\d ]+/.exec(await ledgerValue(page, 'Steel mass').innerText())![0].replaceAll(' ', ''));
  };
  masses.push(await mass());
  await designer.change('Ring', { 'Curve of the rim': 'through points' });
  await designer.change('Ring', { 'Through points': 'radius, 0; 3, 6; -5, 5; -radius, 0; -5, -5; 3, -6' });
  masses.push(await mass());
  await designer.change('Ring', { 'Points on the rim': '16' });
  masses.push(await mass());
  expect(new Set(masses).size).toBe(3);
  await designer.leaf('Rules');
  const count = async (title: string) =>
    Number(
      await page
        .locator('app-rules-leaf .rule')
        .filter({ hasText: title })
        .first()
        .locator('> .number')
        .innerText(),
    );
  expect(await count('Ribs')).toBe(16);
  await expect.poll(async () => (await designer.table('What the ground pushes with')).length).toBe(16);
  await designer.show('Snow');
  await expect(page.locator('app-loads-leaf .case.shown .head')).toContainText(/ΣZ −\d/);
});

test('a machine frame with points from a file: tubes, two angles mirrored, set-out, mitred corners, the cut list', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Machine frame');
  await designer.leaf('Recipe');
  await pressKey(page.getByText('+ step'));
  await pressKey(page.locator('app-new-step').getByRole('button', { name: 'Lines', exact: true }));
  const draft = page.locator('app-new-step .draft');
  // A tray rail of two pieces beside the bed
  await draft.locator('input[type=file]').setInputFiles({
    name: 'tray.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('x,y,z\n0,0,0.4\n1,0,0.4\n2,0,0.4\n'),
  });
  await expect(draft.getByLabel('Points', { exact: true })).toHaveValue(/0\.4 m;/);
  await designer.fill(draft, { Role: 'tray' });
  await pressKey(draft.getByRole('button', { name: 'add to the recipe', exact: true }));
  await designer.rule('section', 'role == "tray"');
  await designer.section('L 60x60x6');
  await designer.step('Mirror', {
    Members: 'role == "tray"',
    Through: '0, 0.4, 0',
    Normal: 'y',
  });
  await designer.step('Set out', { Members: 'role == "tray"', 'Point on the line': 'bottom left' });
  await designer.rule('support', 'step == "line" or step == "mirror"', { support: 'fixed' });
  await designer.sound();
  await pressKey(page.getByRole('button', { name: 'tables', exact: true }));
  await selectByKeys(
    page.getByRole('combobox', { name: 'What the table tells', exact: true }),
    'Pieces to cut',
  );
  const cuts = page.locator('app-cut-list tbody tr');
  await expect(cuts.filter({ hasText: 'L 60x60x6' })).not.toHaveCount(0);
  await expect(cuts.filter({ hasText: '45.0°' })).not.toHaveCount(0);
  await expect(page.locator('app-cut-list')).toContainText(/kg of steel in \d+ pieces/);
  await saved(page);
});

test('a tower with storey height, width and twist by sliders, following the hand', async ({ page, app }) => {
  const designer = new Designer(page, app);
  await designer.begin('Storey frame');
  await designer.firstOrder();
  await pressKey(page.getByRole('button', { name: 'add, name, group or remove parameters', exact: true }));
  await chooseByKeys(page, 'Add a parameter', 'angle');
  await designer.fill(page.locator('app-parameters-editor .fields'), {
    title: 'Twist',
    min: '0 deg',
    max: '12 deg',
  });
  await pressKey(page.getByRole('button', { name: 'back to the values', exact: true }));
  await designer.change('Storey frame', { 'Twist a storey': 'angle_1' });
  await designer.sound();
  await designer.leaf('Parameters');
  for (const title of ['Twist', 'Storey height', 'Bay along']) {
    const before = await ledgerValue(page, 'Steel mass').innerText();
    const force = await ledgerValue(page, 'Force in columns').innerText();
    const handle = page.getByRole('slider', { name: title, exact: true });
    await handle.focus();
    await page.keyboard.down('ArrowRight');
    for (let i = 0; i < 5; i++) await page.keyboard.down('ArrowRight');
    // The numbers move while the key is still held
    await expect
      .poll(async () => [
        await ledgerValue(page, 'Steel mass').innerText(),
        await ledgerValue(page, 'Force in columns').innerText(),
      ])
      .not.toEqual([before, force]);
    await page.keyboard.up('ArrowRight');
  }
  await designer.sound();
  await calculated(page, 60_000);
  await saved(page);
});
