import type { SectionProperties, Shape } from '../../model/types.js';
import { angle } from './angle.js';
import { channel } from './channel.js';
import { circularHollow } from './circular-hollow.js';
import { iSection } from './i-section.js';
import { rectangle } from './rectangle.js';
import { rectangularHollow } from './rectangular-hollow.js';
import { round } from './round.js';
import { tee } from './tee.js';
import { unequalI } from './unequal-i.js';

/** What is wrong with a shape's dimensions, in words; undefined where they make an outline. */
export function shapeProblem(shape: Shape): string | undefined {
  switch (shape.type) {
    case 'i': {
      const { r = 0 } = shape;
      const [top, bottom] = 'bTop' in shape ? [shape.tfTop, shape.tfBottom] : [shape.tf, shape.tf];
      const narrow = 'bTop' in shape ? Math.min(shape.bTop, shape.bBottom) : shape.b;
      return top + bottom + 2 * r > shape.h || shape.tw + 2 * r > narrow
        ? 'the plates and radii do not fit into h × b'
        : undefined;
    }
    case 'channel':
      return 2 * (shape.tf + (shape.r ?? 0)) > shape.h || shape.tw + (shape.r ?? 0) > shape.b
        ? 'the plates and radii do not fit into h × b'
        : undefined;
    case 'tee':
      return shape.tf + (shape.r ?? 0) > shape.h || shape.tw + 2 * (shape.r ?? 0) > shape.b
        ? 'the plates and radii do not fit into h × b'
        : undefined;
    case 'angle':
      return shape.t + (shape.r ?? 0) > Math.min(shape.h, shape.b)
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
  }
}

/** Properties of a shape, SI; see each shape's file for its formulas. */
export function shapeProperties(shape: Shape): SectionProperties {
  switch (shape.type) {
    case 'i':
      return 'bTop' in shape ? unequalI(shape) : iSection({ ...shape, r: shape.r ?? 0 });
    case 'channel':
      return channel({ ...shape, r: shape.r ?? 0 });
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
  }
}

/** Every dimension of a shape varied linearly; both shapes of one type. `share` 0 … 1. */
export function interpolateShape(a: Shape, b: Shape, share: number): Shape {
  const from = complete(a) as unknown as Record<string, number | string>;
  const to = complete(b) as unknown as Record<string, number | string>;
  const out: Record<string, number | string> = { type: a.type };
  for (const [key, value] of Object.entries(from))
    if (typeof value === 'number') out[key] = value + ((to[key] as number) - value) * share;
  return out as unknown as Shape;
}

/** Shapes whose dimensions can be interpolated: of one type, with the same kind of flanges. */
export function sameKind(a: Shape, b: Shape): boolean {
  return a.type === b.type && 'bTop' in a === 'bTop' in b;
}

/** The shape with its absent radii written out. */
function complete(shape: Shape): Shape {
  switch (shape.type) {
    case 'i':
    case 'channel':
    case 'tee':
    case 'angle':
      return { ...shape, r: shape.r ?? 0 };
    case 'rectangular-hollow':
      return { ...shape, ro: shape.ro ?? 1.5 * shape.t, ri: shape.ri ?? shape.t };
    default:
      return shape;
  }
}
