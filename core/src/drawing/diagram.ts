import type { Frame, FrameState } from '../analysis/index.js';
import { forceAt, forceCandidates, type ForceName, pointOn } from '../results/index.js';
import { times, type Point } from '../recipe/geometry/vector.js';
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
  frame.memberIds.forEach((_, m) => {
    for (const { value } of forceCandidates(state.field(m), name)) most = Math.max(most, Math.abs(value));
  });
  return most;
}

/** Texts of a diagram: how many of the greatest values are told, at the most. */
const mostTexts = 60;

/** Draws an internal force along the members: exact functions, ordinates square to the member, values where they are extreme. */
export function drawDiagram(
  pen: Draughtsman,
  frame: Frame,
  state: FrameState,
  name: ForceName,
  shown: (member: number) => boolean,
  nameOf: (member: number) => string,
): void {
  const style = styles[name];
  const dense = frame.memberIds.length > 400 ? 6 : frame.memberIds.length > 80 ? 10 : 24;
  const texts: { m: number; x: number; value: number }[] = [];
  const most = greatestForce(frame, state, name);
  if (most === 0) return;
  frame.memberIds.forEach((_, m) => {
    if (!shown(m)) return;
    const field = state.field(m);
    const up = times(axisOf(frame, m, style.axis), style.sign);
    const candidates = forceCandidates(field, name);
    const greatest = candidates.reduce((a, c) => Math.max(a, Math.abs(c.value)), 0);
    if (greatest < 1e-6 * most) return;
    const points: { at: Point; shift: Point; value: number }[] = [];
    const add = (x: number, before: boolean) => {
      const value = forceAt(field, name, x, before);
      points.push({ at: pointOn(frame, m, x), shift: times(up, value), value });
    };
    for (const x of stationsAlong(field, dense)) {
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

/** Fill between axis and curve, thin ordinates, and the curve itself. */
function ordinates(
  pen: Draughtsman,
  points: readonly { at: Point; shift: Point; value: number }[],
  style: Style,
): void {
  const colourOf = (value: number) => (value >= 0 ? style.positive : style.negative);
  for (let i = 0; i + 1 < points.length; i++) {
    const [p, q] = [points[i]!, points[i + 1]!];
    const colour = colourOf(Math.abs(p.value) > Math.abs(q.value) ? p.value : q.value);
    const common = { colour, scale: 'diagram' } as const;
    if (p.value * q.value >= 0)
      pen.area('diagram', [p.at, q.at, q.at, p.at], { ...common, alpha: 0.13 }, [
        [0, 0, 0],
        [0, 0, 0],
        q.shift,
        p.shift,
      ]);
    pen.line('diagram', p.at, q.at, { ...common, width: 1.5 }, p.shift, q.shift);
    // Compression is hatched, so that the sign is not told by colour alone
    if (style.positive !== style.negative && p.value < 0)
      pen.line('diagram', p.at, p.at, { ...common, width: 0.8 }, [0, 0, 0], p.shift);
  }
  const [first, last] = [points[0]!, points.at(-1)!];
  for (const end of [first, last])
    pen.line(
      'diagram',
      end.at,
      end.at,
      { colour: colourOf(end.value), width: 1, scale: 'diagram' },
      [0, 0, 0],
      end.shift,
    );
}

/** The greatest magnitude of a member, and its ends where they are not much smaller. */
function extremesOf(candidates: readonly { x: number; value: number }[]): { x: number; value: number }[] {
  const greatest = candidates.reduce((a, b) => (Math.abs(b.value) > Math.abs(a.value) ? b : a));
  const ends = [candidates[0]!, candidates.at(-1)!].filter(
    (end) => Math.abs(end.value) > 0.15 * Math.abs(greatest.value) && Math.abs(end.x - greatest.x) > 1e-6,
  );
  return [greatest, ...ends];
}
