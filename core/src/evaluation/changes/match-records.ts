import { sameText } from './words.js';

export interface Identified {
  readonly id: string;
}

/** Records of two lists that are the same ones, and those that only one list has. */
export interface MatchedRecords<T> {
  readonly pairs: readonly { readonly before: T; readonly after: T }[];
  readonly removed: readonly T[];
  readonly added: readonly T[];
}

/** Matches records by id, then by what they hold. The order of the lists does not matter. */
export function matchRecords<T extends Identified>(
  before: readonly T[],
  after: readonly T[],
): MatchedRecords<T> {
  const byId = new Map(after.map((one) => [one.id, one]));
  const pairs = before.flatMap((one) => {
    const other = byId.get(one.id);
    return other ? [{ before: one, after: other }] : [];
  });
  const known = new Set(pairs.map(({ before: one }) => one.id));
  const left = before.filter(({ id }) => !known.has(id));
  const added = after.filter(({ id }) => !known.has(id));
  const removed: T[] = [];
  for (const one of left) {
    const text = contentOf(one);
    const k = added.findIndex((other) => contentOf(other) === text);
    if (k < 0) removed.push(one);
    else pairs.push({ before: one, after: added.splice(k, 1)[0]! });
  }
  return { pairs, removed, added };
}

const contentOf = ({ id: _, ...content }: Identified): string => sameText(content);

/** The ids of a list that another list calls otherwise, to what it calls them. */
export const renamed = <T extends Identified>({ pairs }: MatchedRecords<T>): Map<string, string> =>
  new Map(
    pairs.flatMap(({ before, after }) => (before.id === after.id ? [] : [[after.id, before.id] as const])),
  );
