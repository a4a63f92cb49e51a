import type { JSHandle, Page } from '@playwright/test';
import type { Design, ForceName } from '@hashira/core';
import { calculated, expect, test } from './application.js';
import { governingValues } from './governing.js';
import { inkReader, textReader, type StageReader } from './stage-reader.js';

const forces: Readonly<Record<string, ForceName>> = {
  N: 'N',
  V: 'Vz',
  M: 'My',
  Vz: 'Vz',
  My: 'My',
  Vy: 'Vy',
  Mz: 'Mz',
  T: 'T',
};

/** What is wrong with a drawing once it has come to rest, and how many texts it has. */
interface Looked {
  readonly wrong: readonly string[];
  readonly seen: number;
}

/**
 * Presses a diagram and looks at its drawing in the page, which takes no time between looks. Of a large frame the drawing comes a moment
 * later: greatest values that are not there are waited for.
 */
function look(reader: JSHandle<StageReader>, name: string, governing: string[][]): Promise<Looked> {
  return reader.evaluate(
    async (stage, { name: diagram, governing: values }) => {
      const passing = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));
      const buttons = document
        .querySelector('app-stage-bar p-selectbutton')!
        .querySelectorAll<HTMLElement>('p-togglebutton');
      Array.from(buttons)
        .find(({ textContent }) => textContent.trim() === diagram)!
        .click();
      let texts = '';
      for (let wait = 0; wait < 60; wait++) {
        await passing(60);
        const now = JSON.stringify(stage.texts());
        if (now === texts && stage.untold(values).length === 0) break;
        texts = now;
      }
      const wrong = [...stage.crowded(), ...stage.repeated(), ...stage.crossed(), ...stage.untold(values)];
      return { wrong, seen: stage.texts().length };
    },
    { name, governing },
  );
}

/** Looks at every diagram of every alternative. */
async function lookAtAll(
  page: Page,
  design: Design | undefined,
): Promise<{ wrong: string[]; seen: number; told: number }> {
  const wrong: string[] = [];
  let [seen, told] = [0, 0];
  const reader = await page.evaluateHandle(inkReader, await page.evaluateHandle(textReader));
  const names = await page
    .locator('app-stage-bar p-selectbutton')
    .first()
    .locator('p-togglebutton')
    .allTextContents();
  for (const card of await page.locator('app-alternatives-strip [role=radio]').all()) {
    await card.click();
    const alternative = await card.getAttribute('aria-label');
    const id = (await card.getAttribute('data-alternative'))!;
    for (const name of names.map((one) => one.trim())) {
      const force = forces[name];
      const governing = force && design ? governingValues(design, id, force) : [];
      const looked = await look(reader, name, governing);
      told += governing.length;
      seen += looked.seen;
      wrong.push(...looked.wrong.map((one) => `${alternative}, ${name}: ${one}`));
    }
  }
  return { wrong, seen, told };
}

for (const [title, longer] of [
  ['Slip shed', true],
  ['Boat hall', false],
  ['Quay arch', true],
  ['Lookout tower', false],
  ['Winch bed', false],
] as const)
  test(`each member’s greatest value is told, and no text covers another, leaves the stage, stands twice or has lines through it: ${title}`, async ({
    page,
    app,
  }) => {
    test.setTimeout(300_000);
    await page.goto(`${app.url}/designs`);
    await page.getByRole('link', { name: title, exact: true }).click();
    await page.locator('app-alternatives-strip [role=radio]').first().waitFor();
    await calculated(page);
    const { document } = (await (
      await page.request.get(page.url().replace('/designs/', '/api/designs/').split('?')[0]!)
    ).json()) as { document: Design };
    for (const [width, height] of [
      [1280, 800],
      [2560, 1440],
    ] as const)
      await test.step(`at ${width} × ${height}`, async () => {
        await page.setViewportSize({ width, height });
        const { wrong, seen, told } = await lookAtAll(page, document);
        expect(wrong).toEqual([]);
        expect(seen).toBeGreaterThan(20);
        expect(told).toBeGreaterThan(20);
      });
    if (longer)
      await test.step('with tables under the stage, and with longer numbers', async () => {
        await page.setViewportSize({ width: 1280, height: 800 });
        await page.getByRole('button', { name: /^m, kN/ }).click();
        await page.locator('.tables-switch').click();
        await calculated(page);
        const { wrong, seen } = await lookAtAll(page, undefined);
        expect(wrong).toEqual([]);
        expect(seen).toBeGreaterThan(20);
      });
  });
