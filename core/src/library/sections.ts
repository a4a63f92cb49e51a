import type { FrameModel, Section } from '../model/types.js';
import { attempt, fail, ProblemError, type Problem } from '../problem.js';
import { resolveMaterial, type MaterialConstants } from './materials.js';
import { findProfile } from './profiles.js';
import type { IDimensions, SectionProperties } from './properties.js';
import { iSection } from './shapes/i-section.js';

/** A section with its properties, dimensions where it has a shape, and its material. */
export interface ResolvedSection {
  readonly id: string;
  /** Name to show: the profile's, or the id. */
  readonly title: string;
  readonly material: MaterialConstants;
  readonly properties: SectionProperties;
  /** Present for I sections given by profile or shape. */
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
    const properties = iSection(entry.dimensions);
    resolved = { ...common, title: entry.name, properties, dimensions: entry.dimensions, rolled: true };
  } else if (section.shape !== undefined) {
    // A file may leave dimensions out; its schema lists those of every shape
    const { h, b, tw, tf, r = 0 } = section.shape;
    const given: (number | undefined)[] = [h, b, tw, tf];
    if (given.includes(undefined))
      fail('invalid-model', `Shape of section "${section.id}" needs h, b, tw and tf (${path}/shape).`, {
        path: `${path}/shape`,
      });
    if (2 * (tf + r) > h || tw + 2 * r > b)
      fail(
        'invalid-model',
        `The plates and radii of section "${section.id}" do not fit into h × b (${path}/shape).`,
        { path: `${path}/shape` },
      );
    const dimensions = { h, b, tw, tf, r };
    resolved = { ...common, title: section.id, properties: iSection(dimensions), dimensions, rolled: r > 0 };
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
