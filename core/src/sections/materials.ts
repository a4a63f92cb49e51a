import { fail } from '../base/problem.js';
import type { Material } from '../model/types.js';

export interface Strength {
  readonly upTo: number;
  readonly fy: number;
  readonly fu: number;
}

/** All that the analysis and the checks need of a material; SI. */
export interface MaterialConstants {
  readonly id: string;
  readonly kind: string;
  readonly E: number;
  readonly G: number;
  readonly density: number;
  readonly expansion: number;
  /** Strength by nominal thickness: the first row whose limit (m) is not exceeded counts. Pa. */
  readonly strength: readonly Strength[];
  /** Where circular hollow sections have strengths of their own (ASTM A500). */
  readonly roundStrength?: readonly Strength[];
  /** Where the strength comes from. */
  readonly source: string;
}

/** Strength by thickness: up to (m), fy, fu (MPa). */
type Rows = readonly (readonly [upTo: number, fy: number, fu: number])[];

const strengths = (rows: Rows): MaterialConstants['strength'] =>
  rows.map(([upTo, fy, fu]) => ({ upTo, fy: fy * 1e6, fu: fu * 1e6 }));

/** EN 1993-1-1 3.2.6: E, G ≈ 81 000 N/mm², expansion; density by EN 1991-1-1 Table A.4. */
const european = { kind: 'steel', E: 2.1e11, G: 8.1e10, density: 7850, expansion: 1.2e-5 } as const;

/** EN 1993-1-1 Table 3.1: fy and fu up to 40 mm, then up to 80 mm. */
const grade = (
  id: string,
  thin: readonly [number, number],
  thick: readonly [number, number],
): MaterialConstants => ({
  id,
  ...european,
  source: 'EN 1993-1-1 Table 3.1',
  strength: strengths([
    [0.04, ...thin],
    [0.08, ...thick],
  ]),
});

const ksi = 6.894757293168361;
/** ANSI/AISC 360-22: E = 29 000 ksi, G = 11 200 ksi; density 490 lb/ft³. */
const americanSteel = {
  kind: 'steel',
  E: 29000 * ksi * 1e6,
  G: 11200 * ksi * 1e6,
  density: 7849,
  expansion: 1.17e-5,
} as const;

const astm = (
  id: string,
  Fy: number,
  Fu: number,
  round?: readonly [Fy: number, Fu: number],
): MaterialConstants => ({
  id,
  ...americanSteel,
  source: `ASTM ${id.split(' ')[0]}`,
  strength: strengths([[Infinity, Fy * ksi, Fu * ksi]]),
  ...(round ? { roundStrength: strengths([[Infinity, round[0] * ksi, round[1] * ksi]]) } : {}),
});

/** EN 1999-1-1 3.2.5: E, G, density, expansion; fo and fu by Table 3.2b for extruded profiles. */
const aluminium = (id: string, rows: Rows): MaterialConstants => ({
  id,
  kind: 'aluminium',
  E: 7e10,
  G: 2.7e10,
  density: 2700,
  expansion: 2.3e-5,
  source: 'EN 1999-1-1 Table 3.2b',
  strength: strengths(rows),
});

/** EN 14080:2013 Table 5, homogeneous glulam: mean E0 and G, mean density; bending strength of the grade's name. */
const glulam = (id: string, E: number, density: number): MaterialConstants => ({
  id,
  kind: 'timber',
  E: E * 1e6,
  G: 6.5e8,
  density,
  expansion: 5e-6,
  source: 'EN 14080 Table 5',
  strength: [],
});

/** Grades of the library. */
export const grades: readonly MaterialConstants[] = [
  grade('S235', [235, 360], [215, 360]),
  grade('S275', [275, 430], [255, 410]),
  grade('S355', [355, 490], [335, 470]),
  grade('S450', [440, 550], [410, 550]),
  grade('S275N', [275, 390], [255, 370]),
  grade('S355N', [355, 490], [335, 470]),
  grade('S420N', [420, 520], [390, 520]),
  grade('S460N', [460, 540], [430, 540]),
  grade('S275M', [275, 370], [255, 360]),
  grade('S355M', [355, 470], [335, 450]),
  grade('S420M', [420, 520], [390, 500]),
  grade('S460M', [460, 540], [430, 530]),
  grade('S235W', [235, 360], [215, 340]),
  grade('S355W', [355, 490], [335, 490]),
  grade('S460Q', [460, 570], [440, 550]),
  grade('S235H', [235, 360], [215, 340]),
  grade('S275H', [275, 430], [255, 410]),
  grade('S355H', [355, 510], [335, 490]),
  grade('S420NH', [420, 540], [390, 520]),
  grade('S460NH', [460, 560], [430, 550]),
  astm('A36', 36, 58),
  astm('A992', 50, 65),
  astm('A572 Gr 50', 50, 65),
  astm('A500 Gr B', 46, 58, [42, 58]),
  astm('A500 Gr C', 50, 62, [46, 62]),
  aluminium('6060-T66', [
    [0.003, 160, 215],
    [0.025, 150, 195],
  ]),
  aluminium('6082-T6', [
    [0.005, 250, 290],
    [0.015, 260, 310],
  ]),
  glulam('GL24h', 11500, 420),
  glulam('GL26h', 12100, 445),
  glulam('GL28h', 12600, 460),
  glulam('GL30h', 13600, 480),
  glulam('GL32h', 14200, 490),
];

/** Grades that are usually named without their delivery condition. */
const shortNames: Readonly<Record<string, string>> = {
  S420: 'S420N',
  S460: 'S460N',
  A500B: 'A500 Gr B',
  A500C: 'A500 Gr C',
  A500GRADEB: 'A500 Gr B',
  A500GRADEC: 'A500 Gr C',
  A57250: 'A572 Gr 50',
};

const plain = (id: string): string => id.toUpperCase().replace(/[\s._-]+/g, '');
const byName = new Map(grades.map((entry) => [plain(entry.id), entry]));
for (const [short, id] of Object.entries(shortNames)) byName.set(short, byName.get(plain(id))!);
// S355J2, S355 JR, S355K2+N …: the quality does not change what counts here
const withoutQuality = (name: string): string => name.replace(/^(S\d{3})(JR|J0|J2|K2)(H|N|W|\+.*)?$/, '$1');

/** Names of all grades. */
export const gradeNames: readonly string[] = grades.map(({ id }) => id);

/** The grade with this name in any usual spelling, or undefined. */
export function lookUpGrade(id: string): MaterialConstants | undefined {
  const name = plain(id);
  return byName.get(name) ?? byName.get(withoutQuality(name));
}

/**
 * Resolves a model's material: a grade of the library by its id, or the constants given.
 *
 * @throws ProblemError `invalid-model` when constants are missing or the grade is unknown
 */
export function resolveMaterial(material: Material, path: string): MaterialConstants {
  const { E, G, density } = material;
  if (E === undefined) {
    const found = lookUpGrade(material.id);
    if (found) return withOwnStrength(found, material);
    return fail(
      'invalid-model',
      `Material "${material.id}" is no grade of the library (${grades.map((g) => g.id).join(', ')}) and gives no E (${path}).`,
      { path },
    );
  }
  if (G === undefined || density === undefined)
    return fail('invalid-model', `Material "${material.id}" needs E, G and density together (${path}).`, {
      path,
    });
  const fy = material.fy;
  return {
    id: material.id,
    kind: material.kind ?? 'other',
    E,
    G,
    density,
    expansion: material.expansion ?? 0,
    strength: fy === undefined ? [] : [{ upTo: Infinity, fy, fu: material.fu ?? fy }],
    source: 'the model',
  };
}

/** A grade whose model gives another fy or fu. */
function withOwnStrength(grade: MaterialConstants, { fy, fu }: Material): MaterialConstants {
  if (fy === undefined && fu === undefined) return grade;
  const { roundStrength: _, ...rest } = grade;
  const first = grade.strength[0];
  const own = fy ?? first?.fy;
  if (own === undefined) return grade;
  return {
    ...rest,
    source: 'the model',
    strength: [{ upTo: Infinity, fy: own, fu: fu ?? Math.max(own, first?.fu ?? own) }],
  };
}

/**
 * Yield and ultimate strength at a nominal thickness; undefined when the material gives none for it.
 *
 * @param thickness of the thickest part, m
 * @param round a circular hollow section
 * @returns Pa
 */
export function strengthAt(
  material: MaterialConstants,
  thickness: number,
  round = false,
): Strength | undefined {
  const rows = (round ? material.roundStrength : undefined) ?? material.strength;
  return rows.find((row) => thickness <= row.upTo + 1e-12);
}
