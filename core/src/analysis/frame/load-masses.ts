import { gravity, type FrameModel, type Load } from '../../model/types.js';
import { downwardForce, downwardLine, type MemberAxes } from '../loads/downward-loads.js';
import type { SpreadMass } from './spread-masses.js';

/** What of a frame the places of loads are told by. */
interface PlacedParts extends MemberAxes {
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly memberIndex: ReadonlyMap<string, number>;
  readonly length: Float64Array;
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

function ofLine(
  load: Extract<Load, { kind: 'distributed' }>,
  factor: number,
  frame: PlacedParts,
  m: number,
): SpreadMass {
  const { from = 0, to = 1 } = load;
  const [start, end] = downwardLine(load, frame, m);
  return { from, to, mass: [Math.max(0, factor * start), Math.max(0, factor * end)] };
}

function ofPoint(
  load: Extract<Load, { kind: 'point' }>,
  factor: number,
  frame: PlacedParts,
  m: number,
): SpreadMass {
  const { at } = load;
  const [from, to] = [Math.max(0, at - pointWidth / 2), Math.min(1, at + pointWidth / 2)];
  const mass = (factor * Math.max(0, downwardForce(load, frame, m))) / ((to - from) * frame.length[m]!);
  return { from, to, mass: [mass, mass] };
}
