import { expect, type Locator, type Page } from '@playwright/test';

/** Roles of which only one of a group is reached by Tab, the others by arrows. */
const roving = ['radio', 'tab', 'menuitem', 'option'];

/** Presses what Tab or arrows reach, by Enter, or by the space bar where that is its key. */
export async function pressKey(what: Locator): Promise<void> {
  const { reached, box } = await what.evaluate(
    (one: HTMLElement, groups) => ({
      reached: one.tabIndex >= 0 || groups.includes(one.getAttribute('role') ?? ''),
      box: one instanceof HTMLInputElement && ['radio', 'checkbox'].includes(one.type),
    }),
    roving,
  );
  expect(reached, `${what.toString()} is reached by the keyboard`).toBe(true);
  await what.focus();
  await expect(what).toBeFocused();
  await what.press(box ? 'Space' : 'Enter');
}

/** Goes down an open list until what is marked has the words, and takes it. */
async function takeMarked(page: Page, marked: Locator, words: string): Promise<void> {
  const read = async () => ((await marked.count()) > 0 ? (await marked.first().innerText()).trim() : '');
  let now = await read();
  for (let i = 0; i < 60 && now !== words; i++) {
    const before = now;
    await page.keyboard.press('ArrowDown');
    // The mark follows the key a moment later
    for (let wait = 0; wait < 100 && now === before; wait++) {
      await page.waitForTimeout(15);
      now = await read();
    }
    if (now === before) break;
  }
  if (now !== words) throw new Error(`The list has no "${words}"; it ends with "${now}".`);
  await page.keyboard.press('Enter');
}

/** Opens the menu of a button and takes an entry, by keys alone. */
export async function chooseByKeys(page: Page, button: string, entry: string): Promise<void> {
  await pressKey(page.getByRole('button', { name: button, exact: true }));
  await expect(page.getByRole('menu')).toBeFocused();
  await takeMarked(page, page.locator('.p-menu-item.p-focus'), entry);
  await expect(page.getByRole('menu')).toHaveCount(0);
}

/** Takes an entry of a list that drops down, by keys alone. */
export async function selectByKeys(combobox: Locator, entry: string): Promise<void> {
  const page = combobox.page();
  if ((await combobox.innerText()).trim() === entry) return;
  await combobox.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('listbox').waitFor();
  await page.keyboard.press('Home');
  // Where the mark was before is no entry to go on from
  await expect(page.getByRole('option').first()).toHaveClass(/p-focus/);
  const marked = page.locator('[role=option].p-focus');
  await takeMarked(page, marked, entry);
  await expect(page.getByRole('listbox')).toHaveCount(0);
}

/** Takes a section by a part of its name, the first that is found, by keys alone. */
export async function sectionByKeys(page: Page, opener: Locator, name: string): Promise<void> {
  await pressKey(opener);
  const search = page.getByRole('searchbox');
  await expect(search).toBeFocused();
  await search.fill(name);
  const sections = page.getByRole('listbox', { name: 'Sections', exact: true });
  await expect(sections.getByRole('option').first()).toContainText(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toHaveCount(0);
}
