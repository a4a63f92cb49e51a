import type { IDimensions } from '../properties.js';

/** One rolled profile of a series: dimensions, and the published mass used to catch a slip of transcription. */
export interface CatalogueEntry {
  readonly name: string;
  readonly series: string;
  readonly dimensions: IDimensions;
  /** Published mass per metre, kg/m, as printed (three digits). */
  readonly publishedMass: number;
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

/** Turns printed rows (mm) into entries (m). */
export function series(name: string, rows: readonly SeriesRow[]): CatalogueEntry[] {
  return rows.map(([size, h, b, tw, tf, r, publishedMass]) => ({
    name: `${name} ${size}`,
    series: name,
    dimensions: { h: h / 1e3, b: b / 1e3, tw: tw / 1e3, tf: tf / 1e3, r: r / 1e3 },
    publishedMass,
  }));
}
