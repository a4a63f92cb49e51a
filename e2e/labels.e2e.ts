import type { Page } from '@playwright/test';
import { calculated, expect, test } from './application.js';

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
    test(`no text covers another or leaves the stage: ${title} at ${width} × ${height}, ${units}`, async ({
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
      const wrong: string[] = [];
      let seen = 0;
      for (const card of await page.locator('app-alternatives-strip [role=radio]').all()) {
        await card.click();
        const alternative = await card.getAttribute('aria-label');
        for (const diagram of await page
          .locator('app-stage-bar p-selectbutton')
          .first()
          .locator('p-togglebutton')
          .all()) {
          await diagram.click();
          const texts = await atRest(page);
          seen += texts.texts.length;
          for (const one of wrongWith(texts))
            wrong.push(`${alternative}, ${(await diagram.textContent())!.trim()}: ${one}`);
        }
      }
      expect(wrong).toEqual([]);
      expect(seen).toBeGreaterThan(20);
    });
