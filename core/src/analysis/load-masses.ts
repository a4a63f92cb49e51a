import { gravity, type FrameModel, type Load } from '../model/types.js';
import type { SpreadMass } from './spread-masses.js';

/** What of a frame the places of loads are told by. */
interface PlacedParts {
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly memberIndex: ReadonlyMap<string, number>;
  readonly length: Float64Array;
  readonly axes: Float64Array;
  readonly masses: Float64Array;
}

/** Share of the length over which a mass at one point is spread. */
const pointWidth = 1e-4;

/**
 * Masses that loads stand for: the downward parts of the loads of some cases, by a factor each, over standard gravity, where they act.
 * Own weight is left out, since members have their mass. At nodes they are added to `frame.masses`, kg.
 *
 * @returns what lies along members, by member number
 */
export function massesFromLoads(
  { massFrom = {}, loadCases = [] }: FrameModel,
  frame: PlacedParts,
): ReadonlyMap<number, readonly SpreadMass[]> {
  const along = new Map<number, SpreadMass[]>();
  for (const [id, factor] of Object.entries(massFrom))
    for (const load of loadCases.find((one) => one.id === id)?.loads ?? [])
      addLoad(load, factor / gravity, frame, along);
  return along;
}

function addLoad(load: Load, factor: number, frame: PlacedParts, along: Map<number, SpreadMass[]>): void {
  if (load.kind === 'node') {
    frame.masses[frame.nodeIndex.get(load.node)!]! += factor * Math.max(0, -(load.F?.[2] ?? 0));
    return;
  }
  if (load.kind !== 'distributed' && load.kind !== 'point') return;
  const m = frame.memberIndex.get(load.member)!;
  const L = frame.length[m]!;
  const spread =
    load.kind === 'distributed' ? ofLine(load, factor, frame, m) : ofPoint(load, factor, frame, m);
  if (!(spread.mass[0] > 0 || spread.mass[1] > 0)) return;
  const part = { from: Math.max(0, spread.from) * L, to: Math.min(1, spread.to) * L, mass: spread.mass };
  along.set(m, [...(along.get(m) ?? []), part]);
}

/** Upward component of a unit along a global or local axis. */
function upward(frame: PlacedParts, m: number, axes: 'global' | 'local', axis: 0 | 1 | 2): number {
  if (axes === 'local') return frame.axes[9 * m + 3 * axis + 2]!;
  return axis === 2 ? 1 : 0;
}

function ofLine(
  { axes = 'global', direction, q, from = 0, to = 1, per = 'length' }: Extract<Load, { kind: 'distributed' }>,
  factor: number,
  frame: PlacedParts,
  m: number,
): SpreadMass {
  const axis = (['x', 'y', 'z'] as const).indexOf(direction) as 0 | 1 | 2;
  const lean = axes === 'local' ? (axis === 0 ? 1 : 0) : frame.axes[9 * m + axis]!;
  const projection = per === 'projected' ? Math.sqrt(Math.max(0, 1 - lean * lean)) : 1;
  const down = -upward(frame, m, axes, axis) * projection * factor;
  return { from, to, mass: [Math.max(0, down * q[0]), Math.max(0, down * q[1])] };
}

function ofPoint(
  { at, axes = 'global', F = [0, 0, 0] }: Extract<Load, { kind: 'point' }>,
  factor: number,
  frame: PlacedParts,
  m: number,
): SpreadMass {
  const force = F.reduce((sum, value, k) => sum + value * upward(frame, m, axes, k as 0 | 1 | 2), 0);
  const [from, to] = [Math.max(0, at - pointWidth / 2), Math.min(1, at + pointWidth / 2)];
  const mass = (factor * Math.max(0, -force)) / ((to - from) * frame.length[m]!);
  return { from, to, mass: [mass, mass] };
}
