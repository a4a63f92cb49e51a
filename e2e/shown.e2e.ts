import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { calculated, choose, expect, openSlipShed, test, typeParameter } from './application.js';

/** Chooses what is shown by a part of its title. */
const show = (page: Page, title: RegExp) => choose(page, 'What is shown', title);
const legend = (page: Page) => page.locator('app-legend');

test('envelope, buckling shape and mode are shown from one list, and go with the address', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await show(page, /^Strength, all/);
  await expect(legend(page)).toContainText('greatest and least of 9 combinations');
  // The ledger's greatest moment is that of the envelope
  await expect(legend(page)).toContainText(/least −324\skN·m/);
  await expect(page).toHaveURL(/result=envelope\.strength/);
  await show(page, /^U1 buckles/);
  await expect(legend(page)).toContainText(/buckles at 50\.\d × U1/);
  await page.reload();
  await calculated(page);
  await expect(legend(page)).toContainText(/buckles at 50\.\d × U1/);
  await expect(page.getByText('reactions', { exact: true })).toHaveCount(0);
  await show(page, /^Mode 1/);
  await expect(legend(page)).toContainText(/vibrates at [\d.]+\sHz/);
  await expect(legend(page)).toContainText('% along X of the mass');
});

test('an envelope follows a dragged parameter, and its reading has both ends of the range', async ({
  page,
  app,
}) => {
  await openSlipShed(page, app);
  await show(page, /^Strength, all/);
  await expect(legend(page)).toContainText('greatest and least');
  const before = await legend(page).textContent();
  await page.getByRole('slider', { name: 'Span', exact: true }).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(() => legend(page).textContent()).not.toBe(before);
  await page.getByRole('application', { name: 'Fixed bases, stage', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.readout')).toContainText(/to −?[\d.]+\skN·m/);
});

test('a moving shape is held, stepped, and saved as an animated picture', async ({ page, app }) => {
  await openSlipShed(page, app);
  await show(page, /^Mode 1/);
  await calculated(page);
  await page.getByLabel('moving', { exact: true }).check();
  await page.getByRole('button', { name: 'hold', exact: true }).click();
  const at = async () => page.locator('app-stage canvas').first().screenshot();
  let held = await at();
  await expect
    .poll(async () => {
      const before = held;
      held = await at();
      return held.equals(before);
    })
    .toBe(true);
  await page.getByRole('button', { name: 'A step on', exact: true }).click();
  await expect.poll(async () => (await at()).equals(held)).toBe(false);
  await page.getByRole('button', { name: 'A step back', exact: true }).click();
  await expect.poll(async () => (await at()).equals(held)).toBe(true);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'save film', exact: true }).click();
  const file = await saving;
  expect(file.suggestedFilename()).toMatch(/^Slip shed, copy[ \d]*, Fixed bases, .+\.svg$/);
  const film = await readFile(await file.path(), 'utf8');
  expect(film).toMatch(/^<svg /);
  expect(film.match(/<animate /g)!.length).toBeGreaterThan(10);
  await page.getByRole('button', { name: 'go on', exact: true }).click();
  await expect(page.getByRole('button', { name: 'A step on', exact: true })).toHaveCount(0);
});

test('members are told apart by section; stress and outlines are drawn', async ({ page, app }) => {
  await openSlipShed(page, app);
  await page.getByText('bare', { exact: true }).click();
  await choose(page, 'Group members by', 'by section');
  await expect(legend(page)).toContainText('HEB 300, 2 members');
  await expect(legend(page)).toContainText('IPE 500, 2 members');
  await page.getByLabel('sections', { exact: true }).check();
  await expect(page).toHaveURL(/sections=1/);
  await page.getByText('σ', { exact: true }).click();
  await expect(legend(page)).toContainText(/greatest [\d.]+\sN\/mm², 0\.\d+ fy/);
  await expect(page.getByRole('combobox', { name: 'Group members by', exact: true })).toHaveCount(0);
});

test('the list of designs has their frames and numbers, kept once a design was worked out', async ({
  page,
  app,
}) => {
  const id = await openSlipShed(page, app);
  await calculated(page);
  const kept = async () => {
    const list = (await (await page.request.get(`${app.url}/api/designs`)).json()) as {
      id: string;
      preview?: { reference: string };
    }[];
    return list.find((one) => one.id === id)?.preview?.reference;
  };
  await expect.poll(kept, { timeout: 60_000 }).toBe('Fixed bases');
  // The list has it at once, whatever else is still to be worked out
  await page.goto(`${app.url}/designs`);
  const shed = page.getByRole('row').filter({ has: page.locator(`a[href="/designs/${id}"]`) });
  await expect(shed).toContainText(/Utilisation\s*0\.488/);
  await expect(shed.locator('img')).toBeVisible();
  await expect(shed).toContainText('3 pass, 1 beyond limits');
});

test('past its critical load a frame shows forces of first order, αcr and the shape in which it buckles', async ({
  page,
  app,
}) => {
  const response = await page.request.post(`${app.url}/api/designs`, {
    data: {
      format: 'hashira-design',
      version: 2,
      title: 'Slender post',
      space: 'plane',
      analysis: { order: 2, imperfections: false },
      parameters: [
        {
          name: 'weight',
          title: 'Weight',
          kind: 'quantity',
          quantity: 'force',
          value: '80 kN',
          min: '0 kN',
          max: '100 kN',
          step: '1 kN',
          group: 'Loads',
        },
      ],
      steps: [
        {
          id: 'l',
          make: 'line',
          points: [
            ['0 m', '0 m'],
            ['0 m', '8 m'],
          ],
        },
      ],
      rules: [
        { id: 's', members: 'true', section: 'HEA 100', material: 'S235' },
        { id: 'f', nodes: 'z == 0 m', support: 'fixed' },
        {
          id: 'p',
          nodes: 'z > 0 m',
          load: { kind: 'node', case: 'P', F: ['100 N', '0 N', '-weight'] },
        },
      ],
      loadCases: [{ id: 'P', title: 'Load', category: 'imposed' }],
      combinations: [{ id: 'U', state: 'strength', factors: { P: 1 } }],
      alternatives: [{ id: 'a', title: 'A', picks: {} }],
    },
  });
  const { id } = (await response.json()) as { id: string };
  await page.goto(`${app.url}/designs/${id}`);
  const verdict = page.locator('.verdict');
  // π²·E·Iy/(2L)² = 28.3 kN
  await expect(verdict).toContainText('past its critical load');
  await expect(verdict).toContainText('αcr 0.35');
  await expect(legend(page)).toContainText('forces of first order: past its critical load');
  await show(page, /^U buckles/);
  await expect(legend(page)).toContainText(/buckles at 0\.35\d* × U/);
  await typeParameter(page, 'weight', '15 kN');
  await expect(verdict).not.toContainText('past its critical load');
  await expect(verdict).toContainText('second order');
});
