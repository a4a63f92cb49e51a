import type { SectionProperties, Shape } from '../../model/types.js';
import { channel } from './channel.js';
import { iSection } from './i-section.js';
import { integralsOf } from '../outline/outlines.js';

/** Area, second moments and elastic moduli of any shape by the general routine over its outline. */
function fromOutline(shape: Shape): SectionProperties & { Iy: number; Iz: number } {
  const a = integralsOf(shape);
  return {
    A: a.A,
    Iy: a.Iy,
    Iz: a.Iz,
    ...(Math.abs(a.Iyz) > 1e-9 * Math.sqrt(a.Iy * a.Iz) ? { Iyz: a.Iyz } : {}),
    Wely: a.Iy / Math.max(a.top, -a.bottom),
    Welz: a.Iz / Math.max(a.right, -a.left),
    h: a.top - a.bottom,
    b: a.right - a.left,
  };
}

/**
 * Box of four plates: J by Bredt along the centre lines plus the walls' own (EN 10210-2 Annex A with sharp corners) and
 * the flanges' parts outside the webs; Avz = webs, Avy = flanges (EN 1993-1-1 6.2.6(3)e).
 */
export function plateBox(d: Extract<Shape, { type: 'plate-box' }>): SectionProperties {
  const { h, b, tw, tf, c = 0 } = d;
  const bm = b - 2 * c - tw;
  const hm = h - tf;
  const around = 2 * (bm / tf + hm / tw);
  const walls = (2 * (bm * tf ** 3 + hm * tw ** 3)) / 3 + (4 * c * tf ** 3) / 3;
  return {
    ...fromOutline(d),
    J: (4 * (bm * hm) ** 2) / around + walls,
    Avz: 2 * (h - 2 * tf) * tw,
    Avy: 2 * b * tf,
  };
}

/** I with plates on its flanges: J = the I's + Σ b·t³/3 of the plates; Iw by the flanges' and plates' own Iz at their centres. */
export function platedI(d: Extract<Shape, { type: 'plated-i' }>): SectionProperties {
  const { h, b, tw, tf, r = 0, bp, tp, plates = 'both' } = d;
  const own = fromOutline(d);
  const flange = (tf * b ** 3) / 12;
  const plate = (tp * bp ** 3) / 12;
  // Each flange with its plate: its Iz, and the level of their common centre by Iz
  const plated = { I: flange + plate, out: (plate * (tf + tp)) / 2 / (flange + plate) };
  const bare = { I: flange, out: 0 };
  const top = plates === 'bottom' ? bare : plated;
  const bottom = plates === 'top' ? bare : plated;
  const between = h - tf + top.out + bottom.out;
  const count = plates === 'both' ? 2 : 1;
  return {
    ...own,
    J: iSection({ h, b, tw, tf, r }).J + (count * bp * tp ** 3) / 3,
    Iw: ((top.I * bottom.I) / (top.I + bottom.I)) * between ** 2,
    Avz: (h - 2 * tf) * tw,
    Avy: 2 * b * tf + count * bp * tp,
  };
}

/**
 * Two channels. Backs to each other: twice one channel's J (held together by battens at points). Toes welded together:
 * closed, Bredt along the centre lines. Shear areas are twice the channel's.
 */
export function doubleChannel(d: Extract<Shape, { type: 'double-channel' }>): SectionProperties {
  const { h, b, tw, tf, gap, facing } = d;
  const one = channel({ ...d, type: 'channel' });
  const closed = facing === 'toes' && gap === 0;
  const bm = 2 * b - tw;
  const hm = h - tf;
  return {
    ...fromOutline(d),
    J: closed ? (4 * (bm * hm) ** 2) / (2 * (bm / tf + hm / tw)) + 2 * one.J! : 2 * one.J!,
    Avz: 2 * one.Avz!,
    Avy: 2 * one.Avy!,
  };
}
