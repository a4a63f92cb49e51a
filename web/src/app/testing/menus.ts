/** The entries of the menu that a button opens, by their words; the menu stays open. */
export async function openMenu(button: HTMLElement): Promise<Map<string, HTMLElement>> {
  button.click();
  const until = performance.now() + 10_000;
  const shown = () => [...document.querySelectorAll<HTMLElement>('[role=menuitem]')];
  // A menu that was open before goes first
  do await new Promise((done) => setTimeout(done, 20));
  while (shown().length === 0 && performance.now() < until);
  const entries = shown();
  return new Map(
    entries.map((one) => [
      one.textContent.trim(),
      one.querySelector<HTMLElement>('.p-menu-item-content') ?? one,
    ]),
  );
}

/** Opens the menu of a button and takes an entry. */
export async function chooseOf(button: HTMLElement, words: string): Promise<void> {
  const entries = await openMenu(button);
  const entry = entries.get(words);
  if (!entry) throw new Error(`The menu has no "${words}": ${[...entries.keys()].join('; ')}`);
  entry.click();
  await new Promise((done) => setTimeout(done, 20));
}
