import { fail } from '../problem.js';
import type { Shape } from '../model/types.js';
import { findProfile } from './profiles.js';
import { shapeProblem } from './shapes/index.js';

/** Shapes made from profiles of the library. All throw `unknown-profile`, or `invalid-shape` where dimensions do not fit. */

type Plain<T extends Shape['type']> = Extract<Shape, { type: T }>;

function checked<T extends Shape>(shape: T): T {
  const wrong = shapeProblem(shape);
  return wrong ? fail('invalid-shape', `In the built-up section ${wrong}; change its dimensions.`) : shape;
}

function profileOf<T extends 'i' | 'channel'>(name: string, type: T, what: string): Plain<T> {
  const { shape, name: full } = findProfile(name);
  return shape.type === type
    ? (shape as Plain<T>)
    : fail('invalid-shape', `${full} is no ${what}; name one that is.`, { profile: full });
}

/** An I of the library with another depth (m), its plates, radius and width kept: for plate girders and haunches. */
export function iWithDepth(profile: string, h: number): Shape {
  return checked({ ...profileOf(profile, 'i', 'I section'), h });
}

/** An I of the library with plates bp × tp (m) on its flanges. */
export function iWithPlates(
  profile: string,
  bp: number,
  tp: number,
  plates: 'both' | 'top' | 'bottom' = 'both',
): Shape {
  const s = profileOf(profile, 'i', 'I section') as Extract<Shape, { type: 'i'; b: number }>;
  if (s.slope)
    return fail(
      'invalid-shape',
      `${profile} has sloping flanges; choose an I with parallel ones for plates.`,
    );
  return checked({ type: 'plated-i', h: s.h, b: s.b, tw: s.tw, tf: s.tf, r: s.r ?? 0, bp, tp, plates });
}

/** Two channels of the library, `gap` (m) between their backs or toes; toes that touch are welded together. */
export function twoChannels(profile: string, gap: number, facing: 'backs' | 'toes'): Shape {
  return checked({ ...profileOf(profile, 'channel', 'channel'), type: 'double-channel', gap, facing });
}

/** A box of four plates: flanges b × tf, webs tw between them, their faces c inside the flanges' tips (m). */
export function boxOfPlates(h: number, b: number, tw: number, tf: number, c = 0): Shape {
  return checked({ type: 'plate-box', h, b, tw, tf, c });
}

/** An I welded of three plates, flanges alike or not (m). */
export function weldedI(
  h: number,
  tw: number,
  top: { b: number; tf: number },
  bottom: { b: number; tf: number } = top,
): Shape {
  return checked(
    top.b === bottom.b && top.tf === bottom.tf
      ? { type: 'i', h, b: top.b, tw, tf: top.tf, r: 0 }
      : { type: 'i', h, tw, bTop: top.b, tfTop: top.tf, bBottom: bottom.b, tfBottom: bottom.tf, r: 0 },
  );
}
