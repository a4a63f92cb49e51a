import { pointOn } from '../results/index.js';
import type { Frame } from '../analysis/index.js';
import type { DistributedLoad, Load, LoadCase } from '../model/types.js';
import { add, between, times, type Point } from '../recipe/geometry/vector.js';
import { formatExact, formatWithUnit } from '../units/format.js';
import type { Draughtsman } from './drawing.js';
import { axisOf, nodeAt } from './places.js';

/** Greatest line load of the shown case or combination, N/m, for the common scale. */
export function greatestLoad(cases: readonly LoadCase[], factors: Float64Array): number {
  let most = 0;
  cases.forEach(({ loads = [] }, c) => {
    if (factors[c] === 0) return;
    for (const load of loads)
      if (load.kind === 'distributed')
        most = Math.max(most, Math.abs(factors[c]! * load.q[0]), Math.abs(factors[c]! * load.q[1]));
  });
  return most;
}

const ochre = { colour: 'ochre' } as const;

/** Draws all loads of a case or combination: line loads as blocks of arrows, forces and moments as arrows, others as text. */
export function drawLoads(
  pen: Draughtsman,
  frame: Frame,
  factors: Float64Array,
  shown: (member: number) => boolean,
): void {
  const named = new Set<string>();
  const stacked = new Map<string, Point>();
  const count = frame.loadCases.reduce(
    (sum, { loads = [] }, c) => sum + (factors[c] === 0 ? 0 : loads.length),
    0,
  );
  frame.loadCases.forEach(({ loads = [], id }, c) => {
    const factor = factors[c]!;
    // Equivalent forces of imperfections are told in notes
    if (factor === 0 || id.startsWith('imperfection ')) return;
    for (const load of merged(loads)) {
      if ('member' in load && !shown(frame.memberIndex.get(load.member)!)) continue;
      drawLoad(pen, frame, load, factor, { named, stacked, many: count > 120 });
    }
  });
}

/** Line loads that lie on the whole of a member in the same way, as one. */
function merged(loads: readonly Load[]): Load[] {
  const out = new Map<string, Load>();
  for (const load of loads) {
    if (load.kind !== 'distributed') {
      out.set(`${out.size}`, load);
      continue;
    }
    const key = [load.member, load.axes, load.direction, load.per, load.from, load.to].join(' ');
    const known = out.get(key) as DistributedLoad | undefined;
    out.set(key, known ? { ...known, q: [known.q[0] + load.q[0], known.q[1] + load.q[1]] } : load);
  }
  return [...out.values()];
}

interface Drawn {
  readonly named: Set<string>;
  /** What already stands on a member in a direction, at its start and end, as loads, N/m. */
  readonly stacked: Map<string, Point>;
  readonly many: boolean;
}

function drawLoad(pen: Draughtsman, frame: Frame, load: Load, factor: number, drawn: Drawn): void {
  switch (load.kind) {
    case 'distributed': {
      drawBlock(pen, frame, load, factor, drawn);
      return;
    }
    case 'point': {
      const m = frame.memberIndex.get(load.member)!;
      const turn = (v: readonly number[]): Point =>
        load.axes === 'local'
          ? add(
              add(times(axisOf(frame, m, 0), v[0]!), times(axisOf(frame, m, 1), v[1]!)),
              times(axisOf(frame, m, 2), v[2]!),
            )
          : [v[0]!, v[1]!, v[2]!];
      const at = pointOn(frame, m, load.at * frame.length[m]!);
      const forces = { F: turn(load.F ?? [0, 0, 0]), M: turn(load.M ?? [0, 0, 0]) };
      drawForces(pen, at, forces, factor, `${load.member} ${load.at}`);
      return;
    }
    case 'node': {
      const at = nodeAt(frame, frame.nodeIndex.get(load.node)!);
      drawForces(pen, at, { F: load.F ?? [0, 0, 0], M: load.M ?? [0, 0, 0] }, factor, load.node);
      return;
    }
    case 'temperature': {
      const m = frame.memberIndex.get(load.member)!;
      const parts = [
        ...(load.uniform ? [formatWithUnit(factor * load.uniform, 'temperature')] : []),
        ...(load.gradientZ ? [formatWithUnit(factor * load.gradientZ, 'temperatureGradient')] : []),
      ];
      tell(pen, pointOn(frame, m, frame.length[m]! / 2), parts.join(', '), `temperature of ${load.member}`);
      return;
    }
    case 'pretension': {
      const m = frame.memberIndex.get(load.member)!;
      tell(
        pen,
        pointOn(frame, m, frame.length[m]! / 2),
        `pretension ${formatWithUnit(factor * load.force, 'force')}`,
        `pretension of ${load.member}`,
      );
      return;
    }
    case 'settlement': {
      const moves = (['ux', 'uy', 'uz'] as const).flatMap((k) =>
        load[k] ? [`${k} ${formatWithUnit(factor * load[k], 'deflection')}`] : [],
      );
      tell(
        pen,
        nodeAt(frame, frame.nodeIndex.get(load.node)!),
        `settles ${moves.join(', ')}`,
        `settlement of ${load.node}`,
      );
      return;
    }
  }
}

function tell(pen: Draughtsman, at: Point, text: string, key: string): void {
  if (text !== '') pen.text({ key, text, at, tone: 'ochre', layer: 'loads', priority: 3, title: text });
}

/** A force as an arrow of px that ends at its place, a moment as its text. */
function drawForces(
  pen: Draughtsman,
  at: Point,
  { F, M }: { readonly F: readonly number[]; readonly M: readonly number[] },
  factor: number,
  key: string,
): void {
  const force = Math.hypot(...F) * Math.abs(factor);
  if (force > 1e-9) {
    const d = times([F[0]!, F[1]!, F[2]!], factor / force);
    pen.on('loads').arrow(at, add(at, d), { gap: 5, length: 34 }, { ...ochre, width: 2 });
    pen.text({
      key: `force ${key}`,
      text: formatWithUnit(force, 'force'),
      at,
      from: add(at, d),
      beyond: 48,
      tone: 'ochre',
      layer: 'loads',
      priority: 5,
      title: formatExact(force, 'force'),
    });
  }
  const moment = Math.hypot(...M) * Math.abs(factor);
  if (moment > 1e-9) {
    const point = (i: number): readonly [number, number] => {
      const angle = -0.4 - (i / 12) * 2.4;
      return [15 * Math.cos(angle), 15 * Math.sin(angle)];
    };
    for (let i = 0; i < 12; i++) pen.on('loads').mark(at, point(i), point(i + 1), { ...ochre, width: 1.6 });
    tell(pen, at, `M ${formatWithUnit(moment, 'moment')}`, `moment ${key}`);
  }
}

/** A line load as a block: its arrows end on the member, their length is the load per metre. */
function drawBlock(
  pen: Draughtsman,
  frame: Frame,
  load: DistributedLoad,
  factor: number,
  { named, stacked, many }: Drawn,
): void {
  const m = frame.memberIndex.get(load.member)!;
  const L = frame.length[m]!;
  const axis = { x: 0, y: 1, z: 2 }[load.direction] as 0 | 1 | 2;
  const global: Point = [axis === 0 ? 1 : 0, axis === 1 ? 1 : 0, axis === 2 ? 1 : 0];
  const along = load.axes === 'local' ? axisOf(frame, m, axis) : global;
  const [q0, q1] = [factor * load.q[0], factor * load.q[1]];
  const sign = q0 + q1 < 0 ? -1 : 1;
  const key = `${load.member} ${along.map((v) => Math.round(1000 * v * sign)).join()}`;
  const under = stacked.get(key) ?? [0, 0, 0];
  stacked.set(key, [under[0] + Math.max(Math.abs(q0), Math.abs(q1)), 0, 0]);
  const [from, to] = [pointOn(frame, m, (load.from ?? 0) * L), pointOn(frame, m, (load.to ?? 1) * L)];
  const foot = times(along, -sign * under[0]);
  const shift = (q: number): Point => add(foot, times(along, -q));
  const style = { ...ochre, scale: 'load' } as const;
  pen.on('loads').area([from, to, to, from], { ...style, alpha: 0.1 }, [foot, foot, shift(q1), shift(q0)]);
  pen.on('loads').line(from, to, style, shift(q0), shift(q1));
  const length = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
  const arrows = many ? 2 : Math.min(24, Math.max(2, Math.round(length / 0.9)));
  for (let i = 0; i <= arrows; i++) {
    const s = i / arrows;
    const at = between(from, to, s);
    const top = shift(q0 + (q1 - q0) * s);
    pen.on('loads').line(at, at, { ...style, width: 0.9 }, top, foot);
    if (!many) pen.on('loads').head(at, add(at, times(along, -sign)), style, { size: 5, shift: foot });
  }
  const q = Math.abs(q0) >= Math.abs(q1) ? q0 : q1;
  const text = formatWithUnit(Math.abs(q), 'lineLoad') + (load.per === 'projected' ? ' on plan' : '');
  // The same load on several members is named once, on the first of them
  if (named.has(text)) return;
  named.add(text);
  const middle = between(from, to, 0.5);
  pen.text({
    key: `load ${load.member} ${load.direction} ${load.per ?? ''} ${q.toFixed(0)}`,
    text,
    at: middle,
    shift: shift((q0 + q1) / 2),
    scale: 'load',
    from: middle,
    beyond: 9,
    tone: 'ochre',
    layer: 'loads',
    priority: 3,
    title: formatExact(Math.abs(q), 'lineLoad'),
  });
}
