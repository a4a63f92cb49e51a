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

const kept = new Map<string, (share: number) => TaperSection>();

/**
 * Sections along a taper whose dimensions vary linearly, by the share 0 … 1 of its length. The same share gives the same objects, so
 * that what was worked out of a section is found again when a frame is built anew with its taper unchanged.
 */
export function sectionsBetween(a: Shape, b: Shape): (share: number) => TaperSection {
  const key = JSON.stringify([a, b]);
  const known = kept.get(key);
  if (known) return known;
  const made = new Map<number, TaperSection>();
  const shapeAt = shapesBetween(a, b);
  const sections = (share: number): TaperSection => {
    let section = made.get(share);
    if (!section) {
      if (made.size >= mostSections) made.clear();
      const shape = shapeAt(share);
      section = { shape, properties: shapeProperties(shape) };
      made.set(share, section);
    }
    return section;
  };
  // The oldest goes: a map keeps the order in which keys came
  if (kept.size >= mostPairs) kept.delete(kept.keys().next().value!);
  kept.set(key, sections);
  return sections;
}
