import { derivative, polynomialAt, rootsBetween, type MemberField } from '../../analysis/index.js';
import { logInto, type CalculationStep, type CoveredItem } from '../check.js';
import type { PhysicalMember } from '../members/physical-member.js';

/** Deflection of a physical member from its reference line, at its largest. */
export interface Deflection {
  readonly x: number;
  /** m. */
  readonly value: number;
}

/**
 * Largest distance of the deflected member from its chord, or from the tangent at its start or end, in both directions across it;
 * exact where it deflects in one of them, else found between 16 places a segment.
 */
export function largestDeflection(
  field: MemberField,
  length: number,
  from: 'chord' | 'start' | 'end',
): Deflection {
  const w = relative(field, length, 'w', from);
  const v = relative(field, length, 'v', from);
  let best: Deflection = { x: 0, value: 0 };
  const consider = (s: number, t: number) => {
    const value = Math.hypot(
      polynomialAt(w[s]!, 0, w[s]!.length, t),
      polynomialAt(v[s]!, 0, v[s]!.length, t),
    );
    if (value > best.value) best = { x: field.breaks[s]! + t, value };
  };
  for (let s = 0; s + 1 < field.breaks.length; s++) {
    const h = field.breaks[s + 1]! - field.breaks[s]!;
    consider(s, 0);
    consider(s, h);
    for (const one of [w[s]!, v[s]!]) for (const t of rootsBetween(derivative(one), 0, h)) consider(s, t);
    if (isZero(w[s]!) || isZero(v[s]!)) continue;
    for (const t of rootsBetween(squareSlope(w[s]!, v[s]!), 0, h)) consider(s, t);
  }
  return best;
}

const isZero = (c: Float64Array): boolean => c.every((value) => value === 0);

/** w·w′ + v·v′, which is zero where the distance turns. */
function squareSlope(w: Float64Array, v: Float64Array): Float64Array {
  const out = new Float64Array(2 * w.length - 1);
  for (const c of [w, v])
    for (let i = 0; i < c.length; i++)
      for (let j = 1; j < c.length; j++) out[i + j - 1]! += c[i]! * j * c[j]!;
  return out;
}

/** A displacement less its reference line, coefficients a segment. */
function relative(
  field: MemberField,
  length: number,
  name: 'v' | 'w',
  from: 'chord' | 'start' | 'end',
): Float64Array[] {
  const terms = field.displacementTerms;
  // In the order u, v, w, φ of a field
  const k = name === 'v' ? 1 : 2;
  const count = field.breaks.length - 1;
  const pieces = Array.from({ length: count }, (_, s) =>
    Float64Array.from(field.displacements.subarray(terms * (4 * s + k), terms * (4 * s + k + 1))),
  );
  const last = pieces[count - 1]!;
  const h = length - field.breaks[count - 1]!;
  const start = pieces[0]![0]!;
  const end = polynomialAt(last, 0, last.length, h);
  const slope =
    from === 'chord'
      ? (end - start) / length
      : from === 'start'
        ? pieces[0]![1]!
        : polynomialAt(derivative(last), 0, last.length - 1, h);
  const origin = from === 'end' ? end - slope * length : start;
  pieces.forEach((piece, s) => {
    piece[0]! -= origin + slope * field.breaks[s]!;
    piece[1]! -= slope;
  });
  return pieces;
}

/** The deflection limit of a member in its service combinations: one item at the worst, or one for each. */
export function deflectionItems(
  member: PhysicalMember,
  states: readonly { readonly id: string; readonly field: MemberField }[],
  options: { steps?: boolean; all?: boolean },
): CoveredItem[] {
  const wanted = member.design.deflection;
  if (!wanted) return [];
  const from = wanted.from ?? 'chord';
  const capacity = wanted.limit * member.length;
  const items = states.map(({ id, field }): CoveredItem => {
    const { x, value } = largestDeflection(field, member.length, from);
    const steps: CalculationStep[] = [];
    if (options.steps) {
      const log = logInto(steps);
      log('L', member.length, 'm', 'length of the physical member');
      log(
        'limit',
        wanted.limit,
        '',
        `given, from the ${from === 'chord' ? 'chord' : `tangent at the ${from}`}`,
      );
      log(
        'w',
        value,
        'm',
        `largest distance from the ${from === 'chord' ? 'chord' : `tangent at the ${from}`}, analysis`,
      );
      log('w,limit', capacity, 'm', 'limit·L');
      log('utilisation', value / capacity, '', 'w / w,limit, limit 1');
    }
    const utilisation = value / capacity;
    return {
      clause: 'deflection',
      title: `Deflection from the ${from === 'chord' ? 'chord' : `tangent at its ${from}`}`,
      combination: id,
      x,
      status: utilisation <= 1 + 1e-9 ? 'pass' : 'fail',
      demand: value,
      capacity,
      utilisation,
      ...(options.steps ? { steps } : {}),
    };
  });
  if (options.all || items.length === 0) return items;
  return [items.reduce((a, b) => (b.utilisation > a.utilisation ? b : a))];
}
