import type { Fabrication, Shape } from '../../model/types.js';

/** One profile of a series: its dimensions and where they come from. */
export interface CatalogueEntry {
  readonly name: string;
  readonly series: string;
  /** The standard that gives the dimensions. */
  readonly standard: string;
  readonly fabrication: Fabrication;
  /** What it is made of; absent: steel. */
  readonly material?: 'steel' | 'aluminium' | 'timber';
  /** Dimensions in m; of American hollow sections with the design wall. */
  readonly shape: Shape;
  /** The same with the nominal wall, which is what is weighed. */
  readonly nominalShape?: Shape;
  /** Published mass per metre, kg/m, as printed, where dimensions were copied and not given by the name. */
  readonly publishedMass?: number;
}

/** One row as printed in the tables: nominal size, h, b, tw, tf, r in mm, mass in kg/m. */
export type SeriesRow = readonly [
  size: number,
  h: number,
  b: number,
  tw: number,
  tf: number,
  r: number,
  mass: number,
];

/** European I sections by EN 10365: printed rows (mm) into entries (m). */
export function series(name: string, rows: readonly SeriesRow[]): CatalogueEntry[] {
  return namedSeries(
    name,
    'EN 10365',
    rows.map(([size, ...rest]) => [`${size}`, ...rest] as const),
  );
}

export type NamedRow = readonly [
  size: string,
  h: number,
  b: number,
  tw: number,
  tf: number,
  r: number,
  mass: number,
];

/** I sections whose size is a text. */
export function namedSeries(name: string, standard: string, rows: readonly NamedRow[]): CatalogueEntry[] {
  return rows.map(([size, h, b, tw, tf, r, publishedMass]) =>
    rolled(name, size, standard, { type: 'i', ...metres({ h, b, tw, tf, r }) }, publishedMass),
  );
}

/** Channels with parallel flanges. */
export function channelSeries(name: string, standard: string, rows: readonly NamedRow[]): CatalogueEntry[] {
  return rows.map(([size, h, b, tw, tf, r, publishedMass]) =>
    rolled(name, size, standard, { type: 'channel', ...metres({ h, b, tw, tf, r }) }, publishedMass),
  );
}

/** Dimensions of a section with sloping flanges, m; `r` at the root, `r2` at the toe. */
type TaperedDimensions = Readonly<Record<'h' | 'b' | 'tw' | 'tf' | 'r' | 'r2', number>>;

/** Sections with sloping flanges: size, h, b, tw, tf, root radius, toe radius in mm, mass. */
export function taperedSeries(
  name: string,
  rows: readonly (readonly [number, number, number, number, number, number, number, number])[],
  shape: (dimensions: TaperedDimensions) => Shape,
): CatalogueEntry[] {
  return rows.map(([size, h, b, tw, tf, r, r2, mass]) =>
    rolled(name, `${size}`, 'EN 10365', shape(metres({ h, b, tw, tf, r, r2 })), mass),
  );
}

/** Angles of EN 10056-1: longer leg (along z), shorter leg, t, root radius in mm, mass. */
export function angleSeries(
  rows: readonly (readonly [h: number, b: number, t: number, r: number, mass: number])[],
): CatalogueEntry[] {
  return rows.map(([h, b, t, r, mass]) =>
    rolled(
      'L',
      `${h}x${b}x${t}`,
      'EN 10056-1',
      { type: 'angle', ...metres({ h, b, t, r, r2: r / 2 }) },
      mass,
    ),
  );
}

function rolled(
  series: string,
  size: string,
  standard: string,
  shape: Shape,
  publishedMass: number,
): CatalogueEntry {
  return { name: `${series} ${size}`, series, standard, fabrication: 'rolled', shape, publishedMass };
}

function metres<T extends Record<string, number>>(millimetres: T): T {
  return Object.fromEntries(Object.entries(millimetres).map(([key, value]) => [key, value / 1e3])) as T;
}
