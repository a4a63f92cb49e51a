import type { Shape } from '../../model/types.js';
import { integrate, moved, type Outline, type Ring } from './outline.js';

/**
 * Boundary of a shape with its fillets, corner radii and flange slopes, in the shape's own axes (y to the right, z up; the
 * origin at mid-width or at the corner of least y, and at the foot).
 */
export function outlineOf(shape: Shape): Outline {
  switch (shape.type) {
    case 'i':
      return 'bTop' in shape ? unequalI(shape) : [iRing(shape)];
    case 'channel':
      return [channelRing(shape)];
    case 'tee':
      return [teeRing(shape)];
    case 'angle':
      return [angleRing(shape)];
    case 'rectangular-hollow': {
      const { h, b, t, ro = 1.5 * t, ri = t } = shape;
      return [box(-b / 2, b / 2, 0, h, ro), hole(-b / 2 + t, b / 2 - t, t, h - t, ri)];
    }
    case 'circular-hollow': {
      const { d, t } = shape;
      return [box(-d / 2, d / 2, 0, d, d / 2), hole(-d / 2 + t, d / 2 - t, t, d - t, d / 2 - t)];
    }
    case 'rectangle':
      return [box(-shape.b / 2, shape.b / 2, 0, shape.h, 0)];
    case 'round':
      return [box(-shape.d / 2, shape.d / 2, 0, shape.d, shape.d / 2)];
    case 'plate-box': {
      const { h, b, tw, tf, c = 0 } = shape;
      return c === 0
        ? [box(-b / 2, b / 2, 0, h, 0), hole(-b / 2 + tw, b / 2 - tw, tf, h - tf, 0)]
        : [overhangingBox(shape.h, b, tf, c), hole(-b / 2 + c + tw, b / 2 - c - tw, tf, h - tf, 0)];
    }
    case 'plated-i':
      return platedI(shape);
    case 'double-channel':
      return doubleChannel(shape);
    case 'outline':
      return outlineOfPoints(shape);
  }
}

function box(y0: number, y1: number, z0: number, z1: number, r: number): Ring {
  return [
    [y0, z0, r],
    [y1, z0, r],
    [y1, z1, r],
    [y0, z1, r],
  ];
}

function hole(y0: number, y1: number, z0: number, z1: number, r: number): Ring {
  return [...box(y0, y1, z0, z1, r)].reverse();
}

/** Mirrors the right half of a section that is symmetric about z: corners from the foot up, y ≥ 0. */
function symmetric(right: Ring): Ring {
  return [...right, ...[...right].reverse().map(([y, z, r]) => [-y, z, r ?? 0] as const)];
}

/**
 * Thicknesses of a tapered flange: at its tip and at the web's face, where `tf` is measured `tfAt` from the tip.
 *
 * @param outstand of the flange from the web's face, m
 */
export function flangeThicknesses(
  tf: number,
  slope: number,
  tfAt: number | undefined,
  outstand: number,
): { tip: number; root: number } {
  const at = tfAt ?? outstand / 2;
  return { tip: tf - slope * at, root: tf + slope * (outstand - at) };
}

/** Doubly symmetric I, flanges parallel or tapered. */
function iRing(s: Extract<Shape, { type: 'i'; b: number }>): Ring {
  const { h, b, tw, tf, r = 0, r2 = 0, slope = 0, tfAt } = s;
  const { tip, root } = flangeThicknesses(tf, slope, tfAt, (b - tw) / 2);
  return symmetric([
    [b / 2, 0],
    [b / 2, tip, r2],
    [tw / 2, root, r],
    [tw / 2, h - root, r],
    [b / 2, h - tip, r2],
    [b / 2, h],
  ]);
}

function unequalI(s: Extract<Shape, { type: 'i'; bTop: number }>): Outline {
  const { h, bTop, tfTop, bBottom, tfBottom, tw, r = 0 } = s;
  return [
    symmetric([
      [bBottom / 2, 0],
      [bBottom / 2, tfBottom],
      [tw / 2, tfBottom, r],
      [tw / 2, h - tfTop, r],
      [bTop / 2, h - tfTop],
      [bTop / 2, h],
    ]),
  ];
}

/** Web at the side of least y, back at y = 0. */
function channelRing(s: Extract<Shape, { type: 'channel' }>): Ring {
  const { h, b, tw, tf, r = 0, r2 = 0, slope = 0, tfAt } = s;
  const { tip, root } = flangeThicknesses(tf, slope, tfAt, b - tw);
  return [
    [0, 0],
    [b, 0],
    [b, tip, r2],
    [tw, root, r],
    [tw, h - root, r],
    [b, h - tip, r2],
    [b, h],
    [0, h],
  ];
}

/** Flange on top. */
function teeRing(s: Extract<Shape, { type: 'tee' }>): Ring {
  const { h, b, tw, tf, r = 0 } = s;
  return symmetric([
    [tw / 2, 0],
    [tw / 2, h - tf, r],
    [b / 2, h - tf],
    [b / 2, h],
  ]);
}

function angleRing(s: Extract<Shape, { type: 'angle' }>): Ring {
  const { h, b, t, r = 0, r2 = 0 } = s;
  return [
    [0, 0],
    [b, 0],
    [b, t, r2],
    [t, t, r],
    [t, h, r2],
    [0, h],
  ];
}

/** Box whose flanges stand out by c beyond the webs. */
function overhangingBox(h: number, b: number, tf: number, c: number): Ring {
  return symmetric([
    [b / 2, 0],
    [b / 2, tf],
    [b / 2 - c, tf],
    [b / 2 - c, h - tf],
    [b / 2, h - tf],
    [b / 2, h],
  ]);
}

function platedI(s: Extract<Shape, { type: 'plated-i' }>): Outline {
  const { h, b, tw, tf, r = 0, bp, tp, plates = 'both' } = s;
  const foot = plates === 'top' ? 0 : tp;
  const head = plates === 'bottom' ? 0 : tp;
  const plateBelow: Ring = foot > 0 ? [[bp / 2, 0], [bp / 2, foot]] : []; // oxfmt-ignore
  const plateAbove: Ring = head > 0 ? [[bp / 2, foot + h], [bp / 2, foot + h + head]] : []; // oxfmt-ignore
  const profile = iRing({ type: 'i', h, b, tw, tf, r });
  const right = profile.slice(0, profile.length / 2).map(([y, z, q]) => [y, z + foot, q ?? 0] as const);
  return [symmetric([...plateBelow, ...right, ...plateAbove])];
}

function doubleChannel(s: Extract<Shape, { type: 'double-channel' }>): Outline {
  const { gap, facing, b } = s;
  const one: Outline = [channelRing({ ...s, type: 'channel' })];
  // Backs: the webs stand gap apart; toes: the flanges' tips do
  return facing === 'backs'
    ? [...moved(one, gap / 2, 0), ...moved(one, -gap / 2, 0, true)]
    : [...moved(one, -(gap / 2 + b), 0), ...moved(one, gap / 2 + b, 0, true)];
}

function outlineOfPoints(s: Extract<Shape, { type: 'outline' }>): Outline {
  return [oriented(s.points, 1), ...(s.holes ?? []).map((ring) => oriented(ring, -1))];
}

/** The ring walked with the material on its left. */
function oriented(ring: Ring, sign: 1 | -1): Ring {
  let area = 0;
  for (let i = 0; i < ring.length; i++) {
    const [y0, z0] = ring[i]!;
    const [y1, z1] = ring[(i + 1) % ring.length]!;
    area += (y0 * z1 - y1 * z0) / 2;
  }
  return area * sign >= 0 ? ring : [...ring].reverse();
}

/** Area integrals of a shape by the general routine. */
export function integralsOf(shape: Shape): ReturnType<typeof integrate> {
  return integrate(outlineOf(shape));
}
