import { AxeBuilder } from '@axe-core/playwright';
import { choose, expect, openSlipShed, test, typeParameter } from './application.js';

test('revisions are listed, named, taken up again and undone', async ({ page, app }) => {
  await openSlipShed(page, app);
  const span = page.locator('#p-span');
  await typeParameter(page, 'span', '24 m');
  await expect(page.getByTestId('saved')).toHaveText('Saved, revision 2');
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  const rows = page.getByRole('row');
  await expect(rows).toHaveCount(3);
  await expect(rows.nth(1)).toContainText('on the screen');
  await rows.nth(2).getByRole('button', { name: 'name it', exact: true }).click();
  await page.getByLabel('Name of revision 1', { exact: true }).fill('as surveyed');
  await page.getByLabel('Name of revision 1', { exact: true }).press('Enter');
  await expect(rows.nth(2)).toContainText('as surveyed');
  await page.getByRole('button', { name: 'Take up again: revision 1', exact: true }).click();
  await expect(page.getByTestId('saved')).toHaveText('Saved, revision 3');
  await expect(rows).toHaveCount(4);
  await page.getByRole('link', { name: 'Design', exact: true }).click();
  // A value and its unit are parted by a space that does not break
  await expect(span).toHaveValue(/^22\sm$/);
  await page.keyboard.press('Control+z');
  await expect(span).toHaveValue(/^24\sm$/);
});

test('what changed since a revision: one drawing, sentences that light up their places, figures', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await typeParameter(page, 'span', '24 m');
  await expect(page.getByTestId('saved')).toHaveText('Saved, revision 2');
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await page.getByRole('button', { name: 'What changed since revision 1', exact: true }).click();
  const changes = page.locator('app-what-changed');
  await expect(changes).toContainText('Span: 22 m → 24 m');
  await expect(changes.locator('canvas')).toBeVisible();
  await expect(changes.locator('tbody tr').filter({ hasText: 'Steel mass' })).toContainText('+5.2 %');
  await changes.getByRole('button', { name: /moved by X 2\.00/ }).focus();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await choose(page, 'Before', 'Pinned bases');
  await expect(changes).toContainText('Bases: fixed instead of pinned');
  await page.locator('app-record-screen input[type=file]').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{'),
  });
  await expect(page.getByRole('alert')).toContainText('"broken.json" is not a design file');
});

test('a deleted design is listed and brought back', async ({ page, app }) => {
  // Of a title that no other test has
  const id = await openSlipShed(page, app);
  const { document } = (await (await page.request.get(`${app.url}/api/designs/${id}`)).json()) as {
    document: object;
  };
  const title = 'Oar store';
  await page.request.post(`${app.url}/api/designs`, { data: { ...document, title } });
  await page.goto(`${app.url}/designs`);
  const link = page.getByRole('link', { name: title, exact: true });
  await page
    .getByRole('row')
    .filter({ has: link })
    .getByRole('button', { name: 'Delete', exact: true })
    .click();
  await expect(link).toHaveCount(0);
  await page.reload();
  const back = page.getByRole('button', { name: `Bring back ${title}`, exact: true });
  await back.click();
  await expect(link).toBeVisible();
  await expect(back).toHaveCount(0);
});

test('the model check names what is wrong, shows it, and fixes it by one press', async ({ page, app }) => {
  const id = await openSlipShed(page, app);
  const check = page.locator('app-model-check');
  await expect(check).toContainText('sound');
  // A rule for members that are not there
  const stored = (await (await page.request.get(`${app.url}/api/designs/${id}`)).json()) as {
    revision: number;
    document: { rules: object[] };
  };
  stored.document.rules.push({
    id: 'idle',
    title: 'Crane girders',
    members: 'role == "girder"',
    section: 'IPE 200',
  });
  const saved = await page.request.put(`${app.url}/api/designs/${id}`, {
    data: stored.document,
    headers: { 'If-Match': `"${stored.revision}"` },
  });
  expect(saved.ok()).toBe(true);
  await page.reload();
  await check.getByRole('button', { name: /1 warning/ }).click();
  await expect(check.locator('li')).toContainText('matches nothing');
  await check.getByRole('button', { name: 'Remove the rule', exact: true }).click();
  await expect(check).toContainText('sound');
  await page.keyboard.press('Control+z');
  await expect(check).toContainText('1 warning');
});
