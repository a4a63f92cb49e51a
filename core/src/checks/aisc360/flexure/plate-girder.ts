import type { CheckSection } from '../../members/section.js';
import { root } from '../slenderness.js';

/** An I section seen from its compression side, dimensions of F4 and F5, SI. */
export interface Girder {
  readonly bfc: number;
  readonly tfc: number;
  /** Twice the distances from the centroid to the compression flange's inner face (less fillet) and to the plastic axis. */
  readonly hc: number;
  readonly hp: number;
  readonly Sxc: number;
  readonly Sxt: number;
  readonly Iyc: number;
  readonly ho: number;
  readonly aw: number;
  readonly rt: number;
}

/** @param moment its sign tells which flange is in compression */
export function girderOf(s: CheckSection, moment: number): Girder {
  const { p } = s;
  const topCompressed = moment >= 0;
  const shape = s.shape as Extract<CheckSection['shape'], { type: 'i' }>;
  const [top, bottom] =
    'bTop' in shape
      ? [
          { b: shape.bTop, t: shape.tfTop },
          { b: shape.bBottom, t: shape.tfBottom },
        ]
      : [
          { b: shape.b, t: shape.tf },
          { b: shape.b, t: shape.tf },
        ];
  const [c, fibreC, fibreT, plastic] = topCompressed
    ? [top, p.top, p.bottom, p.zPlastic]
    : [bottom, p.bottom, p.top, -p.zPlastic];
  const hc = 2 * (fibreC - c.t - s.r);
  const aw = (hc * s.tw) / (c.b * c.t);
  return {
    bfc: c.b,
    tfc: c.t,
    hc,
    hp: 2 * (fibreC - c.t - s.r - plastic),
    Sxc: p.Iy / fibreC,
    Sxt: p.Iy / fibreT,
    Iyc: (c.t * c.b ** 3) / 12,
    ho: s.h - (top.t + bottom.t) / 2,
    aw,
    rt: c.b / Math.sqrt(12 * (1 + aw / 6)),
  };
}

/** The residual-stress level FL, F4 eq. F4-6. Pa */
export function residualLevel(s: CheckSection, g: Girder): number {
  const ratio = g.Sxt / g.Sxc;
  return ratio >= 0.7 ? 0.7 * s.fy : Math.max(0.5 * s.fy, s.fy * ratio);
}

/**
 * Rpg of slender webs, 1 − aw/(1200 + 300·aw)·(hc/tw − 5.7·√(E/Fy)) ≤ 1 with aw ≤ 10 (F5.2 eq. F5-6).
 *
 * @param slender hc/tw
 */
export function bendingReduction(s: CheckSection, aw: number, slender: number): number {
  const a = Math.min(10, aw);
  return Math.min(1, 1 - (a / (1200 + 300 * a)) * (slender - 5.7 * root(s)));
}
