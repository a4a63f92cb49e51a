import type { CatalogueEntry } from './series.js';
import type { Fabrication, Shape } from '../../model/types.js';

/** Walls that EN 10210-2 and EN 10219-2 list, mm. */
const hotWalls = [
  2.3, 2.5, 2.6, 2.9, 3, 3.2, 3.6, 4, 5, 6, 6.3, 7.1, 8, 8.8, 10, 12, 12.5, 14.2, 16, 20, 25, 30, 40,
];
const coldWalls = [1.5, 2, 2.5, 3, 4, 5, 6, 6.3, 8, 10, 12, 12.5, 16];

/** Sides and the least and greatest wall that is rolled for them, mm. */
type Range = readonly [h: number, b: number, from: number, to: number];

const hotSquare: Range[] = (
  [
    [40, 2.6, 5],
    [50, 2.5, 6.3],
    [60, 2.5, 8],
    [70, 2.5, 8],
    [80, 3, 10],
    [90, 3.6, 8.8],
    [100, 3.6, 12.5],
    [110, 3.6, 10],
    [120, 4, 16],
    [140, 5, 16],
    [150, 5, 16],
    [160, 5, 16],
    [180, 5, 16],
    [200, 5, 16],
    [220, 6, 16],
    [250, 5, 20],
    [260, 6, 20],
    [300, 6, 20],
    [350, 6.3, 20],
    [400, 8, 20],
  ] as const
).map(([a, from, to]) => [a, a, from, to]);

const hotRectangular: Range[] = [
  [50, 25, 2.5, 4],
  [50, 30, 2.5, 5],
  [60, 40, 2.5, 6.3],
  [80, 40, 3, 8],
  [90, 50, 3, 8],
  [100, 50, 3, 10],
  [100, 60, 3, 10],
  [120, 60, 3.6, 10],
  [120, 80, 3.6, 10],
  [140, 80, 4, 10],
  [150, 100, 4, 16],
  [160, 80, 4, 16],
  [180, 60, 5, 10],
  [180, 100, 4, 16],
  [200, 100, 4, 16],
  [200, 120, 5, 16],
  [200, 150, 6, 16],
  [220, 120, 6, 16],
  [250, 100, 5, 16],
  [250, 150, 5, 16],
  [250, 200, 6, 16],
  [260, 140, 5, 16],
  [260, 180, 6, 16],
  [300, 100, 6, 16],
  [300, 150, 6, 16],
  [300, 200, 5, 20],
  [300, 250, 6, 16],
  [350, 150, 6, 16],
  [350, 250, 5, 16],
  [400, 150, 6, 16],
  [400, 200, 6, 20],
  [400, 300, 8, 16],
  [450, 250, 6, 20],
  [500, 200, 8, 20],
  [500, 300, 6, 20],
];

/** Diameter, least and greatest wall, mm. */
type Tube = readonly [d: number, from: number, to: number];
const tubes: Tube[] = [
  [21.3, 2.3, 3.2],
  [26.9, 2.3, 3.2],
  [33.7, 2.6, 4],
  [42.4, 2.6, 5],
  [48.3, 2.6, 6.3],
  [60.3, 2.6, 8],
  [76.1, 2.6, 10],
  [88.9, 3, 10],
  [101.6, 3.2, 12.5],
  [108, 3.6, 12.5],
  [114.3, 3, 12.5],
  [127, 4, 12.5],
  [133, 4, 12.5],
  [139.7, 3.2, 16],
  [152.4, 4, 16],
  [159, 4, 16],
  [168.3, 4, 20],
  [177.8, 5, 16],
  [193.7, 4, 25],
  [219.1, 4, 25],
  [244.5, 5, 25],
  [273, 5, 30],
  [298.5, 6, 25],
  [323.9, 5, 30],
  [355.6, 6, 30],
  [406.4, 6, 40],
  [457, 6, 40],
  [508, 6, 40],
  [559, 8, 40],
  [610, 6, 40],
  [660, 8, 40],
  [711, 6, 40],
  [762, 6, 40],
  [813, 8, 30],
  [914, 8, 30],
  [1016, 8, 30],
  [1067, 10, 30],
  [1168, 10, 25],
  [1219, 10, 25],
];

const coldSquare: Range[] = (
  [
    [20, 1.5, 2.5],
    [25, 1.5, 3],
    [30, 1.5, 3],
    [35, 1.5, 3],
    [40, 1.5, 4],
    [45, 2, 4],
    [50, 1.5, 5],
    [60, 2, 6.3],
    [70, 2, 6.3],
    [80, 2, 8],
    [90, 2, 8],
    [100, 2, 10],
    [110, 3, 8],
    [120, 3, 12.5],
    [125, 3, 10],
    [140, 4, 12.5],
    [150, 4, 16],
    [160, 4, 16],
    [180, 4, 16],
    [200, 4, 16],
    [220, 5, 16],
    [250, 5, 16],
    [260, 6, 16],
    [300, 6, 16],
    [350, 6, 16],
    [400, 8, 16],
  ] as const
).map(([a, from, to]) => [a, a, from, to]);

const coldRectangular: Range[] = [
  [40, 20, 1.5, 3],
  [50, 25, 1.5, 3],
  [50, 30, 1.5, 4],
  [60, 30, 2, 4],
  [60, 40, 2, 5],
  [70, 50, 2, 5],
  [80, 40, 2, 6.3],
  [80, 60, 2, 6.3],
  [90, 50, 2, 6.3],
  [100, 40, 2, 6.3],
  [100, 50, 2, 6.3],
  [100, 60, 2, 6.3],
  [100, 80, 2, 6.3],
  [120, 40, 3, 6.3],
  [120, 60, 2.5, 8],
  [120, 80, 3, 10],
  [140, 70, 3, 8],
  [140, 80, 3, 10],
  [150, 100, 3, 10],
  [160, 80, 3, 10],
  [180, 80, 4, 10],
  [180, 100, 4, 10],
  [200, 100, 4, 12.5],
  [200, 120, 4, 12.5],
  [220, 120, 4, 12.5],
  [250, 100, 5, 12.5],
  [250, 150, 5, 16],
  [260, 140, 5, 12.5],
  [260, 180, 6, 16],
  [300, 100, 6, 12.5],
  [300, 150, 6, 16],
  [300, 200, 6, 16],
  [350, 250, 6, 16],
  [400, 200, 6, 16],
  [400, 300, 6, 16],
];

const coldTubes: Tube[] = tubes
  .filter(([d]) => d <= 711)
  .map(([d, from, to]) => [d, Math.min(from, d < 60 ? 2 : 3), Math.min(to, 16)]);

/**
 * Corner radii for the properties: hot-finished outside 1.5 t, inside 1.0 t (EN 10210-2 Annex A); cold-formed outside 2 t up
 * to 6 mm, 2.5 t up to 10 mm, 3 t above, inside t less (EN 10219-2 Annex B).
 */
function radii(t: number, fabrication: Fabrication): { ro: number; ri: number } {
  if (fabrication === 'hot-finished') return { ro: 1.5 * t, ri: t };
  const share = t <= 6 ? 2 : t <= 10 ? 2.5 : 3;
  return { ro: share * t, ri: (share - 1) * t };
}

function entry(name: string, fabrication: 'hot-finished' | 'cold-formed', shape: Shape): CatalogueEntry {
  const cold = fabrication === 'cold-formed';
  const full = cold ? `CF ${name}` : name;
  return {
    name: full,
    series: full.slice(0, full.lastIndexOf(' ')),
    standard: cold ? 'EN 10219-2' : 'EN 10210-2',
    fabrication,
    shape,
  };
}

function rectangular(
  ranges: readonly Range[],
  fabrication: 'hot-finished' | 'cold-formed',
): CatalogueEntry[] {
  const walls = fabrication === 'hot-finished' ? hotWalls : coldWalls;
  return ranges.flatMap(([h, b, from, to]) =>
    walls
      .filter((t) => t >= from && t <= to)
      .map((t) => {
        const { ro, ri } = radii(t, fabrication);
        return entry(`${h === b ? 'SHS' : 'RHS'} ${h}x${b}x${t}`, fabrication, {
          type: 'rectangular-hollow',
          h: h / 1e3,
          b: b / 1e3,
          t: t / 1e3,
          ro: ro / 1e3,
          ri: ri / 1e3,
        });
      }),
  );
}

function circular(list: readonly Tube[], fabrication: 'hot-finished' | 'cold-formed'): CatalogueEntry[] {
  const walls = fabrication === 'hot-finished' ? hotWalls : coldWalls;
  return list.flatMap(([d, from, to]) =>
    walls
      .filter((t) => t >= from && t <= to)
      .map((t) => entry(`CHS ${d}x${t}`, fabrication, { type: 'circular-hollow', d: d / 1e3, t: t / 1e3 })),
  );
}

/** Hollow sections of EN 10210-2 (hot-finished) and EN 10219-2 (cold-formed, "CF"), sides × wall in mm. */
export const hollow: readonly CatalogueEntry[] = [
  ...rectangular(hotSquare, 'hot-finished'),
  ...rectangular(hotRectangular, 'hot-finished'),
  ...circular(tubes, 'hot-finished'),
  ...rectangular(coldSquare, 'cold-formed'),
  ...rectangular(coldRectangular, 'cold-formed'),
  ...circular(coldTubes, 'cold-formed'),
];
