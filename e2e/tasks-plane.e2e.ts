import { calculated, card, expect, ledgerValue, saved, test } from './application.js';
import { Designer } from './designer.js';
import { chooseByKeys, pressKey, sectionByKeys, selectByKeys } from './keys.js';

test.describe.configure({ timeout: 180_000 });

const ground = 'What the ground pushes with';

test('an arch by shape and rise, hinged left and sliding right, a load at the crown; then a catenary; then twice the members', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Arch');
  await designer.parameter('Rise', '6 m');
  await designer.rule('support', 'place == "springing" and side == "left"', { support: 'pinned' });
  await designer.rule('support', 'place == "springing" and side == "right"', { support: 'roller' });
  await designer.loadCase('imposed');
  await designer.load('load on nodes', 'place == "crown"', { force: '0 kN, 0 kN, -20 kN' });
  await designer.sound();
  // A pin and a roller: half of 20 kN at each, no thrust; M at the crown is F L / 4 = 120 kN·m
  await expect
    .poll(() => designer.table(ground))
    .toEqual([
      expect.stringMatching(/^left springing 0 10\.0 up/),
      expect.stringMatching(/^right springing 0 10\.0 up/),
    ]);
  await expect.poll(() => designer.greatest('M')).toBeCloseTo(120, 0);
  await designer.change('Arch', { Curve: 'catenary' });
  await designer.sound();
  await expect.poll(() => designer.greatest('M')).toBeCloseTo(120, 0);
  await designer.parameter('Members', '24');
  await designer.sound();
  // The load is still at the crown, the supports at the springings
  await expect.poll(() => designer.greatest('M')).toBeCloseTo(120, 0);
  // The fixed springings of the starting point give way to both supports, which is warned of
  await pressKey(page.getByRole('button', { name: 'Model check: 1 warning', exact: true }));
  await expect(page.locator('app-model-check')).toContainText('wholly overridden');
  await saved(page);
});

test('a braced bay four ways as alternatives, at one scale under one load case', async ({ page, app }) => {
  const designer = new Designer(page, app);
  await designer.begin('Braced bay');
  await designer.option('simple beams', async () => {
    await designer.rule('hinge at an end', 'role == "beam"', { at: 'both ends' });
  });
  // Recording made an alternative that picks the option
  await expect(page.locator('app-alternatives-strip .card')).toHaveCount(4);
  await designer.sound();
  // Cantilever columns of the frame with simple beams sway more than rigid frames, braced ones the least
  await pressKey(page.getByRole('link', { name: 'Comparison', exact: true }));
  await expect(page.locator('app-comparison-screen app-stage')).toHaveCount(4);
  const row = page.locator('app-comparison-screen table tr').filter({ hasText: 'Sway of the top' });
  const sways = (await row.locator('td').allInnerTexts())
    .map((text) => Math.abs(Number(/[−-]?[\d.]+/.exec(text.replace('−', '-'))?.[0])))
    .slice(0, 4);
  expect(sways[1]).toBeGreaterThan(sways[0]!);
  expect(sways[0]).toBeGreaterThan(sways[2]!);
  expect(sways[0]).toBeGreaterThan(sways[3]!);
});

test('half a portal from points, a bracket with a load; mirrored; purlin nodes; haunches; a hinge at the apex', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Beam');
  await designer.dropRule('Left end');
  await designer.dropRule('Right end');
  await designer.change('Lines', { Points: '0, 0; 0, 6', Role: 'column' });
  await pressKey(page.getByRole('button', { name: 'give them IPE 200 for now', exact: true }));
  await designer.step('Lines', { Points: '0, 6; 9, 8', Role: 'rafter' });
  await designer.step('Lines', { Points: '0, 4.5; 0.8, 4.5', Role: 'bracket' });
  await designer.step('Join', { Crossings: 'yes' });
  await designer.step('Mirror', { Through: '9, 0, 0' });
  await designer.step('Divide', { Members: 'role == "rafter"', Parts: '3' });
  await designer.step('Haunch', {
    Members: 'role == "rafter"',
    End: 'point',
    Length: '1.5 m',
    'Depth added below': '0.3 m',
  });
  await designer.rule('support', 'z == 0 m', { support: 'pinned' });
  await designer.rule('hinge at the node', 'x == 9 m');
  await designer.loadCase('crane');
  await designer.load('load on nodes', 'x == 0.8 m', { force: '0 kN, 0 kN, -30 kN' });
  await designer.sound();
  // Three hinges: 30 kN at 0.8 m of 18 m, V right = 30 * 0.8 / 18 = 1.33 kN; moments of the right half about the apex: H = V right * 9 / 8
  const reactions = await designer.numbers(ground);
  expect(reactions.length).toBe(2);
  const [left, right] = reactions;
  expect(right![1]).toBeCloseTo((30 * 0.8) / 18, 2);
  expect(left![1]).toBeCloseTo(30 - (30 * 0.8) / 18, 1);
  expect(left![0]).toBeCloseTo(((30 * 0.8) / 18) * (9 / 8), 2);
  await expect(ledgerValue(page, 'Steel mass')).toHaveText(/kg/);
  await expect(card(page, 'Simply supported')).toBeVisible();
});

test('a truss by span, depth and panels on columns; a crane girder truss below it; the duplicate members reported', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Truss');
  await designer.parameter('Span', '20 m');
  await designer.parameter('Panels', '8');
  await designer.dropRule('Left');
  await designer.dropRule('Right');
  await designer.step('Lines', { Points: '0, -6; 0, 0', Role: 'column' });
  await designer.step('Lines', { Points: '20, -6; 20, 0', Role: 'column' });
  await designer.rule('support', 'z == -6 m', { support: 'fixed' });
  // A second truss hung between the columns, and by mistake once more
  const girder = { Span: '20 m', Depth: '1 m', Panels: '8', Origin: '0, 0, -3' };
  await designer.step('Truss', girder);
  await designer.step('Truss', girder);
  await designer.sound();
  await pressKey(page.locator('app-ledger details summary', { hasText: 'warning' }));
  await expect(page.locator('app-ledger')).toContainText(/\d+ duplicate members? removed/);
  await expect.poll(async () => (await designer.table(ground)).length).toBe(2);
});

test('supports released one by one until something can move: the sentence, the moving shape, the press that fixes it', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Portal');
  await designer.firstOrder();
  await designer.rule('support', 'place == "base" and side == "right"', { support: 'roller' });
  await designer.sound();
  await designer.rule('support', 'place == "base" and side == "left"', { support: 'roller' });
  const stage = page.locator('app-design-screen app-stage');
  await expect(stage.getByRole('alert')).toContainText('The frame can move without resistance');
  await expect(stage.getByRole('alert')).toContainText('along X');
  await pressKey(page.getByRole('button', { name: /^Model check: \d/ }));
  await pressKey(
    page.locator('app-model-check').getByRole('button', { name: 'hold left base along X', exact: true }),
  );
  await designer.sound();
  await saved(page);
  await pressKey(page.getByRole('button', { name: 'Undo', exact: true }));
  await expect(stage.getByRole('alert')).toContainText('can move without resistance');
});

test('one beam: a section from the library, two supports and two loads moved along it with the numbers following', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Beam');
  await designer.parameter('Span', '10 m');
  await sectionByKeys(page, page.locator('app-name-row .trigger').first(), 'IPE 400');
  await pressKey(page.getByRole('button', { name: 'add, name, group or remove parameters', exact: true }));
  for (const title of ['Left', 'Right', 'First load', 'Second load']) {
    await chooseByKeys(page, 'Add a parameter', 'length');
    await designer.fill(page.locator('app-parameters-editor .fields'), { title, min: '0 m', max: '10 m' });
  }
  await pressKey(page.getByRole('button', { name: 'back to the values', exact: true }));
  for (const [title, value] of [
    ['Left', '2 m'],
    ['Right', '8 m'],
    ['First load', '4 m'],
    ['Second load', '6 m'],
  ] as const)
    await designer.parameter(title, value);
  await designer.dropRule('Left end');
  await designer.dropRule('Right end');
  await designer.step('Divide', { Parts: '', At: 'length_1, length_2' });
  await designer.rule('support', 'x == length_1', { support: 'pinned' });
  await designer.rule('support', 'x == length_2', { support: 'roller' });
  await designer.loadCase('imposed');
  for (const at of ['length_3', 'length_4']) {
    await designer.load('load on members', 'true', { kind: 'point' });
    const open = page.locator('app-loads-leaf .load').filter({ has: page.locator('.fields') });
    await designer.fill(open.locator('app-rule-form'), { at, force: '0 kN, 0 kN, -12 kN' });
  }
  await designer.sound();
  const reactions = async () => (await designer.numbers(ground)).map(([, up]) => up);
  // Symmetrical: 12 kN each; then the loads go to 7 and 8 m: about the left support 12 (5 + 6) / 6 = 22 kN on the right
  await expect.poll(reactions).toEqual([12, 12]);
  await designer.leaf('Parameters');
  const slider = page.getByRole('slider', { name: 'First load', exact: true });
  await slider.focus();
  await designer.parameter('First load', '7 m');
  await designer.parameter('Second load', '8 m');
  await expect.poll(reactions).toEqual([2, 22]);
  await designer.parameter('Left', '1 m');
  // 12 (6 + 7) / 7
  await expect.poll(async () => (await reactions())[1]).toBeCloseTo((12 * 13) / 7, 1);
});

test('two members drawn from a third point to a corner, one of them moved to the middle: attached when the span is dragged', async ({
  page,
  app,
}) => {
  const designer = new Designer(page, app);
  await designer.begin('Portal');
  await designer.firstOrder();
  await pressKey(page.getByRole('button', { name: 'draw', exact: true }));
  const stage = page.locator('app-design-screen app-stage');
  const words = page.getByRole('status', { name: 'Drawing', exact: true });
  /** Reads along members with the keyboard until a place of that name is under the mark. */
  const goTo = async (place: string) => {
    await stage.focus();
    for (let i = 0; i < 160; i++) {
      const before = await words.innerText();
      if (before.includes(place)) return;
      await page.keyboard.press(i % 22 === 21 ? 'PageDown' : 'ArrowRight');
      // The next place often has another name: a moment for it to come
      for (let wait = 0; wait < 6 && (await words.innerText()) === before; wait++)
        await page.waitForTimeout(20);
    }
    throw new Error(`"${place}" was not found; the last place is: ${await words.innerText()}`);
  };
  for (const [from, to] of [
    ['1/3 of left column', 'right eaves'],
    ['1/3 of right column', 'left eaves'],
  ] as const) {
    await goTo(from);
    await page.keyboard.press('Enter');
    await goTo(`to ${to}`);
    await page.keyboard.press('Enter');
    await calculated(page, 60_000);
  }
  await pressKey(page.getByRole('button', { name: 'stop drawing', exact: true }));
  await designer.leaf('Recipe');
  const drawn = page.locator('app-recipe-leaf section.step').filter({ hasText: 'Drawn member' });
  await expect(drawn).toHaveCount(2);
  await pressKey(drawn.first().locator('.title'));
  const points = drawn.first().getByLabel('Points', { exact: true });
  await points.fill((await points.inputValue()).replace('1/3', '1/2'));
  await points.press('Enter');
  await designer.parameter('Span', '30 m');
  await designer.sound();
  // IPE 200 has 22.4 kg/m (EN 10365): from mid-height, and from a third, to the eaves on the other side
  const eaves = Number(/[\d.]+/.exec(await page.locator('#p-eaves').inputValue())![0]);
  await pressKey(page.getByRole('button', { name: 'tables', exact: true }));
  await selectByKeys(
    page.getByRole('combobox', { name: 'What the table tells', exact: true }),
    'Pieces to cut',
  );
  for (const fraction of [1 / 2, 1 / 3]) {
    const length = 1000 * Math.hypot(30, eaves * (1 - fraction));
    await expect(page.locator('app-cut-list tbody')).toContainText(length.toFixed(0));
  }
});
