import type { Fabrication, FrameModel, Section, Shape } from '../model/types.js';
import { attempt, fail, problem, ProblemError, type Problem } from '../base/problem.js';
import { resolveMaterial, type MaterialConstants } from './materials.js';
import { findProfile, lookUpProfile } from './profiles.js';
import type { SectionProperties } from './properties.js';
import { sectionsBetween } from './shapes/between.js';
import { sameKind, shapeProblem, shapeProperties } from './shapes/index.js';

/** A section with its properties, dimensions where it has a shape, and its material. */
export interface ResolvedSection {
  readonly id: string;
  /** Name to show: the profile's, or the id. */
  readonly title: string;
  readonly material: MaterialConstants;
  readonly properties: SectionProperties;
  /** Outline, where the section is given by profile or shape. */
  readonly shape?: Shape;
  readonly fabrication: Fabrication;
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
    const { name, shape, fabrication } = findProfile(
      section.profile,
      { path: `${path}/profile` },
      'invalid-model',
    );
    resolved = {
      ...common,
      title: name,
      properties: shapeProperties(shape),
      shape,
      fabrication: section.fabrication ?? fabrication,
    };
  } else if (section.shape !== undefined) {
    const { shape } = section;
    const wrong = shapeProblem(shape);
    if (wrong)
      fail('invalid-model', `In section "${section.id}" ${wrong}; change its dimensions (${path}/shape).`, {
        path: `${path}/shape`,
      });
    resolved = {
      ...common,
      title: section.id,
      properties: shapeProperties(shape),
      shape,
      fabrication: section.fabrication ?? usualFabrication(shape),
    };
  } else {
    resolved = {
      ...common,
      title: section.id,
      properties: section.properties!,
      fabrication: section.fabrication ?? 'rolled',
    };
  }
  known.set(section, { material, resolved });
  return resolved;
}

/** How a shape is taken to be made where the model does not say: welded without root radius, hollow ones hot-finished. */
function usualFabrication(shape: Shape): Fabrication {
  switch (shape.type) {
    case 'i':
    case 'tee':
    case 'channel':
      return (shape.r ?? 0) > 0 ? 'rolled' : 'welded';
    case 'rectangular-hollow':
    case 'circular-hollow':
      return 'hot-finished';
    case 'plate-box':
    case 'plated-i':
    case 'double-channel':
      return 'welded';
    case 'angle':
    case 'rectangle':
    case 'round':
    case 'outline':
      return 'rolled';
  }
}

/** Beyond this many unknown profiles their nearest names are not looked for: a long list of them says enough. */
const mostSuggestions = 50;

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
    if (
      problems.length >= mostSuggestions &&
      section.profile !== undefined &&
      !lookUpProfile(section.profile)
    ) {
      const path = `/sections/${i}/profile`;
      problems.push(
        problem('invalid-model', `The library has no profile "${section.profile}" (${path}).`, { path }),
      );
      return;
    }
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

/** Properties by the fraction 0 … 1 of a taper's length: a shape's dimensions vary linearly, of raw properties each property. */
export function taperedProperties(
  a: ResolvedSection,
  b: ResolvedSection,
): (fraction: number) => SectionProperties {
  if (a.shape && b.shape) {
    const sections = sectionsBetween(a.shape, b.shape);
    return (fraction) => sections(fraction).properties;
  }
  return (fraction) => {
    const out: Record<string, number> = {};
    for (const [key, value] of Object.entries(a.properties) as [string, number][]) {
      const other = (b.properties as unknown as Record<string, number | undefined>)[key];
      if (other !== undefined) out[key] = value + (other - value) * fraction;
    }
    return out as unknown as SectionProperties;
  };
}
