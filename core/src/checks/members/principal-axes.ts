import type { MemberField } from '../../analysis/index.js';
import { gaussPoints } from '../../base/quadrature.js';
import { diagram, type Diagram } from './diagram.js';
import type { CheckSection } from './section.js';

/**
 * A section's moment about its principal axis u or v between two places: a combination of My and Mz, exact on each piece. As My, it
 * is positive where it compresses the side of v > 0 (of u > 0 about v).
 */
export function principalDiagram(
  s: CheckSection,
  axis: 'u' | 'v',
  field: MemberField,
  from: number,
  to: number,
): Diagram {
  const { alpha } = s.p;
  const terms = field.forceTerms;
  const [cy, cz] = axis === 'u' ? [Math.cos(alpha), -Math.sin(alpha)] : [Math.sin(alpha), Math.cos(alpha)];
  const forces = new Float64Array(field.forces.length);
  for (let segment = 0; segment + 1 < field.breaks.length; segment++)
    for (let k = 0; k < terms; k++) {
      const My = 6 * terms * segment + 4 * terms + k;
      forces[My] = cy * field.forces[My]! + cz * field.forces[My + terms]!;
    }
  return diagram({ ...field, forces }, 'My', from, to);
}

const legPoints = gaussPoints(3);

/**
 * Asymmetry of an angle bent about u, β = ∫v·(u² + v²)dA/Iu − 2·v0, by the legs' middle lines; 0 of equal legs. A moment that
 * compresses the side of v > 0 loses G·It·φ′ by M·β (Wagner), so that Mcr goes with zj = −β/2 there and +β/2 on the other. m
 */
export function angleAsymmetry(s: CheckSection): number {
  if (Math.abs(s.h - s.b) < 1e-9) return 0;
  const { p, tw: t } = s;
  const [cos, sin] = [Math.cos(p.alpha), Math.sin(p.alpha)];
  let integral = 0;
  const leg = (y0: number, z0: number, y1: number, z1: number) => {
    const area = Math.hypot(y1 - y0, z1 - z0) * t;
    for (const [share, weight] of legPoints) {
      const y = y0 + share * (y1 - y0);
      const z = z0 + share * (z1 - z0);
      const u = y * cos + z * sin;
      const v = z * cos - y * sin;
      integral += weight * area * v * (u * u + v * v);
    }
  };
  const [left, bottom] = [-p.left, -p.bottom];
  leg(left + t / 2, bottom, left + t / 2, bottom + s.h);
  leg(left + t, bottom + t / 2, left + s.b, bottom + t / 2);
  return integral / p.Iu - 2 * (p.zs * cos - p.ys * sin);
}

const bySection = new WeakMap<CheckSection, CheckSection>();

/** A section with the properties about its principal axes in place of those about y and z. */
export function aboutPrincipalAxes(s: CheckSection): CheckSection {
  let found = bySection.get(s);
  if (!found) {
    const { Iu, Iv, Welu, Welv } = s.p;
    found = s.withDetails({ ...s.p, Iy: Iu, Iz: Iv, Iyz: 0, Wely: Welu, Welz: Welv });
    bySection.set(s, found);
  }
  return found;
}
