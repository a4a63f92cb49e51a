import type { Shape } from '../../../model/types.js';
import type { CatalogueEntry } from '../series.js';
import * as table from './us-tables.js';
import { wideFlanges as wideFlangeRows } from './us-wide-flanges.js';

const inch = 0.0254;
/** kg/m of a lb/ft. */
export const poundPerFoot = 0.45359237 / 0.3048;

/** "3-1/2" → 3.5, "7/16" → 0.4375, ".250" → 0.25. */
export function inches(text: string): number {
  const [whole, fraction] = text.includes('-') ? (text.split('-') as [string, string]) : ['0', text];
  const [top, bottom = '1'] = fraction.split('/') as [string, string?];
  return Number(whole) + Number(top) / Number(bottom);
}

const rows = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split(' '));

/** The number after the last X: lb/ft. */
const poundsOf = (name: string): number => Number(name.slice(name.lastIndexOf('X') + 1));

const wideFlanges: CatalogueEntry[] = rows(wideFlangeRows).map(([name, ...numbers]) => {
  const [h, tw, b, tf, k] = numbers.map((n) => Number(n) * inch) as [number, number, number, number, number];
  return {
    name: name!,
    series: 'W',
    standard: 'ASTM A6/A6M',
    fabrication: 'rolled',
    shape: { type: 'i', h, b, tw, tf, r: k - tf },
    publishedMass: poundsOf(name!) * poundPerFoot,
  };
});

/** Tees are wide flanges cut in half: half the depth and half the mass. */
const tees: CatalogueEntry[] = wideFlanges.map(({ name, shape, standard, publishedMass }) => {
  const { h, b, tw, tf, r } = shape as Extract<Shape, { type: 'i'; b: number }>;
  const depth = Number(name.slice(1, name.indexOf('X'))) / 2;
  return {
    name: `WT${depth}X${poundsOf(name) / 2}`,
    series: 'WT',
    standard,
    fabrication: 'rolled',
    shape: { type: 'tee', h: h / 2, b, tw, tf, r: r! },
    publishedMass: publishedMass! / 2,
  };
});

/**
 * Flanges slope by 1/6 (ASTM A6/A6M). The tables give neither radius: k is to the next sixteenth above the fillet's end, so that the
 * fillet's radius is about three quarters of what k would leave, the toe's 0.4 of it; areas then agree with the tables.
 */
const channels: CatalogueEntry[] = rows(table.standardChannels).map(([name, ...numbers]) => {
  const [h, tw, b, tf, k] = numbers.map((n) => Number(n) * inch) as [number, number, number, number, number];
  const slope = 1 / 6;
  const root = tf + (slope * (b - tw)) / 2;
  const r = (0.75 * (k - root)) / Math.tan(Math.PI / 4 - Math.atan(slope) / 2);
  return {
    name: name!,
    series: 'C',
    standard: 'ASTM A6/A6M',
    fabrication: 'rolled',
    shape: { type: 'channel', h, b, tw, tf, r, r2: 0.4 * r, slope },
    publishedMass: poundsOf(name!) * poundPerFoot,
  };
});

/** The tables' areas are those of two rectangles: what the fillet adds the rounded toes take off. */
const angles: CatalogueEntry[] = rows(table.angles).flatMap(([legs, ...walls]) =>
  walls.map((wall) => {
    const [h, b] = legs!.split('X').map((leg) => inches(leg) * inch) as [number, number];
    return {
      name: `L${legs}X${wall}`,
      series: 'L (US)',
      standard: 'ASTM A6/A6M',
      fabrication: 'rolled',
      shape: { type: 'angle', h, b, t: inches(wall) * inch },
    } as const;
  }),
);

const walls = ['7/8', '3/4', '5/8', '1/2', '3/8', '5/16', '1/4', '3/16', '1/8'];

/** The design wall of sections to ASTM A500 is 0.93 of the nominal one (ANSI/AISC 360-22 B4.2). */
const designWall = 0.93;

const rectangular: CatalogueEntry[] = rows(table.hollowSides).flatMap(([sides, thickest, thinnest]) =>
  walls.slice(walls.indexOf(thickest!), walls.indexOf(thinnest!) + 1).map((wall) => {
    const [h, b] = sides!.split('X').map((side) => inches(side) * inch) as [number, number];
    const withWall = (t: number): Shape => ({ type: 'rectangular-hollow', h, b, t, ro: 2 * t, ri: t });
    const nominal = inches(wall) * inch;
    return {
      name: `HSS${sides}X${wall}`,
      series: 'HSS',
      standard: 'ASTM A500',
      fabrication: 'cold-formed',
      shape: withWall(designWall * nominal),
      nominalShape: withWall(nominal),
    } as const;
  }),
);

const round: CatalogueEntry[] = rows(table.roundHollow).flatMap(([diameter, ...list]) =>
  list.map((wall) => {
    const d = Number(diameter) * inch;
    // Printed in thousandths
    const nominal = Number(wall) * inch;
    return {
      name: `HSS${diameter}X${Number(wall).toFixed(3)}`,
      series: 'HSS round',
      standard: 'ASTM A500',
      fabrication: 'cold-formed',
      shape: { type: 'circular-hollow', d, t: designWall * nominal },
      nominalShape: { type: 'circular-hollow', d, t: nominal },
    } as const;
  }),
);

/** American shapes: W, WT, C, L and HSS. */
export const american: readonly CatalogueEntry[] = [
  ...wideFlanges,
  ...tees,
  ...channels,
  ...angles,
  ...rectangular,
  ...round,
];
