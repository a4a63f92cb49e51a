/** A free id made from a title: `Fixed bases` → `fixed-bases`, `fixed-bases-2` … */
export function freeId(title: string, taken: readonly string[], fallback = 'item'): string {
  const plain =
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || fallback;
  const known = new Set(taken);
  let id = plain;
  for (let n = 2; known.has(id); n++) id = `${plain}-${n}`;
  return id;
}

/** A title that no other has yet: `Fixed bases`, `Fixed bases 2` … */
export function freeTitle(title: string, taken: readonly string[]): string {
  let free = title;
  for (let n = 2; taken.includes(free); n++) free = `${title} ${n}`;
  return free;
}
