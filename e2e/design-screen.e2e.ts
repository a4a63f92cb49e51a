import {
  Application,
  calculated,
  card,
  cardNumbers,
  choose,
  chooseSection,
  expect,
  ledgerValue,
  openSlipShed,
  test,
  typeParameter,
} from './application.js';

test('the first start opens the Slip shed with its four alternatives calculated', async ({ page }) => {
  // A server that nobody has used yet
  const app = new Application();
  await app.start();
  try {
    await page.goto(app.url);
    await expect(page.getByRole('button', { name: 'Slip shed', exact: true })).toBeVisible();
    await calculated(page);
    await expect(page.locator('app-alternatives-strip .card')).toHaveCount(4);
    for (const title of ['Fixed bases', 'Pinned bases', 'Three hinges', 'Pinned with haunches'])
      await expect(card(page, title).locator('dd').first()).toHaveText(/^\s*0\.\d+\s*$/);
    // Vertical reactions carry half of all loads each: by hand 1.35·(2.475·22.27 + 34.5 kN own weight) + 1.5·4.4·22 = 266 kN
    await expect(ledgerValue(page, 'Vertical reaction')).toHaveText('133 kN');
  } finally {
    await app.stop();
    app.remove();
  }
});

test('everything fits 1280 × 800 without scrolling the page', async ({ page, app }) => {
  await openSlipShed(page, app);
  const size = await page.evaluate(() => [
    document.documentElement.scrollWidth,
    document.documentElement.scrollHeight,
  ]);
  expect(size).toEqual([1280, 800]);
});

test('dragging a slider moves the numbers of every alternative before the pointer is let go', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  const before = await cardNumbers(page);
  const box = (await page.getByRole('slider', { name: 'Span', exact: true }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 12, box.y + box.height / 2, { steps: 4 });
  // The pointer is still down
  await expect(page.locator('#p-span')).not.toHaveValue(/^22\sm$/);
  await calculated(page);
  await expect.poll(() => cardNumbers(page)).not.toEqual(before);
  const during = await cardNumbers(page);
  during.forEach((text, i) => expect(text, `number ${i}`).not.toBe(before[i]));
  await page.mouse.up();
  // One drag is one step of undo
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => cardNumbers(page)).toEqual(before);
});

test('a typed value, a bare number and a formula rebuild the frame', async ({ page, app }) => {
  await openSlipShed(page, app);
  await typeParameter(page, 'span', '24 m');
  await expect(page.getByRole('button', { name: 'Span 24 m, press to type', exact: true })).toBeVisible();
  await typeParameter(page, 'eaves', '7.5');
  await expect(
    page.getByRole('button', { name: 'Eaves height 7.5 m, press to type', exact: true }),
  ).toBeVisible();
  await typeParameter(page, 'eaves', 'span / 4');
  await expect(page.locator('#p-eaves')).toHaveValue(/^6\sm$/);
  await typeParameter(page, 'span', '28 m');
  await expect(page.locator('#p-eaves')).toHaveValue(/^7\sm$/);
});

test('line loads and sections change the figures', async ({ page, app }) => {
  await openSlipShed(page, app);
  await typeParameter(page, 's_line', '0 kN/m');
  await expect(ledgerValue(page, 'Vertical reaction')).not.toHaveText('133 kN');
  const light = Number.parseFloat(await ledgerValue(page, 'Steel mass').innerText());
  await chooseSection(page, 'Column section', 'HEB 400');
  await expect
    .poll(async () => Number.parseFloat(await ledgerValue(page, 'Steel mass').innerText()))
    .toBeGreaterThan(light);
});

test('dimension lines are live: press and type, or drag', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByRole('button', { name: 'Span 22 m, press to type', exact: true }).click();
  const field = page.locator('app-dimension-label').getByRole('textbox', { name: 'Span', exact: true });
  await field.fill('20 m');
  await field.press('Enter');
  const label = page.getByRole('button', { name: 'Span 20 m, press to type', exact: true });
  await expect(label).toBeVisible();
  const box = (await label.boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 8, { steps: 5 });
  await expect
    .poll(async () => Number.parseFloat(await page.locator('#p-span').inputValue()))
    .toBeGreaterThan(20.5);
  await page.mouse.up();
});

test('the stage shows diagrams with values, reactions, and says which loads', async ({ page, app }) => {
  await openSlipShed(page, app);
  const stage = page.getByRole('application', { name: 'Fixed bases, stage', exact: true });
  await expect(stage.locator('.label.plum').first()).toContainText('kN·m');
  await expect(stage.locator('.label.moss', { hasText: '133 kN' })).toHaveCount(2);
  await expect(page.locator('.caption')).toContainText('U1 Snow leading');
  await choose(page, 'What is shown', 'W Wind from the left');
  await expect(page.locator('.caption')).toContainText('W Wind from the left');
  await expect(stage.locator('.label.moss', { hasText: '133 kN' })).toHaveCount(0);
  await page.getByText('N', { exact: true }).click();
  await expect(stage.locator('.label.plum')).toHaveCount(0);
  // Wind lifts the roof: columns are in tension
  await expect(stage.locator('.label.indigo').first()).toContainText('kN');
  await page.getByText('bare').click();
  await expect(stage.locator('.label.indigo')).toHaveCount(0);
  await page.getByLabel('loads', { exact: true }).uncheck();
  await expect(stage.locator('.label.ochre')).toHaveCount(0);
});

test('the balance of loads and reactions closes', async ({ page, app }) => {
  await openSlipShed(page, app);
  const row = page.locator('app-ledger .balance tr', { hasText: 'ΣZ' }).locator('td');
  await expect(row.nth(0)).toHaveText('−266');
  await expect(row.nth(1)).toHaveText('266');
});

test('the deformed shape is scaled by itself, 1:1 or as typed, and moves', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByLabel('deformed', { exact: true }).check();
  const factor = page.getByLabel('Scale of the deformed shape', { exact: true });
  await expect(factor).not.toHaveValue('1.00');
  await page.getByRole('button', { name: '1:1', exact: true }).click();
  await expect(factor).toHaveValue('1.00');
  await factor.fill('40');
  await factor.press('Enter');
  await expect(factor).toHaveValue('40.0');
  // What is drawn changes from frame to frame
  const canvas = page.locator('app-design-screen app-stage canvas');
  const picture = () => canvas.evaluate((element) => (element as HTMLCanvasElement).toDataURL());
  await page.getByLabel('moving', { exact: true }).check();
  const first = await picture();
  await expect.poll(picture).not.toBe(first);
  await page.getByLabel('moving', { exact: true }).uncheck();
});

test('hovering a member reads the values there; the keyboard does the same', async ({ page, app }) => {
  await openSlipShed(page, app);
  const stage = page.getByRole('application', { name: 'Fixed bases, stage', exact: true });
  const box = (await stage.boundingBox())!;
  // The left column stands above the left end of the span's dimension line
  const span = (await page.getByRole('button', { name: /^Span \d/ }).boundingBox())!;
  const eaves = (await page.getByRole('button', { name: /^Eaves height \d/ }).boundingBox())!;
  let found = false;
  for (let x = eaves.x + 60; x < span.x && !found; x += 6) {
    await page.mouse.move(x, eaves.y + eaves.height / 2);
    found = (await page.locator('.readout').count()) > 0;
  }
  await expect(page.locator('.readout')).toContainText('left column');
  await page.mouse.move(box.x + 5, box.y + box.height - 5);
  await expect(page.locator('.readout')).toHaveCount(0);
  await stage.focus();
  await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.readout')).toContainText('right column');
});

test('zoom, pan and fit', async ({ page, app }) => {
  await openSlipShed(page, app);
  const span = page.getByRole('button', { name: /^Span \d/ });
  const start = (await span.boundingBox())!;
  const stage = page.getByRole('application', { name: 'Fixed bases, stage', exact: true });
  const box = (await stage.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 50, box.y + 80, { steps: 3 });
  await page.mouse.up();
  await expect.poll(async () => Math.round((await span.boundingBox())!.x - start.x)).toBe(50);
  // The pointer is above the frame: what is below goes down
  await page.mouse.wheel(0, -300);
  await expect.poll(async () => Math.round((await span.boundingBox())!.y - start.y)).toBeGreaterThan(40);
  await page.getByRole('button', { name: 'fit', exact: true }).click();
  await expect.poll(async () => Math.round((await span.boundingBox())!.x - start.x)).toBe(0);
});

test('every number can be traced to its formula', async ({ page, app }) => {
  await openSlipShed(page, app);
  await ledgerValue(page, 'Utilisation').click();
  const panel = page.locator('app-trace-panel [role=dialog]');
  await expect(panel).toContainText('EN 1993-1-1 6.2.5(1) eq. 6.12');
  await expect(panel).toContainText('Wpl,y');
  await panel.getByRole('button').first().click();
  await ledgerValue(page, 'Moment in rafters').click();
  await expect(panel).toContainText('second-order analysis under U1');
  // Load cases superpose only in first order: the case alone
  await expect(panel).toContainText('My(U1');
});
