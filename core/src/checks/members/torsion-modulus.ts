import type { CheckSection } from './section.js';

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
