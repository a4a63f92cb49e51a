import type { SectionProperties, Shape } from '../../model/types.js';
import { shapesBetween, shapeProperties } from './index.js';

/** Pairs of shapes whose tapers are kept, and sections kept of each. */
const mostPairs = 64;
const mostSections = 2000;

/** A section of a taper. */
export interface TaperSection {
  readonly shape: Shape;
  readonly properties: SectionProperties;
}

const kept = new Map<string, (fraction: number) => TaperSection>();

/**
 * Sections along a taper whose dimensions vary linearly, by the fraction 0 … 1 of its length. The same fraction gives the same objects, so
 * that what was worked out of a section is found again when a frame is built anew with its taper unchanged.
 */
export function sectionsBetween(a: Shape, b: Shape): (fraction: number) => TaperSection {
  const key = JSON.stringify([a, b]);
  const known = kept.get(key);
  if (known) return known;
  const made = new Map<number, TaperSection>();
  const shapeAt = shapesBetween(a, b);
  const sections = (fraction: number): TaperSection => {
    let section = made.get(fraction);
    if (!section) {
      if (made.size >= mostSections) made.clear();
      const shape = shapeAt(fraction);
      section = { shape, properties: shapeProperties(shape) };
      made.set(fraction, section);
    }
    return section;
  };
  // The oldest goes: a map keeps the order in which keys came
  if (kept.size >= mostPairs) kept.delete(kept.keys().next().value!);
  kept.set(key, sections);
  return sections;
}
