const wrong: unknown[] = [
  null,
  '',
  'x',
  -1,
  0,
  1e308,
  -1e308,
  1e-308,
  true,
  [],
  {},
  [1, 2],
  'fixed',
  'free',
  3,
  1e9,
];

/** Changes one place of a document: takes it out, doubles it, or puts something else there. */
export function damage(document: unknown, random: () => number): void {
  let at = document as Record<string, unknown>;
  for (let depth = 0; depth < 12; depth++) {
    const keys = Object.keys(at);
    if (keys.length === 0) return;
    const key = keys[Math.floor(random() * keys.length)]!;
    const child = at[key];
    if (typeof child === 'object' && child !== null && random() < 0.85) {
      at = child as Record<string, unknown>;
      continue;
    }
    const what = random();
    if (what < 0.2) Reflect.deleteProperty(at, key);
    else if (what < 0.3) at[`${key}x`] = child;
    else if (what < 0.4 && Array.isArray(at)) at.push(child);
    else at[key] = wrong[Math.floor(random() * wrong.length)];
    return;
  }
}
