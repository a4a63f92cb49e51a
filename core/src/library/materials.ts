import { fail } from '../problem.js';
import type { Material } from '../model/types.js';

/** All that the analysis and the checks need of a material; SI. */
export interface MaterialConstants {
  readonly id: string;
  readonly kind: string;
  readonly E: number;
  readonly G: number;
  readonly density: number;
  readonly expansion: number;
  /** Strength by nominal thickness: the first row whose limit (m) is not exceeded counts. Pa. */
  readonly strength: readonly { readonly upTo: number; readonly fy: number; readonly fu: number }[];
}

/** EN 1993-1-1 3.2.6: E, ν = 0.3 (G ≈ 81 000 N/mm²), expansion; density by EN 1991-1-1 Table A.4. */
const steel = { kind: 'steel', E: 2.1e11, G: 8.1e10, density: 7850, expansion: 1.2e-5 } as const;

/** EN 1993-1-1 Table 3.1, hot rolled structural steel to EN 10025-2. */
const grade = (id: string, thin: [number, number], thick: [number, number]): MaterialConstants => ({
  id,
  ...steel,
  strength: [
    { upTo: 0.04, fy: thin[0] * 1e6, fu: thin[1] * 1e6 },
    { upTo: 0.08, fy: thick[0] * 1e6, fu: thick[1] * 1e6 },
  ],
});

/** Grades of the library. */
export const grades: readonly MaterialConstants[] = [
  grade('S235', [235, 360], [215, 360]),
  grade('S275', [275, 430], [255, 410]),
  grade('S355', [355, 490], [335, 470]),
  grade('S450', [440, 550], [410, 550]),
];

/**
 * Resolves a model's material: a grade of the library by its id, or the constants given.
 *
 * @throws ProblemError `invalid-model` when constants are missing or the grade is unknown
 */
export function resolveMaterial(material: Material, path: string): MaterialConstants {
  const { E, G, density } = material;
  if (E === undefined) {
    const found = grades.find((g) => g.id.toUpperCase() === material.id.toUpperCase());
    if (found) return found;
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
  };
}

/** Yield strength at a nominal thickness (m), Pa; undefined when the material gives none for it. */
export function yieldStrength(material: MaterialConstants, thickness: number): number | undefined {
  return material.strength.find((row) => thickness <= row.upTo + 1e-12)?.fy;
}
