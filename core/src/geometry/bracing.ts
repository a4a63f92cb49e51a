import { fail } from '../base/problem.js';
import { between, distance, type Point } from './vector.js';

/** Ways to brace a panel. */
export const bracingPatterns = [
  'x',
  'diagonal',
  'chevron',
  'v',
  'k',
  'knee',
  'eccentric',
  'storey-x',
] as const;
export type BracingPattern = (typeof bracingPatterns)[number];

/** A panel with its corners as seen from its side: left is least along its horizontal edge. */
export interface Panel {
  readonly corners: { readonly ll: Point; readonly lr: Point; readonly ul: Point; readonly ur: Point };
  /** Counted from 1; decide alternate diagonals and crosses over two storeys. */
  readonly bay: number;
  readonly storey: number;
}

/** Sides of a panel that a brace can end on. */
export type PanelSide = 'above' | 'below' | 'left' | 'right';

/** An end of a brace: a corner, or a place on a side. */
export interface BraceEnd {
  readonly at: Point;
  /** Where it is no corner. */
  readonly on?: PanelSide;
}

export interface BracingOptions {
  readonly pattern: BracingPattern;
  readonly lean: 'right' | 'left' | 'alternate';
  /** Of eccentric bracing, m. */
  readonly link?: number;
  /** Legs of a knee down the column and along the beam, m. */
  readonly knee?: readonly [down: number, across: number];
}

/** The braces of a panel by their two ends. A crossing is in the middle of two diagonals. */
export function bracesOf(
  panel: Panel,
  options: BracingOptions,
  complain: (message: string, field?: string) => never,
): [BraceEnd, BraceEnd][] {
  const { ll, lr, ul, ur } = panel.corners;
  const corner = (at: Point): BraceEnd => ({ at });
  const above = (fraction: number): BraceEnd => ({ at: between(ul, ur, fraction), on: 'above' });
  const below = (fraction: number): BraceEnd => ({ at: between(ll, lr, fraction), on: 'below' });
  const chevron = (): [BraceEnd, BraceEnd][] => [
    [corner(ll), above(0.5)],
    [corner(lr), above(0.5)],
  ];
  const v = (): [BraceEnd, BraceEnd][] => [
    [corner(ul), below(0.5)],
    [corner(ur), below(0.5)],
  ];
  switch (options.pattern) {
    case 'x':
      return [
        [corner(ll), corner(ur)],
        [corner(lr), corner(ul)],
      ];
    case 'diagonal': {
      const right =
        options.lean === 'right' || (options.lean === 'alternate' && (panel.bay + panel.storey) % 2 === 0);
      return [right ? [corner(ll), corner(ur)] : [corner(lr), corner(ul)]];
    }
    case 'chevron':
      return chevron();
    case 'v':
      return v();
    case 'storey-x':
      return panel.storey % 2 === 1 ? chevron() : v();
    case 'k': {
      const middle: BraceEnd = { at: between(ll, ul, 0.5), on: 'left' };
      return [
        [corner(lr), middle],
        [corner(ur), middle],
      ];
    }
    case 'eccentric': {
      const width = distance(ul, ur);
      const link =
        options.link ?? complain('eccentric bracing needs the length of its link; give "link".', 'link');
      if (link <= 1e-4 || link >= width - 1e-4)
        complain(
          `the link of ${link.toFixed(3)} m must be longer than zero and shorter than the beam of ${width.toFixed(3)} m.`,
          'link',
        );
      return [
        [corner(ll), above((1 - link / width) / 2)],
        [corner(lr), above((1 + link / width) / 2)],
      ];
    }
    case 'knee': {
      const [down, across] =
        options.knee ?? complain('knee bracing needs the lengths of its legs; give "knee".', 'knee');
      const [width, height] = [distance(ul, ur), Math.min(distance(ll, ul), distance(lr, ur))];
      if (down <= 1e-4 || across <= 1e-4 || down >= height - 1e-4 || 2 * across > width + 1e-9)
        complain(
          `the "knee" of ${down.toFixed(3)} m down and ${across.toFixed(3)} m across does not fit a panel of ${width.toFixed(3)} × ${height.toFixed(3)} m; make its legs shorter.`,
          'knee',
        );
      return [
        [{ at: between(ul, ll, down / distance(ul, ll)), on: 'left' }, above(across / width)],
        [{ at: between(ur, lr, down / distance(ur, lr)), on: 'right' }, above(1 - across / width)],
      ];
    }
  }
}

/** Throws a `geometry` problem of a step, at the field that is named, else at the one of the pattern. */
export function complaintOf(step: string, pattern: string): (message: string, field?: string) => never {
  return (message, field = pattern) => fail('geometry', `Step "${step}": ${message}`, { step, field });
}
