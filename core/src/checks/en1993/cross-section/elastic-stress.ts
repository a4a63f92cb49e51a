import type { Forces, SectionCheck } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { bentAngleBeyondClass3 } from '../classes/beyond-class-3.js';
import { resistanceClass, staysPlastic } from '../classes/classification.js';
import { logStrength } from '../resistance.js';
import { countOf, hasMy, hasMz } from '../significant.js';

/** Corners of a section from its centroid, m, where σx can be greatest. */
function corners(s: CheckSection): readonly (readonly [y: number, z: number])[] {
  const { p, shape } = s;
  const [l, r, b, t] = [-p.left, p.right, -p.bottom, p.top];
  switch (shape.type) {
    case 'angle':
      return [[l, b], [r, b], [r, b + shape.t], [l + shape.t, t], [l, t]]; // oxfmt-ignore
    case 'tee':
      return [[-shape.tw / 2, b], [shape.tw / 2, b], [l, t], [r, t]]; // oxfmt-ignore
    case 'i':
      if ('bTop' in shape)
        return [[-shape.bBottom / 2, b], [shape.bBottom / 2, b], [-shape.bTop / 2, t], [shape.bTop / 2, t]]; // oxfmt-ignore
      break;
  }
  return [[l, b], [r, b], [r, t], [l, t]]; // oxfmt-ignore
}

/** Greatest magnitude of σx, Pa: N/A − My·z/Iy − Mz·y/Iz, with the product of inertia where there is one. */
export function greatestStress(s: CheckSection, f: Forces): number {
  const { A, Iy, Iz, Iyz } = s.p;
  if (s.kind === 'tube' || s.kind === 'round') return Math.abs(f.N) / A + Math.hypot(f.My, f.Mz) / s.p.Wely;
  const d = Iy * Iz - Iyz * Iyz;
  const gz = (f.My * Iz - f.Mz * Iyz) / d;
  const gy = (f.Mz * Iy - f.My * Iyz) / d;
  let worst = 0;
  for (const [y, z] of corners(s)) worst = Math.max(worst, Math.abs(f.N / A - gz * z - gy * y));
  return worst;
}

/**
 * Elastic stress with axial force and bending, EN 1993-1-1 6.2.9.2: σx,Ed ≤ fy/γM0. In class 3, and for angles, which bend about
 * their principal axes.
 */
export const elasticStress: SectionCheck = {
  scope: 'section',
  clause: '6.2.9.2(1) eq. 6.42',
  title: 'Elastic stress with axial force and bending',
  covers: () => true,
  concerns: ({ section, tapered }) => tapered || !staysPlastic(section),
  atMost: ({ section: s, code }, { extremes, compression, My, Mz }) =>
    s.kind === 'angle'
      ? Infinity
      : ((Math.max(extremes.tension.value, compression.value) / s.p.A +
          My.value / s.p.Wely +
          Mz.value / s.p.Welz) *
          code.gammaM0) /
        s.fy,
  evaluate(s, f, { code }, log) {
    const enough = s.kind === 'angle' ? hasMy(s, f) || hasMz(s, f) : countOf(s, f) > 1;
    if (!enough) return undefined;
    const cls = resistanceClass(s, f, log);
    if (s.kind === 'angle') {
      const beyond = bentAngleBeyondClass3(s, cls);
      if (beyond) return beyond;
    } else if (cls !== 3) return undefined;
    logStrength(s, 'γM0', code, log);
    log?.('A', s.p.A, 'm2', s.name);
    log?.('Iy', s.p.Iy, 'm4', s.name);
    log?.('Iz', s.p.Iz, 'm4', s.name);
    if (s.p.Iyz !== 0) log?.('Iyz', s.p.Iyz, 'm4', s.name);
    log?.('NEd', f.N, 'N', 'analysis');
    log?.('My,Ed', f.My, 'N·m', 'analysis');
    log?.('Mz,Ed', f.Mz, 'N·m', 'analysis');
    const sigma = greatestStress(s, f);
    log?.(
      'σx,Ed',
      sigma,
      'N/m2',
      'N/A − My·z/Iy − Mz·y/Iz at the worst corner (with Iyz the general form)',
      '6.2.9.2(1)',
    );
    const limit = s.fy / code.gammaM0;
    log?.('σx,Rd', limit, 'N/m2', 'fy/γM0', '6.2.9.2(1) eq. 6.42');
    return { demand: sigma / limit, capacity: 1 };
  },
};
