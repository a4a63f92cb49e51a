import { pointOn } from '../../results/index.js';
import type { Frame } from '../../analysis/index.js';
import type { DistributedLoad, Load } from '../../model/types.js';
import { add, between, times, type Point } from '../../geometry/vector.js';
import type { Draughtsman } from '../drawing.js';
import { axisOf, nodeAt } from '../places.js';
import type { Units } from '../../units/units.js';

const ochre = { colour: 'ochre' } as const;
/** Strokes of a block of arrows: its shafts, its upper edge, its area, and an edge with the area down to the member. */
const shaft = { ...ochre, scale: 'load', width: 0.9 } as const;
const faintShaft = { ...shaft, alpha: 0.4 } as const;
const edge = { ...ochre, scale: 'load' } as const;
const shade = { ...edge, alpha: 0.1 } as const;
const upon = { ...edge, fill: 0.1 } as const;

/** From how many loads on line loads of several load cases are drawn as one, without arrows, and what repeats is told once. */
const denseFrom = 120;

type OtherLoad = Exclude<Load, DistributedLoad>;

/** What acts in a case or combination, as it is drawn. */
export interface ActingLoads {
  /** Line loads multiplied by their factors, N/m: one above the other where they stand on the same member. */
  readonly blocks: readonly DistributedLoad[];
  readonly others: readonly { readonly load: OtherLoad; readonly factor: number }[];
  /** The greatest load of a block, N/m, for the common scale. */
  readonly greatest: number;
  readonly dense: boolean;
}

/** @param factors of the load cases */
export function actingLoads(frame: Frame, factors: Float64Array): ActingLoads {
  // Equivalent forces of imperfections are told in notes
  const acting = frame.loadCases.flatMap(({ loads = [], id }, c) =>
    factors[c] === 0 || id.startsWith('imperfection ') ? [] : [{ loads, factor: factors[c]! }],
  );
  const dense = acting.reduce((sum, { loads }) => sum + loads.length, 0) > denseFrom;
  const blocks: DistributedLoad[] = [];
  const others: { load: OtherLoad; factor: number }[] = [];
  const ofAll = new LineLoads();
  for (const { loads, factor } of acting) {
    const lines = dense ? ofAll : new LineLoads();
    for (const load of loads)
      if (load.kind === 'distributed') lines.add(load, factor);
      else others.push({ load, factor });
    if (!dense) for (const block of lines) blocks.push(block);
  }
  for (const block of ofAll) blocks.push(block);
  let greatest = 0;
  for (const { q } of blocks) greatest = Math.max(greatest, Math.abs(q[0]), Math.abs(q[1]));
  return { blocks, others, greatest, dense };
}

/** How loads are drawn. */
export interface LoadOptions {
  /** Whether a member's loads are. */
  readonly shown: (member: number) => boolean;
  /** Something else is drawn along the members. */
  readonly light: boolean;
  readonly units: Units;
}

/** Draws loads: line loads as blocks of arrows, forces and moments as arrows, others as text. */
export function drawLoads(
  pen: Draughtsman,
  frame: Frame,
  { blocks, others, dense }: ActingLoads,
  { shown, light, units }: LoadOptions,
): void {
  const drawn: Drawn = { named: new Set(), stacked: new Map(), dense, light, units };
  const isShown = (load: Load) => !('member' in load) || shown(frame.memberIndex.get(load.member)!);
  for (const load of blocks) if (isShown(load)) drawBlock(pen, frame, load, drawn);
  for (const { load, factor } of others) if (isShown(load)) drawLoad(pen, frame, load, factor, drawn);
}

/** Line loads multiplied by their factors, N/m; those that lie on the same part of a member in the same way are one. */
class LineLoads {
  private readonly ofMembers = new Map<string, DistributedLoad[]>();

  add(load: DistributedLoad, factor: number): void {
    const known = this.ofMembers.get(load.member) ?? [];
    if (known.length === 0) this.ofMembers.set(load.member, known);
    const same = known.findIndex(
      ({ axes, direction, per, from, to }) =>
        axes === load.axes &&
        direction === load.direction &&
        per === load.per &&
        from === load.from &&
        to === load.to,
    );
    const q0 = factor * load.q[0];
    const q1 = factor * load.q[1];
    const before = known[same];
    if (before) known[same] = { ...load, q: [before.q[0] + q0, before.q[1] + q1] };
    else known.push({ ...load, q: [q0, q1] });
  }

  /** Those that come to something. */
  *[Symbol.iterator](): Generator<DistributedLoad> {
    for (const loads of this.ofMembers.values())
      for (const load of loads) if (load.q[0] !== 0 || load.q[1] !== 0) yield load;
  }
}

interface Drawn {
  /** Values and texts that are told already. */
  readonly named: Set<string | number>;
  /** What already stands on a member in a direction, N/m, by `placeKey`. */
  readonly stacked: Map<number, number>;
  readonly dense: boolean;
  readonly light: boolean;
  readonly units: Units;
}

function drawLoad(pen: Draughtsman, frame: Frame, load: OtherLoad, factor: number, drawn: Drawn): void {
  const { units } = drawn;
  switch (load.kind) {
    case 'point': {
      const m = frame.memberIndex.get(load.member)!;
      const turned = (v: readonly number[]): Point =>
        load.axes === 'local'
          ? add(
              add(times(axisOf(frame, m, 0), v[0]!), times(axisOf(frame, m, 1), v[1]!)),
              times(axisOf(frame, m, 2), v[2]!),
            )
          : [v[0]!, v[1]!, v[2]!];
      const at = pointOn(frame, m, load.at * frame.length[m]!);
      const F = times(turned(load.F ?? none), factor);
      const M = times(turned(load.M ?? none), factor);
      drawForces(pen, at, { F, M, key: `${load.member} ${load.at}` }, drawn);
      return;
    }
    case 'node': {
      const at = nodeAt(frame, frame.nodeIndex.get(load.node)!);
      const F = times(load.F ?? none, factor);
      const M = times(load.M ?? none, factor);
      drawForces(pen, at, { F, M, key: load.node }, drawn);
      return;
    }
    case 'temperature': {
      const m = frame.memberIndex.get(load.member)!;
      const parts = [
        ...(load.uniform ? [units.withUnit(factor * load.uniform, 'temperature')] : []),
        ...(load.gradientZ ? [units.withUnit(factor * load.gradientZ, 'temperatureGradient')] : []),
      ];
      tell(pen, pointOn(frame, m, frame.length[m]! / 2), parts.join(', '), `temperature of ${load.member}`);
      return;
    }
    case 'pretension': {
      const m = frame.memberIndex.get(load.member)!;
      tell(
        pen,
        pointOn(frame, m, frame.length[m]! / 2),
        `pretension ${units.withUnit(factor * load.force, 'force')}`,
        `pretension of ${load.member}`,
      );
      return;
    }
    case 'settlement': {
      const moves = (['ux', 'uy', 'uz'] as const).flatMap((k) =>
        load[k] ? [`${k} ${units.withUnit(factor * load[k], 'deflection')}`] : [],
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

/** Whether a value is told already; it is from now on. */
function repeats(named: Set<string | number>, value: string | number): boolean {
  if (named.has(value)) return true;
  named.add(value);
  return false;
}

function tell(pen: Draughtsman, at: Point, text: string, key: string): void {
  if (text !== '') pen.text({ key, text, at, tone: 'ochre', layer: 'loads', priority: 3, title: text });
}

const none: Point = [0, 0, 0];

/** A force as an arrow of px that ends at its place, a moment as its text. */
function drawForces(
  pen: Draughtsman,
  at: Point,
  { F, M, key }: { readonly F: Point; readonly M: Point; readonly key: string },
  { named, dense, units }: Drawn,
): void {
  const force = Math.hypot(...F);
  if (force > 1e-9) {
    const from = add(at, times(F, 1 / force));
    pen.on('loads').arrow(at, from, { gap: 5, length: 34 }, { ...ochre, width: 2 });
    if (!dense || !repeats(named, `${force} N`))
      pen.text({
        key: `force ${key}`,
        text: units.withUnit(force, 'force'),
        at,
        from,
        beyond: 48,
        tone: 'ochre',
        layer: 'loads',
        priority: 5,
        title: units.exact(force, 'force'),
      });
  }
  const moment = Math.hypot(...M);
  if (moment > 1e-9) {
    const point = (i: number): readonly [number, number] => {
      const angle = -0.4 - (i / 12) * 2.4;
      return [15 * Math.cos(angle), 15 * Math.sin(angle)];
    };
    for (let i = 0; i < 12; i++) pen.on('loads').mark(at, point(i), point(i + 1), { ...ochre, width: 1.6 });
    tell(pen, at, `M ${units.withUnit(moment, 'moment')}`, `moment ${key}`);
  }
}

/** A number for a member and a direction that loads along it have in common, to a thousandth. */
function placeKey(m: number, along: Point, sign: 1 | -1): number {
  let key = m;
  for (const part of along) key = 2001 * key + Math.round(1000 * part * sign) + 1000;
  return key;
}

/** A line load as a block: its arrows end on the member, their length is the load per metre. */
function drawBlock(
  pen: Draughtsman,
  frame: Frame,
  load: DistributedLoad,
  { named, stacked, dense, light, units }: Drawn,
): void {
  const m = frame.memberIndex.get(load.member)!;
  const L = frame.length[m]!;
  const axis = { x: 0, y: 1, z: 2 }[load.direction] as 0 | 1 | 2;
  const global: Point = [axis === 0 ? 1 : 0, axis === 1 ? 1 : 0, axis === 2 ? 1 : 0];
  const along = load.axes === 'local' ? axisOf(frame, m, axis) : global;
  const [q0, q1] = load.q;
  const sign = q0 + q1 < 0 ? -1 : 1;
  const key = placeKey(m, along, sign);
  const under = stacked.get(key) ?? 0;
  stacked.set(key, under + Math.max(Math.abs(q0), Math.abs(q1)));
  const [from, to] = [pointOn(frame, m, (load.from ?? 0) * L), pointOn(frame, m, (load.to ?? 1) * L)];
  const foot = times(along, -sign * under);
  const shift = (q: number): Point => add(foot, times(along, -q));
  if (under === 0) pen.on('loads').line(from, to, upon, shift(q0), shift(q1));
  else {
    pen.on('loads').area([from, to, to, from], shade, [foot, foot, shift(q1), shift(q0)]);
    pen.on('loads').line(from, to, edge, shift(q0), shift(q1));
  }
  const length = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
  const arrows = Math.min(24, Math.max(2, Math.round(length / 0.9)));
  // Of many loads only edges and areas are drawn: arrows would cover the frame
  for (let i = 0; !dense && i <= arrows; i++) {
    const s = i / arrows;
    const at = between(from, to, s);
    pen.on('loads').line(at, at, light ? faintShaft : shaft, shift(q0 + (q1 - q0) * s), foot);
    pen
      .on('loads')
      .head(at, add(at, times(along, -sign)), light ? faintShaft : edge, { size: 5, shift: foot });
  }
  const q = Math.abs(q0) >= Math.abs(q1) ? q0 : q1;
  if (dense && repeats(named, load.per ? `${q} N/m ${load.per}` : q)) return;
  const text = units.withUnit(Math.abs(q), 'lineLoad') + (load.per === 'projected' ? ' on plan' : '');
  // The same load on several members is named once, on the first of them
  if (repeats(named, text)) return;
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
    title: units.exact(Math.abs(q), 'lineLoad'),
  });
}
