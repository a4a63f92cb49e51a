import type { Frame, FrameState, MemberField } from '../analysis/index.js';
import { forceAt, forceCandidates, forceExtremesInto, type ForceName, pointOn } from '../results/index.js';
import { between, times, type Point } from '../recipe/geometry/vector.js';
import { formatExact, formatWithUnit } from '../units/format.js';
import type { QuantityName } from '../units/quantities.js';
import type { Colour, Draughtsman } from './drawing.js';
import { axisOf, stationsAlong } from './places.js';

interface Style {
  /** Local axis along which ordinates stand, and their sign. */
  readonly axis: 1 | 2;
  readonly sign: 1 | -1;
  readonly positive: Colour;
  readonly negative: Colour;
  readonly quantity: QuantityName;
}

/** Moments stand on the side in tension: My > 0 on the −z side, Mz > 0 on the −y side. */
const styles: Readonly<Record<ForceName, Style>> = {
  N: { axis: 2, sign: 1, positive: 'indigo', negative: 'vermilion', quantity: 'force' },
  Vz: { axis: 2, sign: 1, positive: 'teal', negative: 'teal', quantity: 'force' },
  Vy: { axis: 1, sign: 1, positive: 'teal', negative: 'teal', quantity: 'force' },
  T: { axis: 2, sign: 1, positive: 'plum', negative: 'plum', quantity: 'moment' },
  My: { axis: 2, sign: -1, positive: 'plum', negative: 'plum', quantity: 'moment' },
  Mz: { axis: 1, sign: -1, positive: 'plum', negative: 'plum', quantity: 'moment' },
};

/** Greatest magnitude of a force over all members, for the common scale. */
export function greatestForce(frame: Frame, state: FrameState, name: ForceName): number {
  let most = 0;
  const extremes = new Float64Array(4);
  for (let m = 0; m < frame.memberIds.length; m++) {
    forceExtremesInto(state.field(m), name, extremes);
    most = Math.max(most, Math.abs(extremes[1]!), Math.abs(extremes[3]!));
  }
  return most;
}

/** Texts of a diagram: how many of the greatest values are told, at the most. */
const mostTexts = 60;

/** How far a drawn curve may leave the exact one, as a share of the greatest ordinate. */
const trueTo = 0.008;

/** Parts into which a curve is divided at the least and at the most, so that it stays true: N's hatch needs its ordinates. */
const fewest: Readonly<Record<ForceName, number>> = { N: 8, Vy: 1, Vz: 1, T: 1, My: 1, Mz: 1 };
const finest = 24;

function partsOf(field: MemberField, name: ForceName, most: number): number {
  const least = fewest[name];
  const L = field.breaks.at(-1)!;
  const at = (share: number) => forceAt(field, name, share * L);
  const [first, last] = [at(0), at(1)];
  const sagitta = Math.max(
    ...[0.25, 0.5, 0.75].map((share) => Math.abs(at(share) - first - share * (last - first))),
  );
  return Math.max(least, Math.min(finest, Math.ceil(Math.sqrt(sagitta / (trueTo * most)))));
}

/**
 * Draws an internal force along the members: exact functions, ordinates square to the member, values where they are extreme.
 *
 * @param most the greatest magnitude in the frame
 */
export function drawDiagram(
  pen: Draughtsman,
  frame: Frame,
  state: FrameState,
  name: ForceName,
  most: number,
  shown: (member: number) => boolean,
  nameOf: (member: number) => string,
): void {
  const style = styles[name];
  const texts: { m: number; x: number; value: number }[] = [];
  if (most === 0) return;
  frame.memberIds.forEach((_, m) => {
    if (!shown(m)) return;
    const field = state.field(m);
    const up = times(axisOf(frame, m, style.axis), style.sign);
    const candidates = forceCandidates(field, name);
    const greatest = candidates.reduce((a, c) => Math.max(a, Math.abs(c.value)), 0);
    if (greatest < 1e-6 * most) return;
    const points: Ordinate[] = [];
    const add = (x: number, before: boolean) => {
      const value = forceAt(field, name, x, before);
      points.push({ at: pointOn(frame, m, x), shift: times(up, value), value });
    };
    for (const x of stationsAlong(field, partsOf(field, name, most))) {
      const inside = field.breaks.indexOf(x);
      if (inside > 0 && inside < field.breaks.length - 1) add(x, true);
      add(x, inside === field.breaks.length - 1);
    }
    ordinates(pen, points, style);
    for (const c of extremesOf(candidates)) texts.push({ m, ...c });
  });
  texts
    .sort((a, b) => Math.abs(b.value) - Math.abs(a.value))
    .slice(0, mostTexts)
    .forEach(({ m, x, value }, rank) => {
      const up = times(axisOf(frame, m, style.axis), style.sign * value);
      const at = pointOn(frame, m, x);
      if (Math.abs(value) < 0.02 * most) return;
      pen.text({
        key: `${name} ${frame.memberIds[m]!} ${x.toFixed(3)}`,
        // Moments are drawn on the tension side, which says more than a sign that turns with the member's direction
        text: formatWithUnit(name === 'My' || name === 'Mz' ? Math.abs(value) : value, style.quantity),
        at,
        shift: up,
        scale: 'diagram',
        from: at,
        tone: value >= 0 ? style.positive : style.negative,
        layer: 'diagram',
        priority: 9 - rank / mostTexts,
        title: `${name} = ${formatExact(value, style.quantity)} at x = ${x.toFixed(3)} m of ${frame.length[m]!.toFixed(3)} m, ${nameOf(m)}`,
      });
    });
}

interface Ordinate {
  readonly at: Point;
  readonly shift: Point;
  readonly value: number;
}

const none: Point = [0, 0, 0];

/** Fill between axis and curve, thin ordinates, and the curve itself. */
function ordinates(pen: Draughtsman, points: readonly Ordinate[], style: Style): void {
  const strokes = (colour: Colour) => ({
    fill: { colour, scale: 'diagram', alpha: 0.13 } as const,
    curve: { colour, scale: 'diagram', width: 1.5 } as const,
    hatch: { colour, scale: 'diagram', width: 0.8 } as const,
    end: { colour, scale: 'diagram', width: 1 } as const,
  });
  const positive = strokes(style.positive);
  const negative = strokes(style.negative);
  const signed = style.positive !== style.negative;
  for (let i = 0; i + 1 < points.length; i++) {
    const p = points[i]!;
    const q = points[i + 1]!;
    const { fill, curve, hatch } =
      (Math.abs(p.value) > Math.abs(q.value) ? p.value : q.value) >= 0 ? positive : negative;
    if (p.value * q.value >= 0) pen.band('diagram', p.at, q.at, fill, p.shift, q.shift);
    else {
      // On both sides of the place where the ordinate changes its sign
      const zero = between(p.at, q.at, p.value / (p.value - q.value));
      pen.band('diagram', p.at, zero, (p.value > 0 ? positive : negative).fill, p.shift, none);
      pen.band('diagram', zero, q.at, (q.value > 0 ? positive : negative).fill, none, q.shift);
    }
    pen.line('diagram', p.at, q.at, curve, p.shift, q.shift);
    // Compression is hatched, so that the sign is not told by colour alone
    if (signed && p.value < 0) pen.line('diagram', p.at, p.at, hatch, none, p.shift);
  }
  for (const { at, shift, value } of [points[0]!, points.at(-1)!])
    pen.line('diagram', at, at, (value >= 0 ? positive : negative).end, none, shift);
}

/** The greatest magnitude of a member, and its ends where they are not much smaller. */
function extremesOf(candidates: readonly { x: number; value: number }[]): { x: number; value: number }[] {
  const greatest = candidates.reduce((a, b) => (Math.abs(b.value) > Math.abs(a.value) ? b : a));
  const ends = [candidates[0]!, candidates.at(-1)!].filter(
    (end) => Math.abs(end.value) > 0.15 * Math.abs(greatest.value) && Math.abs(end.x - greatest.x) > 1e-6,
  );
  return [greatest, ...ends];
}
