import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';

/**
 * zj of a section with one axis of symmetry in the plane of bending, from the shear centre, positive where the larger flange is
 * in compression: zj = zs − 0.5·∫(y² + z²)·z dA/Iy (EN 1999-1-1 Annex I.1.2). m
 */
export function asymmetry(s: CheckSection, sign: number): number {
  const { shape, p } = s;
  if (shape.type !== 'tee' && !(shape.type === 'i' && 'bTop' in shape)) return 0;
  const plates: [b: number, z0: number, z1: number][] = [];
  if (shape.type === 'tee')
    plates.push([shape.b, p.top - shape.tf, p.top], [shape.tw, -p.bottom, p.top - shape.tf]);
  else if ('bTop' in shape)
    plates.push(
      [shape.bTop, p.top - shape.tfTop, p.top],
      [shape.tw, -p.bottom + shape.tfBottom, p.top - shape.tfTop],
      [shape.bBottom, -p.bottom, -p.bottom + shape.tfBottom],
    );
  let integral = 0;
  for (const [b, z0, z1] of plates)
    integral += (b * (z1 ** 4 - z0 ** 4)) / 4 + ((b ** 3 / 12) * (z1 ** 2 - z0 ** 2)) / 2;
  return sign * (p.zs - (0.5 * integral) / p.Iy);
}

/** What the diagram, the place of the load and the section's asymmetry make of the critical moment. */
export interface MomentShape {
  readonly C1: number;
  /** C2·zg, m */
  readonly c2zg: number;
  /** m */
  readonly zj: number;
}

/**
 * Elastic critical moment, Mcr = C1·π²EIz/L²·(√(Iw/Iz + L²GIt/(π²EIz) + (C2·zg − zj)²) − (C2·zg − zj)); zj is 0 for sections
 * symmetric about y. N·m
 */
export function criticalMoment(
  s: CheckSection,
  length: number,
  { C1, c2zg, zj }: MomentShape,
  log?: StepLog,
): number {
  const { Iz, Iw, J } = s.p;
  const X = (Math.PI ** 2 * s.E * Iz) / length ** 2;
  const e = c2zg - zj;
  const Mcr = C1 * X * (Math.sqrt(Iw / Iz + (s.G * J) / X + e * e) - e);
  log?.('E', s.E, 'N/m2', s.material, '3.2.6(1)');
  log?.('G', s.G, 'N/m2', s.material, '3.2.6(1)');
  log?.(s.kind === 'angle' ? 'Iv' : 'Iz', Iz, 'm4', s.name);
  log?.('It', J, 'm4', s.name);
  log?.('Iw', Iw, 'm6', s.name);
  if (zj !== 0) log?.('zj', zj, 'm', 'zs − 0.5·∫(y² + z²)·z dA/Iy');
  log?.(
    'Mcr',
    Mcr,
    'N·m',
    zj === 0 ? 'C1·π²EIz/L²·(√(Iw/Iz + L²GIt/(π²EIz) + (C2·zg)²) − C2·zg)' : 'the same with C2·zg − zj',
    '6.3.2.2(2)',
  );
  return Mcr;
}
