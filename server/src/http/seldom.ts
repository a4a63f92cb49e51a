/** The least time between two lines of one kind, ms. */
const apart = 1000;

const last = new Map<string, number>();

/** Tells what can happen with every request, at most once a second. */
export function seldom(kind: string, tell: () => void): void {
  const now = performance.now();
  if (now - (last.get(kind) ?? -Infinity) < apart) return;
  last.set(kind, now);
  tell();
}
