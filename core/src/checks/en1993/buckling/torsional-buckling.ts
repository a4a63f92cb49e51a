import type { MemberCheckRule, MemberState, StepLog } from '../../check.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import { bucklingCurves, loggedReduction } from './buckling-curves.js';
import { flexuralSlenderness, oneLeg } from './flexural-buckling.js';
import { torsionalLength } from '../../members/lengths.js';
import { torsionalCriticalForce } from '../../members/torsional-force.js';
import { memberClass } from '../member-forces.js';
import { compressionArea, logStrength } from '../resistance.js';
import { tooSmall } from '../classes/too-small.js';

function criticalForce(member: PhysicalMember, state: MemberState, area: number, log?: StepLog): number {
  const s = member.section;
  const { p } = s;
  const LT = torsionalLength(member, log);
  const us = p.ys * Math.cos(p.alpha) + p.zs * Math.sin(p.alpha);
  const vs = p.zs * Math.cos(p.alpha) - p.ys * Math.sin(p.alpha);
  const i0 = Math.sqrt((p.Iu + p.Iv) / p.A + us * us + vs * vs);
  const NT = LT === 0 ? Infinity : (s.G * p.J + (Math.PI ** 2 * s.E * p.Iw) / LT ** 2) / i0 ** 2;
  log?.('G', s.G, 'N/m2', s.material, '3.2.6(1)');
  log?.('It', p.J, 'm4', s.name);
  log?.('Iw', p.Iw, 'm6', s.name);
  log?.('i0', i0, 'm', '√(iy² + iz² + ys² + zs²)');
  if (LT > 0) log?.('Ncr,T', NT, 'N', '(G·It + π²·E·Iw/LT²)/i0²', '6.3.1.4(2)');
  if (Math.hypot(us, vs) < 1e-6 * i0 || NT === Infinity) return NT;
  // The principal axis nearer to y buckles over the length about y
  const yIsU = Math.abs(p.alpha) < Math.PI / 4 + 1e-9;
  const [u, v] = s.kind === 'angle' || yIsU ? (['u', 'v'] as const) : (['v', 'u'] as const);
  const first = flexuralSlenderness(member, s.kind === 'angle' ? 'u' : 'y', state, area).Ncr;
  const second = flexuralSlenderness(member, s.kind === 'angle' ? 'v' : 'z', state, area).Ncr;
  const [Nu, Nv] = u === 'u' ? [first, second] : [second, first];
  const [Ny, Nz] = [u === 'u' ? Nu : Nv, v === 'v' ? Nv : Nu];
  if (Ny < Infinity) log?.('Ncr,y', Ny, 'N', 'π²·E·I/Lcr²', '6.3.1.2(1)');
  if (Nz < Infinity) log?.('Ncr,z', Nz, 'N', 'π²·E·I/Lcr²', '6.3.1.2(1)');
  const clean = (value: number) => (Math.abs(value) < 1e-6 * i0 ? 0 : value);
  const Ncr = torsionalCriticalForce({ Nu, Nv, NT }, { us: clean(us), vs: clean(vs), i0 });
  log?.('Ncr,TF', Ncr, 'N', 'lowest root of the coupled equation', '6.3.1.4(2)');
  return Ncr;
}

/**
 * Torsional (doubly symmetric) or torsional-flexural buckling of open sections, EN 1993-1-1 6.3.1.4, by the curve for the z axis.
 */
const torsionalBuckling = (axis: 'T' | 'TF'): MemberCheckRule => ({
  scope: 'member',
  clause: '6.3.1.1(1) eq. 6.46',
  title: axis === 'T' ? 'Torsional buckling' : 'Torsional-flexural buckling',
  axis,
  by: 'compression',
  covers(member) {
    if (member.tapered || oneLeg(member)) return false;
    const { kind } = member.section;
    return axis === 'T' ? kind === 'i' : ['unequal-i', 'channel', 'tee', 'angle'].includes(kind);
  },
  evaluate(member, state, log) {
    const { section: s, code } = member;
    if (tooSmall(s, state.compression.value)) return undefined;
    const cls = memberClass(member, state, log);
    logStrength(s, 'γM1', code, log);
    const A = compressionArea(s, cls, log);
    const Ncr = criticalForce(member, state, A, log);
    const lambdaBar = Math.sqrt((A * s.fy) / Ncr);
    log?.('λ̄T', lambdaBar, '', '√(A·fy/Ncr)', '6.3.1.4(2) eq. 6.52');
    const chi = loggedReduction(lambdaBar, bucklingCurves(s).z, 'T', log);
    const capacity = (chi * A * s.fy) / code.gammaM1;
    log?.('Nb,Rd', capacity, 'N', 'χT·A·fy/γM1', '6.3.1.1(3) eq. 6.47');
    log?.('NEd', state.compression.value, 'N', 'largest compression, analysis');
    return { demand: state.compression.value, capacity, x: state.compression.x };
  },
});

export const torsionalBucklingChecks = (['T', 'TF'] as const).map(torsionalBuckling);
