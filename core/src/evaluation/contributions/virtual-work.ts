import {
  flexibilityCount,
  memberFlexibility,
  polynomialAt,
  type Frame,
  type MemberField,
} from '../../analysis/index.js';
import { gaussPoints } from '../../base/quadrature.js';

/** Parts of a member's share: elastic strains of each force times the virtual one, ∫ over its length. */
export interface StrainParts {
  readonly axial: number;
  readonly bendingY: number;
  readonly bendingZ: number;
  readonly shearY: number;
  readonly shearZ: number;
  readonly torsion: number;
}

export const strainParts = ['axial', 'bendingY', 'bendingZ', 'shearY', 'shearZ', 'torsion'] as const;

const points = 12;

/** ∫ of elastic strains of the state's forces times the virtual forces along a member. */
export function strainWork(
  frame: Frame,
  member: number,
  real: MemberField,
  virtual: MemberField,
): StrainParts {
  const sum = { axial: 0, bendingY: 0, bendingZ: 0, shearY: 0, shearZ: 0, torsion: 0 };
  const breaks = unionOf(real.breaks, virtual.breaks);
  const { terms, coefficients, uniform } = memberFlexibility(frame, member, Float64Array.from(breaks));
  const bends = frame.axialOnly[member] === 1 ? 0 : 1;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const [from, to] = [breaks[s]!, breaks[s + 1]!];
    const base = uniform ? 0 : flexibilityCount * terms * s;
    const [r, v] = [segmentOf(real, (from + to) / 2), segmentOf(virtual, (from + to) / 2)];
    for (const [place, weight] of gaussPoints(points)) {
      const x = from + place * (to - from);
      const c = (k: number) => polynomialAt(coefficients, base + k * terms, terms, x - from);
      const [N, Vy, Vz, T, My, Mz] = forcesAt(real, r, x);
      const [n, vy, vz, t, my, mz] = forcesAt(virtual, v, x);
      const w = weight * (to - from);
      sum.axial += w * n * c(0) * N;
      sum.torsion += w * t * c(4) * T;
      sum.bendingY += bends * w * my * (c(1) * My + c(2) * Mz);
      sum.bendingZ += bends * w * mz * (c(3) * Mz + c(2) * My);
      sum.shearY += bends * w * vy * c(5) * Vy;
      sum.shearZ += bends * w * vz * c(6) * Vz;
    }
  }
  return sum;
}

/** ∫ of imposed strains (axial, curvatures of w and v) times the virtual forces; a bar takes no curvature. */
export function imposedWork(strain: readonly number[], virtual: MemberField, isBar: boolean): number {
  let sum = 0;
  for (let s = 0; s + 1 < virtual.breaks.length; s++) {
    const [from, to] = [virtual.breaks[s]!, virtual.breaks[s + 1]!];
    for (const [place, weight] of gaussPoints(points)) {
      const [n, , , , my, mz] = forcesAt(virtual, s, from + place * (to - from));
      const bending = isBar ? 0 : my * strain[1]! + mz * strain[2]!;
      sum += weight * (to - from) * (n * strain[0]! + bending);
    }
  }
  return sum;
}

function unionOf(a: Float64Array, b: Float64Array): number[] {
  const length = a[a.length - 1]!;
  return [...a, ...b]
    .sort((p, q) => p - q)
    .filter((x, k, all) => k === 0 || x - all[k - 1]! > 1e-10 * length);
}

function segmentOf({ breaks }: MemberField, x: number): number {
  let s = 0;
  while (s + 2 < breaks.length && x > breaks[s + 1]!) s++;
  return s;
}

type SixForces = readonly [number, number, number, number, number, number];

function forcesAt({ breaks, forces, forceTerms: terms }: MemberField, s: number, x: number): SixForces {
  const t = x - breaks[s]!;
  const of = (k: number) => polynomialAt(forces, terms * (6 * s + k), terms, t);
  return [of(0), of(1), of(2), of(3), of(4), of(5)];
}
