import type { StepLog } from '../check.js';
import type { CheckSection } from '../members/section.js';

/** ANSI/AISC 360-22 Tables B4.1a and B4.1b: width-to-thickness ratios of a section's elements and their limits. */

/** √(E/Fy). */
export const root = (s: CheckSection): number => Math.sqrt(s.E / s.fy);

/** Clear depth of the web: less the fillets of rolled shapes; of boxes between the corners, three walls off (B4.1b). m */
export function webDepth(s: CheckSection): number {
  const { shape } = s;
  if (shape.type === 'i' && 'bTop' in shape) return s.h - shape.tfTop - shape.tfBottom - 2 * s.r;
  if (shape.type === 'rectangular-hollow') return s.h - 3 * s.tw;
  return s.h - 2 * s.tf - 2 * s.r;
}

/** kc of built-up flanges, 4/√(h/tw) between 0.35 and 0.76. */
export function webFactor(s: CheckSection): number {
  return Math.min(0.76, Math.max(0.35, 4 / Math.sqrt(webDepth(s) / s.tw)));
}

export const builtUp = (s: CheckSection): boolean => s.fabrication === 'welded';

/** An element in uniform compression: its width, thickness, limit λr, and the factors of Table E7.1. */
export interface CompressedElement {
  readonly name: string;
  readonly b: number;
  readonly t: number;
  readonly limit: number;
  /** How many of them the section has. */
  readonly count: number;
  readonly c1: number;
  readonly c2: number;
}

const stiffened = { c1: 0.18, c2: 1.31 };
const wall = { c1: 0.2, c2: 1.38 };
const free = { c1: 0.22, c2: 1.49 };

/** Elements in uniform compression (Table B4.1a); none of round sections and bars. */
export function compressedElements(s: CheckSection): CompressedElement[] {
  const q = root(s);
  const flangeLimit = builtUp(s) ? 0.64 * Math.sqrt(webFactor(s)) * q : 0.56 * q;
  switch (s.kind) {
    case 'i':
      return [
        { name: 'flange', b: s.b / 2, t: s.tf, limit: flangeLimit, count: 4, ...free },
        { name: 'web', b: webDepth(s), t: s.tw, limit: 1.49 * q, count: 1, ...stiffened },
      ];
    case 'unequal-i': {
      const shape = s.shape as Extract<CheckSection['shape'], { type: 'i'; bTop: number }>;
      return [
        { name: 'top flange', b: shape.bTop / 2, t: shape.tfTop, limit: flangeLimit, count: 2, ...free },
        {
          name: 'bottom flange',
          b: shape.bBottom / 2,
          t: shape.tfBottom,
          limit: flangeLimit,
          count: 2,
          ...free,
        },
        { name: 'web', b: webDepth(s), t: s.tw, limit: 1.49 * q, count: 1, ...stiffened },
      ];
    }
    case 'channel':
      return [
        { name: 'flange', b: s.b, t: s.tf, limit: flangeLimit, count: 2, ...free },
        { name: 'web', b: webDepth(s), t: s.tw, limit: 1.49 * q, count: 1, ...stiffened },
      ];
    case 'tee':
      return [
        { name: 'flange', b: s.b / 2, t: s.tf, limit: flangeLimit, count: 2, ...free },
        { name: 'stem', b: s.h, t: s.tw, limit: 0.75 * q, count: 1, ...free },
      ];
    case 'angle':
      return [
        { name: 'leg along z', b: s.h, t: s.tw, limit: 0.45 * q, count: 1, ...free },
        { name: 'leg along y', b: s.b, t: s.tw, limit: 0.45 * q, count: 1, ...free },
      ];
    case 'box': {
      // Walls of hollow sections have limits of their own; those of boxes of plates are like other stiffened elements
      const limit = (s.shape.type === 'plate-box' ? 1.49 : 1.4) * q;
      const factors = s.shape.type === 'plate-box' ? stiffened : wall;
      return [
        { name: 'wall along z', b: webDepth(s), t: s.tw, limit, count: 2, ...factors },
        { name: 'wall along y', b: flatWidth(s), t: s.tf, limit, count: 2, ...factors },
      ];
    }
    default:
      return [];
  }
}

/** Flat width of a box's flange. m */
export function flatWidth(s: CheckSection): number {
  if (s.shape.type === 'plate-box') return s.b - 2 * (s.shape.c ?? 0) - 2 * s.tw;
  return s.b - 3 * s.tf;
}

/** Whether an element is slender in uniform compression. */
export function isSlender(s: CheckSection): boolean {
  if (s.kind === 'tube') return s.h / s.tw > (0.11 * s.E) / s.fy;
  return compressedElements(s).some(({ b, t, limit }) => b / t > limit);
}

/** λ, λp and λr of an element in flexure, with their step. */
export interface FlexuralElement {
  readonly lambda: number;
  readonly compact: number;
  readonly slender: number;
}

export function logElement(name: string, e: FlexuralElement, log?: StepLog): FlexuralElement {
  log?.(
    `λ ${name}`,
    e.lambda,
    '',
    `λp = ${e.compact.toFixed(2)}, λr = ${e.slender.toFixed(2)}`,
    'Table B4.1b',
  );
  return e;
}

/** Flange in flexure of I sections, channels and tees. */
export function flexuralFlange(
  s: CheckSection,
  width: number,
  thickness: number,
  FL: number,
): FlexuralElement {
  const q = root(s);
  return {
    lambda: width / thickness,
    compact: 0.38 * q,
    slender: builtUp(s) ? 0.95 * Math.sqrt((webFactor(s) * s.E) / FL) : 1.0 * q,
  };
}

/** Web in flexure of doubly symmetric I sections and channels. */
export function flexuralWeb(s: CheckSection): FlexuralElement {
  const q = root(s);
  return { lambda: webDepth(s) / s.tw, compact: 3.76 * q, slender: 5.7 * q };
}
