/** Changes of lists whose items have ids; what does not exist leaves the list as it is. */
interface Item {
  readonly id: string;
}

/** The item changed in its place. */
export function changed<T extends Item>(items: readonly T[], id: string, change: (item: T) => T): T[] {
  return items.map((item) => (item.id === id ? change(item) : item));
}

/** The list without an item. */
export function without<T extends Item>(items: readonly T[], id: string): T[] {
  return items.filter((item) => item.id !== id);
}

/** The list with an item at a place; at the end without one. Nothing changes if its id is taken. */
export function withItem<T extends Item>(items: readonly T[], item: T, index = items.length): T[] {
  if (items.some(({ id }) => id === item.id)) return items as T[];
  const out = [...items];
  out.splice(index, 0, item);
  return out;
}

/** An item moved to another place of the list. */
export function movedTo<T extends Item>(items: readonly T[], id: string, index: number): T[] {
  const item = items.find((one) => one.id === id);
  if (!item) return items as T[];
  return withItem(without(items, id), item, Math.max(0, Math.min(index, items.length - 1)));
}

/** Fields set on an object; `undefined` takes a field away. */
export function withFields<T extends object>(object: T, fields: Readonly<Record<string, unknown>>): T {
  return Object.fromEntries(
    Object.entries({ ...object, ...fields }).filter(([, value]) => value !== undefined),
  ) as T;
}

/** A value set within an object by its path, objects made on the way; `undefined` takes it away. */
export function withPath<T extends object>(object: T, path: readonly string[], value: unknown): T {
  const [key, ...rest] = path as [string, ...string[]];
  const own = (object as Record<string, unknown>)[key];
  const next =
    rest.length === 0 ? value : withPath(typeof own === 'object' && own !== null ? own : {}, rest, value);
  if (Array.isArray(object))
    return (object as unknown[]).map((item, i) => (i === Number(key) ? next : item)) as unknown as T;
  return withFields(object, { [key]: next });
}
