import type { CheckSection } from '../../members/section.js';

/**
 * A flat compression part of a cross-section (EN 1993-1-1 Table 5.2): its middle line from (y0, z0) to (y1, z1) from the
 * centroid, m. Of an outstand part the first end is at the root, the second its free tip.
 */
export interface Part {
  readonly name: string;
  readonly kind: 'internal' | 'outstand';
  /** Webs lie along z, flanges along y. */
  readonly direction: 'y' | 'z';
  readonly c: number;
  readonly t: number;
  readonly y0: number;
  readonly z0: number;
  readonly y1: number;
  readonly z1: number;
}

const known = new WeakMap<CheckSection, readonly Part[]>();

/** Flat parts of a section; none for tubes and solid bars. */
export function partsOf(s: CheckSection): readonly Part[] {
  let parts = known.get(s);
  if (!parts) known.set(s, (parts = make(s)));
  return parts;
}

function along(
  name: string,
  kind: Part['kind'],
  t: number,
  [y0, z0]: readonly [y: number, z: number],
  [y1, z1]: readonly [y: number, z: number],
): Part {
  return { name, kind, direction: y0 === y1 ? 'z' : 'y', c: Math.hypot(y1 - y0, z1 - z0), t, y0, z0, y1, z1 };
}

function make(s: CheckSection): Part[] {
  const { shape, p } = s;
  switch (shape.type) {
    case 'i': {
      const { h, tw, r = 0 } = shape;
      const [bt, tt, bb, tb] =
        'bTop' in shape
          ? [shape.bTop, shape.tfTop, shape.bBottom, shape.tfBottom]
          : [shape.b, shape.tf, shape.b, shape.tf];
      const top = p.top - tt / 2;
      const bottom = -p.bottom + tb / 2;
      const root = tw / 2 + r;
      return [
        along('top flange', 'outstand', tt, [root, top], [bt / 2, top]),
        along('top flange', 'outstand', tt, [-root, top], [-bt / 2, top]),
        along('bottom flange', 'outstand', tb, [root, bottom], [bb / 2, bottom]),
        along('bottom flange', 'outstand', tb, [-root, bottom], [-bb / 2, bottom]),
        along('web', 'internal', tw, [0, -p.bottom + tb + r], [0, -p.bottom + h - tt - r]),
      ];
    }
    case 'channel': {
      const { h, b, tw, tf, r = 0 } = shape;
      const back = -p.left;
      const z = (h - tf) / 2;
      return [
        along('top flange', 'outstand', tf, [back + tw + r, z], [back + b, z]),
        along('bottom flange', 'outstand', tf, [back + tw + r, -z], [back + b, -z]),
        along('web', 'internal', tw, [back + tw / 2, -h / 2 + tf + r], [back + tw / 2, h / 2 - tf - r]),
      ];
    }
    case 'tee': {
      const { b, tw, tf, r = 0 } = shape;
      const z = p.top - tf / 2;
      return [
        along('flange', 'outstand', tf, [tw / 2 + r, z], [b / 2, z]),
        along('flange', 'outstand', tf, [-tw / 2 - r, z], [-b / 2, z]),
        along('web', 'outstand', tw, [0, p.top - tf - r], [0, -p.bottom]),
      ];
    }
    case 'angle': {
      const { h, b, t } = shape;
      // b̄ of an angle's leg is its whole width (EN 1993-1-5 4.4)
      return [
        along('leg along z', 'outstand', t, [-p.left + t / 2, -p.bottom], [-p.left + t / 2, -p.bottom + h]),
        along('leg along y', 'outstand', t, [-p.left, -p.bottom + t / 2], [-p.left + b, -p.bottom + t / 2]),
      ];
    }
    case 'rectangular-hollow': {
      const { h, b, t } = shape;
      // c = h − 3t, b − 3t (EN 1993-1-5 4.4)
      return walls({ cw: h - 3 * t, cf: b - 3 * t, tw: t, tf: t, y: (b - t) / 2, z: (h - t) / 2 });
    }
    case 'plate-box': {
      const { h, b, tw, tf, c = 0 } = shape;
      const web = b / 2 - c - tw / 2;
      const z = (h - tf) / 2;
      const out = c > 0 ? b / 2 - c : 0;
      const outstands =
        c > 0
          ? [z, -z].flatMap((level) => [
              along('flange outside the web', 'outstand', tf, [out, level], [b / 2, level]),
              along('flange outside the web', 'outstand', tf, [-out, level], [-b / 2, level]),
            ])
          : [];
      return [...walls({ cw: h - 2 * tf, cf: b - 2 * c - 2 * tw, tw, tf, y: web, z }), ...outstands];
    }
    default:
      return [];
  }
}

/** Four walls: clear depth and thickness of the webs and of the flanges, and where their middle lines lie, m. */
interface Walls {
  readonly cw: number;
  readonly cf: number;
  readonly tw: number;
  readonly tf: number;
  readonly y: number;
  readonly z: number;
}

function walls({ cw, cf, tw, tf, y, z }: Walls): Part[] {
  return [
    along('top wall', 'internal', tf, [-cf / 2, z], [cf / 2, z]),
    along('bottom wall', 'internal', tf, [-cf / 2, -z], [cf / 2, -z]),
    along('side wall', 'internal', tw, [y, -cw / 2], [y, cw / 2]),
    along('side wall', 'internal', tw, [-y, -cw / 2], [-y, cw / 2]),
  ];
}
