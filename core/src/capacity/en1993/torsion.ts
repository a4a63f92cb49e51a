import type { SectionCheck, StepLog } from '../check.js';
import type { CheckSection } from '../section.js';
import { logStrength } from './resistance.js';
import { hasTorsion } from './significant.js';

/**
 * Modulus of Saint-Venant's torsion, τ = T/Wt, m³: of open sections It/tmax; of hollow ones by Bredt along the walls' middle with
 * the wall's own part (EN 10210-2 Annex A); of solid bars It over the greatest slope of the membrane.
 */
export function torsionModulus(s: CheckSection): { Wt: number; from: string } {
  const { p, shape } = s;
  switch (shape.type) {
    case 'circular-hollow':
      return { Wt: p.J / (shape.d / 2), from: 'It/(d/2)' };
    case 'rectangular-hollow': {
      const { h, b, t, ro = 1.5 * t, ri = t } = shape;
      const rc = (ro + ri) / 2;
      const around = 2 * (b - t + h - t) - 2 * rc * (4 - Math.PI);
      const within = (b - t) * (h - t) - rc * rc * (4 - Math.PI);
      return { Wt: p.J / (t + (2 * within) / around), from: 'It/(t + 2·Ah/h), EN 10210-2 Annex A' };
    }
    case 'plate-box': {
      const { h, b, tw, tf, c = 0 } = shape;
      return { Wt: 2 * (b - 2 * c - tw) * (h - tf) * Math.min(tw, tf), from: '2·Am·t, thinnest wall' };
    }
    case 'round':
      return { Wt: p.J / (shape.d / 2), from: 'It/(d/2)' };
    case 'rectangle':
      return rectangleModulus(shape.h, shape.b);
    default:
      return { Wt: p.J / Math.max(s.tw, s.tf), from: 'It/tmax' };
  }
}

/** Greatest stress at the middle of the long side (Timoshenko and Goodier, art. 109). */
function rectangleModulus(h: number, b: number): { Wt: number; from: string } {
  const [long, short] = [Math.max(h, b), Math.min(h, b)];
  let stress = 0;
  let stiffness = 0;
  for (let n = 1; n <= 31; n += 2) {
    const q = (n * Math.PI * long) / (2 * short);
    stress += 1 / (n * n * Math.cosh(q));
    stiffness += Math.tanh(q) / n ** 5;
  }
  const k = 1 - (8 / Math.PI ** 2) * stress;
  const k1 = (1 - ((192 * short) / (Math.PI ** 5 * long)) * stiffness) / 3;
  return { Wt: (k1 / k) * long * short * short, from: 'k2·b·t², rectangle' };
}

/** Stress of Saint-Venant's torsion, Pa. */
export function torsionStress(s: CheckSection, T: number, log?: StepLog): number {
  const { Wt, from } = torsionModulus(s);
  log?.('Wt', Wt, 'm3', from);
  log?.('TEd', Math.abs(T), 'N·m', 'analysis');
  log?.('τt,Ed', Math.abs(T) / Wt, 'N/m2', 'TEd/Wt', '6.2.7(5)');
  return Math.abs(T) / Wt;
}

/** Torsion, EN 1993-1-1 6.2.7: TEd ≤ TRd = Wt·(fy/√3)/γM0, elastic, all of it by Saint-Venant (6.2.7(7) for hollow sections). */
export const torsion: SectionCheck = {
  scope: 'section',
  clause: '6.2.7(1) eq. 6.23',
  title: 'Torsion',
  axis: 'T',
  covers: () => true,
  evaluate(s, f, { code }, log) {
    if (!hasTorsion(s, f)) return undefined;
    logStrength(s, 'γM0', code, log);
    torsionStress(s, f.T, log);
    const capacity = (torsionModulus(s).Wt * s.fy) / (Math.sqrt(3) * code.gammaM0);
    log?.('TRd', capacity, 'N·m', 'Wt·(fy/√3)/γM0', '6.2.7(5)');
    return { demand: Math.abs(f.T), capacity };
  },
};
