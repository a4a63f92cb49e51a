import type { CatalogueEntry } from './series.js';
import type { Shape } from '../../model/types.js';

const entry = (
  name: string,
  standard: string,
  shape: Shape,
  material: CatalogueEntry['material'] = 'steel',
): CatalogueEntry => ({
  name,
  series: name.slice(0, name.lastIndexOf(' ')),
  standard,
  fabrication: 'rolled',
  material,
  shape,
});

/** Width by the thicknesses that are rolled for it, EN 10058, mm. */
const flats: readonly [width: number, thicknesses: readonly number[]][] = [
  [20, [3, 4, 5, 6, 8, 10]],
  [25, [3, 4, 5, 6, 8, 10, 12]],
  [30, [3, 4, 5, 6, 8, 10, 12, 15]],
  [35, [4, 5, 6, 8, 10, 12]],
  [40, [3, 4, 5, 6, 8, 10, 12, 15, 20]],
  [45, [5, 6, 8, 10, 12]],
  [50, [3, 4, 5, 6, 8, 10, 12, 15, 20, 25]],
  [60, [4, 5, 6, 8, 10, 12, 15, 20, 25, 30]],
  [70, [5, 6, 8, 10, 12, 15, 20, 25]],
  [80, [5, 6, 8, 10, 12, 15, 20, 25, 30, 40]],
  [90, [6, 8, 10, 12, 15, 20]],
  [100, [5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50]],
  [110, [8, 10, 12, 15, 20]],
  [120, [6, 8, 10, 12, 15, 20, 25, 30, 40, 50]],
  [130, [8, 10, 12, 15, 20]],
  [140, [8, 10, 12, 15, 20, 25]],
  [150, [6, 8, 10, 12, 15, 20, 25, 30, 40, 50]],
];
const squares = [8, 10, 12, 14, 15, 16, 18, 20, 22, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120, 150];
const rounds = [
  8, 10, 12, 14, 15, 16, 18, 20, 22, 24, 25, 26, 28, 30, 32, 35, 36, 38, 40, 45, 50, 55, 60, 65, 70, 75, 80, 85, 90, 95, 100,
  110, 120, 130, 140, 150, 160, 180, 200, 220, 250,
]; // oxfmt-ignore

/** Bars: flat "FL width x thickness" (EN 10058), square "SQ" (EN 10059), round "RD" (EN 10060). The wide side lies along z. */
export const bars: readonly CatalogueEntry[] = [
  ...flats.flatMap(([b, list]) =>
    list.map((t) => entry(`FL ${b}x${t}`, 'EN 10058', { type: 'rectangle', h: b / 1e3, b: t / 1e3 })),
  ),
  ...squares.map((a) => entry(`SQ ${a}`, 'EN 10059', { type: 'rectangle', h: a / 1e3, b: a / 1e3 })),
  ...rounds.map((d) => entry(`RD ${d}`, 'EN 10060', { type: 'round', d: d / 1e3 })),
];

const aluTubes: readonly [side: number, walls: readonly number[]][] = [
  [20, [1.5, 2]],
  [25, [2, 3]],
  [30, [2, 3]],
  [40, [2, 3, 4]],
  [50, [2, 3, 4, 5]],
  [60, [2, 3, 4, 5]],
  [80, [2, 3, 4, 5]],
  [100, [2, 3, 4, 5, 6]],
  [120, [3, 4, 5]],
  [150, [4, 5]],
];
const aluAngles: readonly [h: number, b: number, walls: readonly number[]][] = [
  [20, 20, [2, 3]],
  [25, 25, [2, 3]],
  [30, 30, [2, 3, 4]],
  [40, 20, [2, 3]],
  [40, 40, [2, 3, 4, 5]],
  [50, 30, [3, 4]],
  [50, 50, [3, 4, 5, 6]],
  [60, 40, [3, 4, 5]],
  [60, 60, [4, 5, 6]],
  [80, 40, [4, 5]],
  [80, 80, [5, 6, 8]],
  [100, 50, [5, 6]],
  [100, 100, [6, 8, 10]],
];

/** Extruded aluminium (EN 755-8 and -9), corners sharp: square tubes "ALU SHS", angles "ALU L", mm. */
export const aluminium: readonly CatalogueEntry[] = [
  ...aluTubes.flatMap(([a, walls]) =>
    walls.map((t) =>
      entry(
        `ALU SHS ${a}x${a}x${t}`,
        'EN 755-8',
        { type: 'rectangular-hollow', h: a / 1e3, b: a / 1e3, t: t / 1e3, ro: 0, ri: 0 },
        'aluminium',
      ),
    ),
  ),
  ...aluAngles.flatMap(([h, b, walls]) =>
    walls.map((t) =>
      entry(
        `ALU L ${h}x${b}x${t}`,
        'EN 755-9',
        { type: 'angle', h: h / 1e3, b: b / 1e3, t: t / 1e3 },
        'aluminium',
      ),
    ),
  ),
];

const widths = [80, 100, 120, 140, 160, 180, 200, 220, 240];

/** Glued laminated timber "GL width x depth", laminations of 40 mm (EN 14080), from 2 to 10 times as deep as wide. */
export const glulam: readonly CatalogueEntry[] = widths.flatMap((b) =>
  Array.from({ length: 40 }, (_, i) => 40 * (i + 1))
    .filter((h) => h >= Math.max(120, b) && h <= Math.min(1600, 10 * b))
    .map((h) => entry(`GL ${b}x${h}`, 'EN 14080', { type: 'rectangle', h: h / 1e3, b: b / 1e3 }, 'timber')),
);
