import type { Page } from '@playwright/test';
import type { Design, ForceName } from '@hashira/core';
import { calculated, expect, test } from './application.js';
import { governingValues } from './governing.js';

interface Text {
  readonly text: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Every text on the selected stage, and the stage itself, as the browser laid them out. */
function textsOn(page: Page): Promise<{ texts: Text[]; stage: Text }> {
  return page.evaluate(() => {
    const boxOf = (element: Element) => {
      const { left, top, right, bottom } = element.getBoundingClientRect();
      return { text: element.textContent.trim(), left, top, right, bottom };
    };
    const stage = document.querySelector('app-stage')!;
    const texts = stage.querySelectorAll('.label, app-dimension-label > *');
    const over = document.querySelectorAll(
      '.caption > *, app-legend p, app-model-check button, .zoom button, .draw-switch, .tables-switch',
    );
    return {
      texts: [...Array.from(texts), ...Array.from(over)].map(boxOf).filter(({ text }) => text !== ''),
      stage: boxOf(stage),
    };
  });
}

/** Pairs of texts that cover each other by more than rounding, and texts that leave the stage. */
function wrongWith({ texts, stage }: { texts: Text[]; stage: Text }): string[] {
  const wrong: string[] = [];
  for (const [i, a] of texts.entries()) {
    if (
      a.left < stage.left - 1 ||
      a.right > stage.right + 1 ||
      a.top < stage.top - 1 ||
      a.bottom > stage.bottom + 1
    )
      wrong.push(`"${a.text}" leaves the stage`);
    for (const b of texts.slice(i + 1))
      if (
        Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1 &&
        Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1
      )
        wrong.push(`"${a.text}" covers "${b.text}"`);
  }
  return wrong;
}

/** Values of diagrams that stand more than once, and values with lines through more than a twentieth of their box. */
function unclear(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const stage = document.querySelector('app-stage')!;
    const labels = Array.from(stage.querySelectorAll<HTMLElement>('.label'));
    const values = labels.filter(
      ({ className, textContent }) =>
        /plum|teal|indigo|vermilion/.test(className) && /N|kip|lb/.test(textContent),
    );
    const wrong = values
      .map(({ textContent }) => textContent)
      .filter((text, i, all) => all.indexOf(text) < i)
      .map((text) => `"${text}" stands twice`);
    const canvas = stage.querySelector('canvas')!;
    // A graphics card's picture cannot be read back
    const pen = canvas.getContext('2d');
    if (!pen) return wrong;
    const at = canvas.getBoundingClientRect();
    const ratio = canvas.width / at.width;
    for (const label of labels) {
      // What passes under these is covered by their ground
      if (label.classList.contains('covers')) continue;
      const { left, top, width, height } = label.getBoundingClientRect();
      const { data } = pen.getImageData(
        (left - at.left) * ratio,
        (top - at.top) * ratio,
        width * ratio,
        height * ratio,
      );
      let ink = 0;
      // Tints of areas are no ink: lines are much darker than the sheet
      for (let i = 0; i < data.length; i += 4) if (data[i]! + data[i + 1]! + data[i + 2]! < 560) ink++;
      const share = (4 * ink) / data.length;
      if (share > 0.05) wrong.push(`"${label.textContent}" has ${(100 * share).toFixed(0)} % ink`);
    }
    return wrong;
  });
}

/** Greatest values of members that are not on the stage. Equal ones are told once, with a count. */
function untold({ texts }: { texts: Text[] }, governing: readonly (readonly string[])[]): string[] {
  const told = new Set(texts.map(({ text }) => text.replace(/ ×\d+$/, '')));
  const missing = governing.filter((signs) => !signs.some((value) => told.has(value)));
  return [...new Set(missing.map(([value]) => `"${value!}" is the greatest of a member and is not there`))];
}

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

/** The texts once they have come to rest. */
async function atRest(page: Page): Promise<{ texts: Text[]; stage: Text }> {
  let before = '';
  for (;;) {
    const now = await textsOn(page);
    const seen = JSON.stringify(now);
    if (seen === before) return now;
    before = seen;
    await page.waitForTimeout(60);
  }
}

const demos = ['Slip shed', 'Boat hall', 'Quay arch', 'Lookout tower', 'Winch bed'];
for (const [width, height, units, titles] of [
  [1280, 800, 'metric', demos],
  [2560, 1440, 'metric', demos],
  // With tables under the stage, and with longer numbers
  [1280, 800, 'us', ['Slip shed', 'Quay arch']],
] as const)
  for (const title of titles)
    test(`each member’s greatest value is told, and no text covers another, leaves the stage, stands twice or has lines through it: ${title} at ${width} × ${height}, ${units}`, async ({
      page,
      app,
    }) => {
      test.setTimeout(240_000);
      await page.setViewportSize({ width, height });
      await page.goto(`${app.url}/designs`);
      if (units === 'us') await page.evaluate(() => localStorage.setItem('hashira-units', 'us'));
      await page.reload();
      await page.getByRole('link', { name: title, exact: true }).click();
      await page.locator('app-alternatives-strip [role=radio]').first().waitFor();
      await calculated(page);
      if (units === 'us') await page.locator('.tables-switch').click();
      const { document } = (await (
        await page.request.get(page.url().replace('/designs/', '/api/designs/').split('?')[0]!)
      ).json()) as { document: Design };
      const wrong: string[] = [];
      let [seen, told] = [0, 0];
      for (const card of await page.locator('app-alternatives-strip [role=radio]').all()) {
        await card.click();
        const alternative = await card.getAttribute('aria-label');
        const id = (await card.getAttribute('data-alternative'))!;
        for (const diagram of await page
          .locator('app-stage-bar p-selectbutton')
          .first()
          .locator('p-togglebutton')
          .all()) {
          await diagram.click();
          let texts = await atRest(page);
          const name = (await diagram.textContent())!.trim();
          const force = units === 'metric' ? forces[name] : undefined;
          const governing = force ? governingValues(document, id, force) : [];
          told += governing.length;
          // The drawing of another diagram of a large frame comes a moment later
          for (let wait = 0; wait < 20 && untold(texts, governing).length > 0; wait++) {
            await page.waitForTimeout(150);
            texts = await atRest(page);
          }
          seen += texts.texts.length;
          for (const one of [...wrongWith(texts), ...(await unclear(page)), ...untold(texts, governing)])
            wrong.push(`${alternative}, ${name}: ${one}`);
        }
      }
      expect(wrong).toEqual([]);
      expect(seen).toBeGreaterThan(20);
      if (units === 'metric') expect(told).toBeGreaterThan(20);
    });
