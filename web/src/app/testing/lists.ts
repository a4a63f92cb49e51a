/** The entries of the list that a field has open; none where it is closed. */
function entriesOf(list: Element): HTMLElement[] {
  const open = document.getElementById(list.getAttribute('aria-controls') ?? '');
  return [...(open?.querySelectorAll<HTMLElement>('[role=option]') ?? [])];
}

async function until(reached: () => boolean): Promise<void> {
  const end = performance.now() + 10_000;
  while (!reached() && performance.now() < end) await new Promise((done) => setTimeout(done, 5));
}

/** The entries of a list that drops down, by their words; the list stays open. */
export async function openList(list: Element): Promise<Map<string, HTMLElement>> {
  (list as HTMLElement).click();
  await until(() => entriesOf(list).length > 0);
  return new Map(entriesOf(list).map((one) => [one.textContent.trim(), one]));
}

/** What a list that drops down offers; it is closed again. */
export async function offeredBy(list: Element): Promise<string[]> {
  const words = [...(await openList(list)).keys()];
  (list as HTMLElement).click();
  await until(() => entriesOf(list).length === 0);
  return words;
}

/** Opens a list and takes an entry. */
export async function takeFrom(list: Element, words: string): Promise<void> {
  const entries = await openList(list);
  const entry = entries.get(words);
  if (!entry) throw new Error(`The list has no "${words}": ${[...entries.keys()].join('; ')}`);
  entry.click();
  await until(() => entriesOf(list).length === 0);
}
