import { card, expect, ledgerValue, saved, test } from './application.js';
import { Designer } from './designer.js';

test.describe.configure({ timeout: 180_000 });

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
  await designer.load('load on nodes', 'place == "crown"', { 'force x, y, z': '0 kN, 0 kN, -20 kN' });
  await designer.sound();
  // A pin and a roller: half of 20 kN at each, no thrust; M at the crown is F L / 4 = 120 kN·m
  await expect
    .poll(() => designer.table('Reactions'))
    .toEqual([
      expect.stringMatching(/^left springing 0 10\.0/),
      expect.stringMatching(/^right springing 0 10\.0/),
    ]);
  await expect.poll(() => designer.greatest('Forces along members', 'M')).toBeCloseTo(120, 0);
  await designer.change('Arch', { Curve: 'catenary' });
  await designer.sound();
  await expect.poll(() => designer.greatest('Forces along members', 'M')).toBeCloseTo(120, 0);
  await designer.parameter('Members', '24');
  await designer.sound();
  // The load is still at the crown, the supports at the springings
  await expect.poll(() => designer.greatest('Forces along members', 'M')).toBeCloseTo(120, 0);
  // The fixed springings of the starting point give way to both supports, which is remarked
  await page.getByRole('button', { name: 'Model check: 1 remark' }).click();
  await expect(page.locator('app-model-check')).toContainText('wholly overridden');
  await saved(page);
});

test('a braced bay four ways as alternatives, at one scale under one load case', async ({ page, app }) => {
  const designer = new Designer(page, app);
  await designer.begin('Braced bay');
  await designer.option('simple beams', async () => {
    await designer.rule('hinge at an end', 'role == "beam"', { at: 'both' });
  });
  await page.getByRole('button', { name: '+ alternative' }).click();
  const names = await page.locator('app-alternatives-strip .card').count();
  expect(names).toBe(4);
  await designer.leaf('Choices');
  await page
    .locator('app-choices-leaf')
    .getByRole('radio', { name: /: simple beams$/ })
    .last()
    .check();
  await designer.sound();
  // Cantilever columns of the frame with simple beams sway more than rigid frames, braced ones the least
  await page.getByRole('link', { name: 'Comparison' }).click();
  await expect(page.locator('app-comparison-screen app-stage')).toHaveCount(4);
  const row = page.locator('app-comparison-screen table tr').filter({ hasText: 'Sway of the top' });
  const sways = (await row.locator('td').allInnerTexts())
    .map((text) => Math.abs(Number(/[−-]?[\d.]+/.exec(text.replace('−', '-'))?.[0])))
    .slice(0, 4);
  expect(sways[3]).toBeGreaterThan(sways[0]!);
  expect(sways[0]).toBeGreaterThan(sways[1]!);
  expect(sways[0]).toBeGreaterThan(sways[2]!);
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
  await page.getByRole('button', { name: 'give them IPE 200 for now' }).click();
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
  await designer.load('load on nodes', 'x == 0.8 m', { 'force x, y, z': '0 kN, 0 kN, -30 kN' });
  await designer.sound();
  // Three hinges: 30 kN at 0.8 m of 18 m, V right = 30 * 0.8 / 18 = 1.33 kN; moments of the right half about the apex: H = V right * 9 / 8
  const reactions = await designer.table('Reactions');
  expect(reactions.length).toBe(2);
  const [left, right] = reactions.map((text) => text.replaceAll('−', '-').split(' ').slice(-3).map(Number));
  expect(right![1]).toBeCloseTo((30 * 0.8) / 18, 2);
  expect(left![1]).toBeCloseTo(30 - (30 * 0.8) / 18, 1);
  expect(left![0]).toBeCloseTo(((30 * 0.8) / 18) * (9 / 8), 2);
  await expect(ledgerValue(page, 'Steel mass')).toHaveText(/kg/);
  await expect(card(page, 'Simply supported')).toBeVisible();
});
