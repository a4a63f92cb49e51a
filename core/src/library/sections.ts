import type { FrameModel, Section, Shape } from '../model/types.js';
import { attempt, fail, ProblemError, type Problem } from '../problem.js';
import { resolveMaterial, type MaterialConstants } from './materials.js';
import { findProfile } from './profiles.js';
import type { IDimensions, SectionProperties } from './properties.js';
import { interpolateShape, sameKind, shapeProblem, shapeProperties } from './shapes/index.js';

/** A section with its properties, dimensions where it has a shape, and its material. */
export interface ResolvedSection {
  readonly id: string;
  /** Name to show: the profile's, or the id. */
  readonly title: string;
  readonly material: MaterialConstants;
  readonly properties: SectionProperties;
  /** Outline, where the section is given by profile or shape. */
  readonly shape?: Shape;
  /** Present for doubly symmetric I sections given by profile or shape. */
  readonly dimensions?: IDimensions;
  readonly rolled: boolean;
  /** Shear areas count in the analysis. */
  readonly shearDeformation: boolean;
}

const known = new WeakMap<Section, { material: MaterialConstants; resolved: ResolvedSection }>();

/** Properties of one section of a model; memoised on the section object. */
function resolveSection(section: Section, material: MaterialConstants, path: string): ResolvedSection {
  const cached = known.get(section);
  if (cached?.material === material) return cached.resolved;
  const common = {
    id: section.id,
    material,
    shearDeformation: section.shearDeformation ?? true,
  };
  let resolved: ResolvedSection;
  if (section.profile !== undefined) {
    const entry = findProfile(section.profile, { path: `${path}/profile` }, 'invalid-model');
    const shape = { type: 'i', ...entry.dimensions } as const;
    resolved = {
      ...common,
      title: entry.name,
      properties: shapeProperties(shape),
      shape,
      dimensions: entry.dimensions,
      rolled: true,
    };
  } else if (section.shape !== undefined) {
    const { shape } = section;
    const wrong = shapeProblem(shape);
    if (wrong)
      fail('invalid-model', `In section "${section.id}" ${wrong}; change its dimensions (${path}/shape).`, {
        path: `${path}/shape`,
      });
    const isPlainI = shape.type === 'i' && !('bTop' in shape);
    resolved = {
      ...common,
      title: section.id,
      properties: shapeProperties(shape),
      shape,
      ...(isPlainI ? { dimensions: { ...shape, r: shape.r ?? 0 } } : {}),
      rolled: isPlainI && (shape.r ?? 0) > 0,
    };
  } else {
    resolved = { ...common, title: section.id, properties: section.properties!, rolled: false };
  }
  known.set(section, { material, resolved });
  return resolved;
}

/**
 * Resolves every section of a model against the library.
 *
 * @returns sections by id
 * @throws ProblemError with all unknown profiles and materials at once
 */
export function resolveSections(model: FrameModel): Map<string, ResolvedSection> {
  const problems: Problem[] = [];
  const collect = <T>(work: () => T): T | undefined => {
    const outcome = attempt(work);
    if (outcome.ok) return outcome.value;
    problems.push(...outcome.problems);
    return undefined;
  };
  const materials = new Map<string, MaterialConstants>();
  model.materials.forEach((material, i) => {
    const constants = collect(() => resolveMaterial(material, `/materials/${i}`));
    if (constants) materials.set(material.id, constants);
  });
  const sections = new Map<string, ResolvedSection>();
  model.sections.forEach((section, i) => {
    const material = materials.get(section.material);
    if (!material) return;
    const resolved = collect(() => resolveSection(section, material, `/sections/${i}`));
    if (resolved) sections.set(section.id, resolved);
  });
  if (problems.length > 0) throw new ProblemError(problems);
  return sections;
}

/** Whether a member can taper from one section to the other: one material, and outlines of one kind or properties only. */
export function canTaper(a: ResolvedSection, b: ResolvedSection): boolean {
  if (a.material !== b.material) return false;
  if (a.shape && b.shape) return sameKind(a.shape, b.shape);
  return !a.shape && !b.shape;
}

/**
 * Properties part of the way along a taper: a shape's dimensions vary linearly, of raw properties each property.
 *
 * @param share 0 at the start, 1 at the end
 */
export function taperedProperties(a: ResolvedSection, b: ResolvedSection, share: number): SectionProperties {
  if (a.shape && b.shape) return shapeProperties(interpolateShape(a.shape, b.shape, share));
  const out: Record<string, number> = {};
  for (const [key, value] of Object.entries(a.properties) as [string, number][]) {
    const other = (b.properties as unknown as Record<string, number | undefined>)[key];
    if (other !== undefined) out[key] = value + (other - value) * share;
  }
  return out as unknown as SectionProperties;
}
