import type { MemberState } from '../../check.js';
import type { Span, Stretch } from '../../members/lengths.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import { forcesAtX } from '../../members/stations.js';
import { lowestFactor } from '../lowest-factor.js';
import { addProduct, quadrature, Shapes, terms } from './ritz-shapes.js';
import { TaperedStretch } from './tapered-stretch.js';

/** Stretches of a member that are kept: its states are looked at over the same ones. */
const kept = 64;
const stretches = new WeakMap<PhysicalMember, Map<string, TaperedStretch>>();

/** Critical factor of a stretch of a tapered doubly symmetric I for buckling out of its plane; Infinity where nothing makes it buckle. */
export function outOfPlaneFactor(
  member: PhysicalMember,
  state: MemberState,
  { from, to, free }: Span & Pick<Stretch, 'free'>,
): number {
  let known = stretches.get(member);
  if (!known) stretches.set(member, (known = new Map<string, TaperedStretch>()));
  const key = `${from} ${to} ${free}`;
  const stretch = known.get(key) ?? new TaperedStretch(member, { from, to, ...(free ? { free } : {}) });
  // The one that was not asked for longest goes first
  known.delete(key);
  known.set(key, stretch);
  if (known.size > kept) known.delete(known.keys().next().value!);
  return stretch.factor(state);
}

/** Critical factor of a tapered member for buckling in its plane under its own N, its ends held but for a free tip. */
export function inPlaneFactor(member: PhysicalMember, state: MemberState): number {
  const K = { matrix: new Float64Array(terms * terms), n: terms, row: 0, column: 0 };
  const G = { ...K, matrix: new Float64Array(terms * terms) };
  const { start, end } = member.freeEnds;
  const free = start === end ? {} : { free: start ? ('start' as const) : ('end' as const) };
  const whole = { from: 0, to: member.length, ...free };
  const shapes = new Shapes(whole, 2);
  for (const { x, weight } of quadrature(whole)) {
    const s = member.sectionAt(x);
    shapes.at(x);
    addProduct(K, shapes.second, shapes.second, weight * s.E * s.p.Iy);
    addProduct(G, shapes.first, shapes.first, weight * Math.max(0, -forcesAtX(state.field, x).N));
  }
  return lowestFactor(K.matrix, G.matrix, terms);
}
