import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { internalBuckling, outstandBuckling } from './classification.js';
import { partsOf, type Part } from './parts.js';

/** What remains effective of a class 4 section under one action (EN 1993-1-5 4.3, 4.4). */
export interface EffectiveSection {
  readonly A: number;
  /** Elastic moduli of the effective section, the smaller of both sides; m³. */
  readonly Wy: number;
  readonly Wz: number;
  /** Shift of the centroid, m. */
  readonly ey: number;
  readonly ez: number;
}

/** Compression alone, or a moment of one sign alone. */
export type EffectiveAction = 'N' | 'My+' | 'My-' | 'Mz+' | 'Mz-';

/** A rectangle that is taken away, from the gross section's centroid. */
interface Strip {
  readonly y0: number;
  readonly y1: number;
  readonly z0: number;
  readonly z1: number;
}

interface Sums {
  readonly A: number;
  readonly y: number;
  readonly z: number;
  readonly Iy: number;
  readonly Iz: number;
}

const known = new WeakMap<CheckSection, Map<EffectiveAction, EffectiveSection>>();

/**
 * Effective section with the yield strength at its most compressed fibre: outstand parts first, then internal ones by the
 * stresses of the section so reduced (EN 1993-1-5 4.4(3)).
 */
export function effectiveSection(s: CheckSection, action: EffectiveAction, log?: StepLog): EffectiveSection {
  let byAction = known.get(s);
  if (!byAction) known.set(s, (byAction = new Map<EffectiveAction, EffectiveSection>()));
  const cached = byAction.get(action);
  if (cached && !log) return cached;
  const strips: Strip[] = [];
  const parts = partsOf(s);
  for (const kind of ['outstand', 'internal'] as const) {
    const sums = without(s, strips);
    for (const part of parts)
      if (part.kind === kind) strips.push(...ineffective(s, part, stressOf(action, sums), log));
  }
  const sums = without(s, strips);
  const { p } = s;
  const result: EffectiveSection = {
    A: sums.A,
    Wy: sums.Iy / Math.max(p.top - sums.z, p.bottom + sums.z),
    Wz: sums.Iz / Math.max(p.right - sums.y, p.left + sums.y),
    ey: sums.y,
    ez: sums.z,
  };
  byAction.set(action, result);
  return result;
}

/** Stress pattern of an action on a section, compression positive; only ratios count. */
function stressOf(action: EffectiveAction, sums: Sums): (y: number, z: number) => number {
  switch (action) {
    case 'N':
      return () => 1;
    case 'My+':
      return (_, z) => z - sums.z;
    case 'My-':
      return (_, z) => sums.z - z;
    case 'Mz+':
      return (y) => y - sums.y;
    case 'Mz-':
      return (y) => sums.y - y;
  }
}

function without(s: CheckSection, strips: readonly Strip[]): Sums {
  let { A, Iy, Iz } = s.p;
  let Sy = 0;
  let Sz = 0;
  for (const { y0, y1, z0, z1 } of strips) {
    const [w, h] = [Math.abs(y1 - y0), Math.abs(z1 - z0)];
    const a = w * h;
    const [y, z] = [(y0 + y1) / 2, (z0 + z1) / 2];
    A -= a;
    Sy -= a * z;
    Sz -= a * y;
    Iy -= a * z * z + (w * h ** 3) / 12;
    Iz -= a * y * y + (h * w ** 3) / 12;
  }
  const [y, z] = [Sz / A, Sy / A];
  return { A, y, z, Iy: Iy - A * z * z, Iz: Iz - A * y * y };
}

function ineffective(
  s: CheckSection,
  part: Part,
  stress: (y: number, z: number) => number,
  log?: StepLog,
): Strip[] {
  const first = stress(part.y0, part.z0);
  const second = stress(part.y1, part.z1);
  const most = Math.max(first, second);
  if (most <= 0) return [];
  const internal = part.kind === 'internal';
  const psi = Math.min(first, second) / most;
  const k = internal ? internalBuckling(psi) : outstandBuckling(first, second);
  const lambda = part.c / part.t / (28.4 * s.epsilon * Math.sqrt(k));
  const rho = internal ? internalReduction(lambda, psi) : outstandReduction(lambda);
  log?.(
    `λ̄p ${part.name}`,
    lambda,
    '',
    `b̄/t / (28.4·ε·√kσ), ψ = ${psi.toFixed(3)}, kσ = ${k.toFixed(3)}`,
    'EN 1993-1-5 4.4(2)',
  );
  log?.(
    `ρ ${part.name}`,
    rho,
    '',
    internal ? '(λ̄p − 0.055·(3 + ψ))/λ̄p²' : '(λ̄p − 0.188)/λ̄p²',
    `EN 1993-1-5 eq. ${internal ? '4.2' : '4.3'}`,
  );
  if (rho >= 1) return [];
  // In compression from the end that is compressed most
  const compressed = part.c / (1 - Math.min(0, psi));
  const effective = rho * compressed;
  if (!internal) {
    // Of an outstand part the tip is lost, or what lies next to the tension side
    return second >= first
      ? [stripOf(part, part.c - (compressed - effective), part.c)]
      : [stripOf(part, effective, compressed)];
  }
  const share = psi >= 0 ? 2 / (5 - psi) : 0.4;
  const near = share * effective;
  const far = effective - near;
  return first >= second
    ? [stripOf(part, near, compressed - far)]
    : [stripOf(part, part.c - (compressed - far), part.c - near)];
}

/** EN 1993-1-5 eq. 4.2; ψ not below −3. */
function internalReduction(lambda: number, psi: number): number {
  return lambda <= 0.5 + Math.sqrt(0.085 - 0.055 * Math.max(psi, -3))
    ? 1
    : Math.min(1, (lambda - 0.055 * (3 + Math.max(psi, -3))) / lambda ** 2);
}

/** EN 1993-1-5 eq. 4.3. */
function outstandReduction(lambda: number): number {
  return lambda <= 0.748 ? 1 : Math.min(1, (lambda - 0.188) / lambda ** 2);
}

/** The rectangle of a part between two distances from its first end. */
function stripOf(part: Part, from: number, to: number): Strip {
  const at = (d: number, a: number, b: number) => a + ((b - a) * d) / part.c;
  const half = part.t / 2;
  return part.direction === 'z'
    ? { y0: part.y0 - half, y1: part.y0 + half, z0: at(from, part.z0, part.z1), z1: at(to, part.z0, part.z1) }
    : {
        y0: at(from, part.y0, part.y1),
        y1: at(to, part.y0, part.y1),
        z0: part.z0 - half,
        z1: part.z0 + half,
      };
}
