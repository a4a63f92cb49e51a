import { calculated, card, expect, openSlipShed, test, typeParameter } from './application.js';

test('choices are picked in a grid, options are made by recording, and all combinations in one press', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await page.getByRole('tab', { name: 'Choices', exact: true }).click();
  const leaf = page.locator('app-choices-leaf');
  await expect(leaf.getByRole('radio', { name: 'Three hinges, Apex: hinged', exact: true })).toBeChecked();
  const before = await card(page, 'Fixed bases').locator('dd').allInnerTexts();
  await leaf.getByRole('radio', { name: 'Fixed bases, Apex: hinged', exact: true }).check();
  await expect.poll(() => card(page, 'Fixed bases').locator('dd').allInnerTexts()).not.toEqual(before);
  await calculated(page);
  // A wider one as an option of its own
  await leaf.getByRole('button', { name: '+ choice', exact: true }).click();
  await leaf
    .locator('tbody')
    .filter({ has: page.getByRole('button', { name: 'Remove the choice New choice', exact: true }) })
    .getByRole('button', { name: '+ option', exact: true })
    .click();
  await leaf.getByRole('button', { name: 'record changes into this option', exact: true }).click();
  await expect(page.getByText('recording into "other"')).toBeVisible();
  await page.getByRole('tab', { name: 'Parameters', exact: true }).click();
  await typeParameter(page, 'span', '26 m');
  await page.getByRole('tab', { name: 'Choices', exact: true }).click();
  await leaf.getByRole('button', { name: 'other', exact: true }).first().click();
  await expect(leaf.locator('.detail')).toContainText('Span: 26 m');
  await leaf.getByRole('button', { name: 'end recording', exact: true }).click();
  const wide = leaf.getByRole('radio', { name: 'Pinned bases, New choice: other', exact: true });
  const narrow = await card(page, 'Pinned bases').locator('dd').allInnerTexts();
  await wide.check();
  await expect.poll(() => card(page, 'Pinned bases').locator('dd').allInnerTexts()).not.toEqual(narrow);
});

test('points of a line come from a table in a file', async ({ page, app }) => {
  const response = await page.request.post(`${app.url}/api/designs`, {
    data: {
      format: 'hashira-design',
      version: 2,
      title: 'Points',
      space: 'plane',
      steps: [
        {
          id: 'l',
          make: 'line',
          points: [
            ['0 m', '0 m'],
            ['4 m', '0 m'],
          ],
        },
      ],
      rules: [
        { id: 's', members: 'true', section: 'IPE 200', material: 'S355' },
        { id: 'b', nodes: 'x == 0 m', support: 'fixed' },
        { id: 'q', members: 'true', load: { case: 'G', direction: 'z', q: '-2 kN/m' } },
      ],
      loadCases: [{ id: 'G', title: 'Own weight', category: 'permanent', selfWeight: 1 }],
      combine: { by: 'EN1990-6.10', states: ['strength', 'service'] },
      alternatives: [{ id: 'a', title: 'A', picks: {} }],
      figures: [{ id: 'mass', title: 'Mass', kind: 'mass' }],
    },
  });
  const { id } = (await response.json()) as { id: string };
  await page.goto(`${app.url}/designs/${id}`);
  await calculated(page);
  // 22.4 kg/m (EN 10365) on 4 m
  await expect(page.locator('app-ledger')).toContainText(/89\.\d\skg/);
  await page.getByRole('tab', { name: 'Recipe', exact: true }).click();
  await page.locator('app-recipe-leaf .title').first().click();
  await page.locator('app-recipe-leaf input[type=file]').setInputFiles({
    name: 'points.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('x [mm],z [mm]\n0,0\n3000,0\n3000,1000\n'),
  });
  // The same steel on 3 m and 1 m
  await calculated(page);
  await expect(page.locator('app-ledger')).toContainText(/89\.\d\skg/);
  await expect(page.locator('app-ledger .member')).toHaveCount(2);
});
