import type { AlternativeSummary, Design, FigureSummary, MakeUp, Units } from '@hashira/core';

/** Headings under which rows stand, in their order. */
export const rowGroups = [
  'what differs',
  'figures',
  'sections',
  'utilisation by group',
  'foundations',
] as const;
export type RowGroup = (typeof rowGroups)[number];

/** What stands in a cell beside its value, in words: how it stands to the reference, or that it is the best of its row. */
export type CellWord = '' | 'best' | 'better' | 'worse';

/** One alternative's entry of a row. */
export interface RowCell {
  readonly alternative: string;
  readonly text: string;
  /** All digits, and where the value was found. */
  readonly exact: string;
  /** Difference to the reference. */
  readonly difference: string;
  readonly word: CellWord;
  /** It breaks its limit, is over its capacity or not covered. */
  readonly bad: boolean;
  /** Where it is bad. */
  readonly place: string;
  /** It can be traced, or its difference can be opened: the figure. */
  readonly figure?: FigureSummary;
  /** An alternative whose entry differs from the reference's. */
  readonly differs: boolean;
}

/** A row of the table. */
export interface TableRow {
  readonly id: string;
  readonly group: RowGroup;
  readonly title: string;
  readonly limit: string;
  readonly cells: readonly RowCell[];
  /** (greatest − least) / greatest of the magnitudes; words that differ count as wholly different. */
  readonly spread: number;
  /** Where differences come from can be told. */
  readonly explained?: boolean;
  /** Rows that it opens to. */
  readonly parts?: readonly TableRow[];
}

/** What the table is made of, by alternative. */
export interface TableSource {
  readonly design: Design;
  /** In which values are told. */
  readonly units: Units;
  readonly summaries: ReadonlyMap<string, AlternativeSummary>;
  /** Figures that stand in the table; those of the shown loads alone where these are asked for. */
  readonly figures: ReadonlyMap<string, readonly FigureSummary[]>;
  readonly makeUps: ReadonlyMap<string, MakeUp>;
}

/** How much magnitudes differ. */
export function spreadOf(values: readonly (number | undefined)[]): number {
  const known = values.flatMap((value) => (value === undefined ? [] : [Math.abs(value)]));
  const greatest = Math.max(0, ...known);
  return known.length < 2 || greatest === 0 ? 0 : (greatest - Math.min(...known)) / greatest;
}

/** Values that differ by less than this share are told as equal: their difference reads ±0 %. */
const equal = 5e-4;

/**
 * What each value of a row is in words: best where no other is nearer to zero (or greater, of what is to be great) and some other is worse;
 * else better or worse than the reference's.
 */
export function wordsOf(
  values: readonly (number | undefined)[],
  reference: number,
  greatIsGood: boolean,
): CellWord[] {
  const sizes = values.map((value) =>
    value === undefined ? undefined : (greatIsGood ? 1 : -1) * Math.abs(value),
  );
  const known = sizes.flatMap((size) => (size === undefined ? [] : [size]));
  if (spreadOf(values) <= equal) return values.map(() => '');
  const best = Math.max(...known);
  const same = (a: number, b: number) => Math.abs(a - b) <= equal * Math.max(Math.abs(a), Math.abs(b));
  // What most of them are is not marked
  const isMarked = 2 * known.filter((size) => same(size, best)).length <= known.length;
  return sizes.map((size, i): CellWord => {
    if (size === undefined) return '';
    if (isMarked && same(size, best)) return 'best';
    const base = sizes[reference];
    if (i === reference || base === undefined || same(size, base)) return '';
    return size > base ? 'better' : 'worse';
  });
}

/** Rows in the order that is asked for, each below its group's heading; those that are kept stand above all, hidden ones nowhere. */
export function ordered(
  rows: readonly TableRow[],
  order: 'design' | 'difference',
  hidden: readonly string[],
  kept: readonly string[],
): { readonly heading: string; readonly rows: readonly TableRow[] }[] {
  const shown = rows.filter(({ id }) => !hidden.includes(id));
  const top = kept.flatMap((id) => shown.filter((row) => row.id === id));
  const rest = shown.filter(({ id }) => !kept.includes(id));
  const sorted = order === 'difference' ? [...rest].sort((a, b) => b.spread - a.spread) : rest;
  const groups = rowGroups.map((heading) => ({
    heading: heading,
    rows: sorted.filter(({ group }) => group === heading),
  }));
  return [{ heading: 'kept on top', rows: top }, ...groups].filter((one) => one.rows.length > 0);
}
