/** The entries of a list that drops down, by their words; the list stays open. */
export async function openList(list: Element): Promise<Map<string, HTMLElement>> {
  (list as HTMLElement).click();
  const until = performance.now() + 10_000;
  const shown = () => [...document.querySelectorAll<HTMLElement>('[role=option]')];
  // A list that was open before goes first
  do await new Promise((done) => setTimeout(done, 20));
  while (shown().length === 0 && performance.now() < until);
  return new Map(shown().map((one) => [one.textContent.trim(), one]));
}

/** What a list that drops down offers; it is closed again. */
export async function offeredBy(list: Element): Promise<string[]> {
  const words = [...(await openList(list)).keys()];
  (list as HTMLElement).click();
  await gone();
  return words;
}

/** Opens a list and takes an entry. */
export async function takeFrom(list: Element, words: string): Promise<void> {
  const entries = await openList(list);
  const entry = entries.get(words);
  if (!entry) throw new Error(`The list has no "${words}": ${[...entries.keys()].join('; ')}`);
  entry.click();
  await gone();
}

async function gone(): Promise<void> {
  const until = performance.now() + 10_000;
  do await new Promise((done) => setTimeout(done, 20));
  while (document.querySelector('[role=option]') && performance.now() < until);
}
