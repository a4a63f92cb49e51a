/** Levenshtein's distance: letters to be changed, added or left out to make one text of another. */
export function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(next[j - 1]! + 1, row[j]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
    row = next;
  }
  return row[b.length]!;
}

/** The `count` names nearest to what was written, whatever its case. */
export function nearestNames(written: string, names: readonly string[], count = 3): string[] {
  const wanted = written.slice(0, 40).toUpperCase();
  return names
    .map((name) => ({ name, distance: editDistance(wanted, name.toUpperCase()) }))
    .sort((a, b) => a.distance - b.distance)
    .slice(0, count)
    .map(({ name }) => name);
}
