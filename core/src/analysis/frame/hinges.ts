import { fail } from '../../base/problem.js';
import { releases, type Frame } from './frame.js';

/** What one released freedom left behind, enough to bring loads and displacements through the hinge. */
export interface HingeStep {
  /** Freedom 0 … 11 of the element. */
  readonly freedom: number;
  /** Hinge stiffness, N/m or N·m/rad; 0 for a free hinge. */
  readonly spring: number;
  /** The element's stiffness row of that freedom before the hinge came in. */
  readonly row: Float64Array;
}

/**
 * Puts a member's hinges into its local stiffness by static condensation, one freedom after the other:
 * inside freedom i′ is tied to the outside one by the spring k, so K ← K − K_·i K_i·/(K_ii + k), and row i by k/(K_ii + k).
 *
 * @param softened the stiffness is one under axial force, whose diagonal may vanish or be negative
 * @throws ProblemError `mechanism` when a freedom has nothing left to hold it between its hinges
 */
export function condenseHinges(frame: Frame, member: number, K: Float64Array, softened = false): HingeStep[] {
  const steps: HingeStep[] = [];
  if (frame.axialOnly[member]) return steps;
  const whole = Float64Array.from({ length: 12 }, (_, i) => K[13 * i]!);
  for (let i = 0; i < 12; i++) {
    const spring = frame.hinges[12 * member + i]!;
    if (Number.isNaN(spring)) continue;
    const release = i % 6;
    // A plane frame has no Vy, T and Mz to release
    if (frame.plane && !inPlane(frame, member, release)) continue;
    const original = K[13 * i]!;
    const full = uncondensedDiagonal(frame, member, release);
    if (!softened && spring === 0 && original <= 1e-10 * full) {
      const id = frame.memberIds[member]!;
      fail(
        'mechanism',
        `Member "${id}" is held by nothing in ${releases[release]} between its hinges; make one of them rigid.`,
        { member: id, release: releases[release] },
      );
    }
    const row = K.slice(12 * i, 12 * i + 12);
    const d = original + spring;
    for (let a = 0; a < 12; a++) {
      // Stretch, twist and the two planes of bending mostly do not meet
      if (a === i || row[a] === 0) continue;
      for (let b = 0; b < 12; b++) if (b !== i) K[12 * a + b]! -= (row[a]! * row[b]!) / d;
    }
    for (let a = 0; a < 12; a++) K[12 * a + i] = K[12 * i + a] = (row[a]! * spring) / d;
    steps.push({ freedom: i, spring, row });
  }
  if (!softened) clearRounding(K, whole);
  return steps;
}

/** What is left of a stiffness below this share of the member's own is rounding of what its hinges released. */
const rounding = 1e-13;

/** Sets to zero what is only rounding: a node that nothing holds must not seem to be held by it. */
function clearRounding(K: Float64Array, whole: Float64Array): void {
  for (let a = 0; a < 12; a++)
    for (let b = 0; b < 12; b++)
      if (Math.abs(K[12 * a + b]!) <= rounding * Math.sqrt(whole[a]! * whole[b]!)) K[12 * a + b] = 0;
}

function inPlane(frame: Frame, member: number, release: number): boolean {
  if (release === 0) return true;
  // Row of the local axis that the release goes with: forces along it, moments about it
  const row = 9 * member + 3 * (release % 3);
  const alongY = Math.abs(frame.axes[row + 1]!);
  return release < 3 ? alongY < 1 - 1e-9 : alongY > 1e-9;
}

function uncondensedDiagonal(frame: Frame, member: number, release: number): number {
  const L = frame.length[member]!;
  const at = 6 * member;
  const of = (k: number) => frame.rigidity[at + k]!;
  return [of(0) / L, of(2) / L ** 3, of(1) / L ** 3, of(3) / L, of(1) / L, of(2) / L][release]!;
}

/** Brings the end forces of a loaded, clamped member through its hinges; `f` (12) is changed in place. */
export function condenseLoads(steps: readonly HingeStep[], f: Float64Array): Float64Array {
  const inside = new Float64Array(steps.length);
  steps.forEach(({ freedom, spring, row }, s) => {
    const own = f[freedom]!;
    inside[s] = own;
    const d = row[freedom]! + spring;
    for (let a = 0; a < 12; a++) if (a !== freedom) f[a]! -= (row[a]! * own) / d;
    f[freedom] = (spring * own) / d;
  });
  return inside;
}

/** Turns displacements of the nodes into those of the member's own ends, inside its hinges; `u` (12) in place. */
export function displaceInside(
  steps: readonly HingeStep[],
  inside: Float64Array | undefined,
  u: Float64Array,
): void {
  for (let s = steps.length - 1; s >= 0; s--) {
    const { freedom, spring, row } = steps[s]!;
    let force = spring * u[freedom]! - (inside?.[s] ?? 0);
    for (let a = 0; a < 12; a++) if (a !== freedom) force -= row[a]! * u[a]!;
    u[freedom] = force / (row[freedom]! + spring);
  }
}
