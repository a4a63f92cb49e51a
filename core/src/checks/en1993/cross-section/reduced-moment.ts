import type { MemberState, StepLog } from '../../check.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import type { CheckSection } from '../../members/section.js';

/** Sections whose plastic resistance with an axial force 6.2.9.1 gives. */
export function hasReducedMoment(s: CheckSection): boolean {
  return (
    s.kind === 'i' || s.kind === 'box' || s.kind === 'tube' || s.kind === 'rectangle' || s.kind === 'round'
  );
}

/**
 * MN,Rd/Mpl,Rd at n = NEd/Npl,Rd (0 … 1), EN 1993-1-1 6.2.9.1(3) to (5); a tube by 1 − n^1.7, a round bar by its plastic stress
 * blocks.
 *
 * @param areaLost part of the web's area that shear takes away, m² (6.2.10)
 */
export function reducedMomentShare(
  s: CheckSection,
  axis: 'y' | 'z',
  n: number,
  areaLost = 0,
  log?: StepLog,
): number {
  return n >= 1 ? remainder : Math.max(remainder, shareOf(s, axis, n, areaLost, log));
}

function shareOf(s: CheckSection, axis: 'y' | 'z', n: number, areaLost: number, log?: StepLog): number {
  const A = s.p.A - areaLost;
  const flanges = 2 * s.b * s.tf;
  switch (s.kind) {
    case 'i': {
      const a = Math.min(0.5, (A - flanges) / A);
      log?.('a', a, '', '(A − 2·b·tf)/A ≤ 0.5', '6.2.9.1(5)');
      const hw = s.h - 2 * s.tf;
      if (axis === 'y') {
        // 6.2.9.1(4): small axial forces are not taken into account
        if (n <= 0.25 && n * A <= 0.5 * hw * s.tw) return 1;
        return Math.min(1, (1 - n) / (1 - 0.5 * a));
      }
      return n <= a || n * A <= hw * s.tw ? 1 : 1 - ((n - a) / (1 - a)) ** 2;
    }
    case 'box': {
      const across = axis === 'y' ? flanges : 2 * s.h * s.tw;
      const share = Math.min(0.5, Math.max(0, (A - across) / A));
      log?.(
        axis === 'y' ? 'aw' : 'af',
        share,
        '',
        axis === 'y' ? '(A − 2·b·t)/A ≤ 0.5' : '(A − 2·h·t)/A ≤ 0.5',
        '6.2.9.1(5)',
      );
      return Math.min(1, (1 - n) / (1 - 0.5 * share));
    }
    case 'tube':
      return 1 - n ** 1.7;
    case 'rectangle':
      return 1 - n * n;
    default:
      return roundShare(n);
  }
}

/**
 * Utilisation of a section that one force nearly or wholly uses up. What is left for the others then goes to nothing and eq. 6.31 to
 * infinity, whatever they are; past 1 it is taken no worse than (n + Σ)·(2 − n), from n = 1 on the sum of eq. 6.2.
 *
 * @param n what the first force uses, such as NEd/Npl,Rd
 * @param others utilisations of the others by themselves
 * @param utilisation by the equation
 */
export function nearlyUsedUp(
  n: number,
  others: readonly number[],
  utilisation: number,
  log?: StepLog,
): number {
  if (utilisation <= 1) return utilisation;
  const sum = others.reduce((total, share) => total + share, n);
  const most = sum * Math.max(1, 2 - n);
  if (utilisation <= most) return utilisation;
  log?.(
    'utilisation',
    most,
    '',
    '(n + ΣMEd/Mpl,Rd)·(2 − n) ≥ n + ΣMEd/Mpl,Rd: hardly anything is left for the moment',
    '6.2.1(7) eq. 6.2',
  );
  return most;
}

/**
 * Of what one force has used up a thousandth is left to the others, so that utilisations stay finite and go on growing: such a
 * section fails by its own item as well.
 */
export const remainder = 1e-3;

/** At most My,Ed/MN,y,Rd or Mz,Ed/MN,z,Rd of a member in one combination: the greatest moment with the greatest axial force. */
export function momentRatioAtMost(member: PhysicalMember, axis: 'y' | 'z', state: MemberState): number {
  const { section: s, code } = member;
  const N = Math.max(state.extremes.tension.value, state.compression.value);
  const n = (N * code.gammaM0) / (s.p.A * s.fy);
  const [W, M] = axis === 'y' ? [s.p.Wply, state.My.value] : [s.p.Wplz, state.Mz.value];
  return (M * code.gammaM0) / (reducedMomentShare(s, axis, n) * W * s.fy);
}

/** A round bar: N by the band about its middle, M by the segments beyond, n = 1 − (2θ − sin 2θ)/π, m = sin³θ. */
function roundShare(n: number): number {
  let [low, high] = [0, Math.PI / 2];
  for (let i = 0; i < 60; i++) {
    const theta = (low + high) / 2;
    if (1 - (2 * theta - Math.sin(2 * theta)) / Math.PI > n) low = theta;
    else high = theta;
  }
  return Math.sin(low) ** 3;
}
