import type { SectionProperties, Shape } from '../../model/types.js';
import { angle } from './angle.js';
import { doubleChannel, plateBox, platedI } from './built-up.js';
import { channel } from './channel.js';
import { circularHollow } from './circular-hollow.js';
import { iSection } from './i-section.js';
import { outlineProblem, solidOutline } from '../outline/solid-outline.js';
import { flangeThicknesses } from '../outline/outlines.js';
import { rectangle } from './rectangle.js';
import { rectangularHollow } from './rectangular-hollow.js';
import { round } from './round.js';
import { taperedI } from './tapered-i.js';
import { tee } from './tee.js';
import { unequalI } from './unequal-i.js';

/** What is wrong with a shape's dimensions, in words; undefined where they make an outline. */
export function shapeProblem(shape: Shape): string | undefined {
  switch (shape.type) {
    case 'i': {
      const { r = 0 } = shape;
      const [top, bottom] = 'bTop' in shape ? [shape.tfTop, shape.tfBottom] : [shape.tf, shape.tf];
      const narrow = 'bTop' in shape ? Math.min(shape.bTop, shape.bBottom) : shape.b;
      if (top + bottom + 2 * r > shape.h || shape.tw + 2 * r > narrow) return doNotFit;
      return 'bTop' in shape ? undefined : slopeProblem(shape, (shape.b - shape.tw) / 2);
    }
    case 'channel':
      if (2 * (shape.tf + (shape.r ?? 0)) > shape.h || shape.tw + (shape.r ?? 0) > shape.b) return doNotFit;
      return slopeProblem(shape, shape.b - shape.tw);
    case 'tee':
      return shape.tf + (shape.r ?? 0) > shape.h || shape.tw + 2 * (shape.r ?? 0) > shape.b
        ? doNotFit
        : undefined;
    case 'angle':
      return shape.t + (shape.r ?? 0) + (shape.r2 ?? 0) > Math.min(shape.h, shape.b) ||
        (shape.r2 ?? 0) > shape.t
        ? 'the thickness and radius do not fit into the legs'
        : undefined;
    case 'rectangular-hollow': {
      const { ro = 1.5 * shape.t, ri = shape.t } = shape;
      const side = Math.min(shape.h, shape.b);
      return 2 * shape.t >= side || 2 * ro > side || 2 * ri > side - 2 * shape.t
        ? 'the walls and radii do not fit into h × b'
        : undefined;
    }
    case 'circular-hollow':
      return 2 * shape.t >= shape.d ? 'the wall is thicker than the radius' : undefined;
    case 'rectangle':
    case 'round':
      return undefined;
    case 'plate-box':
      return 2 * shape.tf >= shape.h || 2 * (shape.tw + (shape.c ?? 0)) >= shape.b ? doNotFit : undefined;
    case 'plated-i': {
      const { h, b, tw, tf, r = 0 } = shape;
      return shapeProblem({ type: 'i', h, b, tw, tf, r });
    }
    case 'double-channel':
      return shapeProblem({ ...shape, type: 'channel' });
    case 'outline':
      return outlineProblem(shape);
  }
}

const doNotFit = 'the plates and radii do not fit into h × b';

/** Sloping flanges that would have no thickness at their tips, or toes rounder than they are thick. */
function slopeProblem(
  s: { h: number; tf: number; slope?: number; tfAt?: number; r?: number; r2?: number },
  outstand: number,
): string | undefined {
  const { tip, root } = flangeThicknesses(s.tf, s.slope ?? 0, s.tfAt, outstand);
  if (tip <= 0) return 'the flanges slope so much that nothing is left at their tips';
  return (s.r2 ?? 0) > tip || 2 * (root + (s.r ?? 0)) > s.h ? doNotFit : undefined;
}

/** Properties of a shape, SI; see each shape's file for its formulas. */
export function shapeProperties(shape: Shape): SectionProperties {
  switch (shape.type) {
    case 'i':
      if ('bTop' in shape) return unequalI(shape);
      return shape.slope || shape.r2 ? taperedI(shape) : iSection({ ...shape, r: shape.r ?? 0 });
    case 'channel':
      return channel(shape);
    case 'tee':
      return tee({ ...shape, r: shape.r ?? 0 });
    case 'angle':
      return angle({ ...shape, r: shape.r ?? 0 });
    case 'rectangular-hollow':
      return rectangularHollow(shape);
    case 'circular-hollow':
      return circularHollow(shape.d, shape.t);
    case 'rectangle':
      return rectangle(shape.h, shape.b);
    case 'round':
      return round(shape.d);
    case 'plate-box':
      return plateBox(shape);
    case 'plated-i':
      return platedI(shape);
    case 'double-channel':
      return doubleChannel(shape);
    case 'outline':
      return solidOutline(shape);
  }
}

/** Shapes between two of one kind, see {@link sameKind}, every dimension varied linearly; by the fraction 0 … 1 of the way. */
export function shapesBetween(a: Shape, b: Shape): (fraction: number) => Shape {
  const from = complete(a);
  const to = complete(b) as unknown as Record<string, number | string>;
  const varied = Object.entries(from).flatMap(([key, value]: [string, number | string]) =>
    typeof value === 'number' && to[key] !== value
      ? [{ key, value, change: (to[key] as number) - value }]
      : [],
  );
  return (fraction) => {
    const out = { ...from } as unknown as Record<string, number | string>;
    for (const { key, value, change } of varied) out[key] = value + change * fraction;
    return out as unknown as Shape;
  };
}

/** Shapes whose dimensions can be interpolated: of one type and arrangement, with the same kind of flanges. */
export function sameKind(a: Shape, b: Shape): boolean {
  if (a.type === 'outline' || a.type !== b.type) return false;
  const from = complete(a) as unknown as Record<string, number | string>;
  const to = complete(b) as unknown as Record<string, number | string>;
  return Object.entries(from).every(
    ([key, value]) => typeof to[key] === typeof value && (typeof value === 'number' || value === to[key]),
  );
}

/** The shape with its absent radii written out. */
function complete(shape: Shape): Shape {
  switch (shape.type) {
    case 'i':
      if ('bTop' in shape) return { ...shape, r: shape.r ?? 0 };
      return { ...shape, ...tapering(shape, (shape.b - shape.tw) / 2) };
    case 'channel':
    case 'double-channel':
      return { ...shape, ...tapering(shape, shape.b - shape.tw) };
    case 'tee':
      return { ...shape, r: shape.r ?? 0 };
    case 'angle':
      return { ...shape, r: shape.r ?? 0, r2: shape.r2 ?? 0 };
    case 'plate-box':
      return { ...shape, c: shape.c ?? 0 };
    case 'plated-i':
      return { ...shape, r: shape.r ?? 0, plates: shape.plates ?? 'both' };
    case 'rectangular-hollow':
      return { ...shape, ro: shape.ro ?? 1.5 * shape.t, ri: shape.ri ?? shape.t };
    default:
      return shape;
  }
}

function tapering(
  s: { r?: number; r2?: number; slope?: number; tfAt?: number },
  outstand: number,
): { r: number; r2: number; slope: number; tfAt: number } {
  return { r: s.r ?? 0, r2: s.r2 ?? 0, slope: s.slope ?? 0, tfAt: s.tfAt ?? outstand / 2 };
}
