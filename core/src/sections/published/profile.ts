/** Published properties of profiles, to compare the computed ones with. */
export interface PublishedProfile {
  readonly name: string;
  readonly source: string;
  /** Symbol → value, in the units of {@link publishedUnits}. */
  readonly values: Readonly<Record<string, number>>;
}

/** Profiles of one source: a line of numbers each under the symbols of `columns`; – where none is printed. */
export const rows = (source: string, columns: string, table: Record<string, string>): PublishedProfile[] => {
  const names = columns.split(' ');
  return Object.entries(table).map(([name, line]) => ({
    name,
    source,
    values: Object.fromEntries(
      line.split(' ').flatMap((text, i) => (text === '–' ? [] : [[names[i]!, Number(text)]])),
    ),
  }));
};
