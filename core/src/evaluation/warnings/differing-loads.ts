import { emptyRecord, ownValue } from '../../base/own-value.js';
import { gravity } from '../../model/types.js';
import type { Analysed } from '../stages/index.js';
import type { AlternativeSummary } from '../summaries/summary.js';
import type { Units } from '../../units/units.js';

/** What is needed to compare the loads of alternatives: their frame's shape, and the sum of each load case. Plain data. */
export interface LoadSums {
  /** The same for frames whose nodes and members lie in the same places. */
  readonly shape: string;
  /** Forces along X, Y and Z of each load case of the design, without own weight, which differs with the sections. N */
  readonly sums: Readonly<Record<string, readonly [number, number, number]>>;
}

/** Places that differ by less than this are one, m. */
const same = 1e-3;

const known = new WeakMap<Analysed, LoadSums>();

/** The sums of a built alternative's load cases, worked out once. */
export function loadSums(forces: Analysed): LoadSums {
  let sums = known.get(forces);
  if (!sums) known.set(forces, (sums = sumsOf(forces)));
  return sums;
}

function sumsOf(forces: Analysed): LoadSums {
  const { frame, resultants, given } = forces;
  const own = new Set((given.loadCases ?? []).map(({ id }) => id));
  const sums = emptyRecord<[number, number, number]>();
  const weight = gravity * frame.massPerLength.reduce((sum, mass, m) => sum + mass * frame.length[m]!, 0);
  frame.loadCases.forEach(({ id, selfWeight = 0 }, c) => {
    const [x, y, z] = resultants[c]!;
    if (own.has(id)) sums[id] = [x!, y!, cleared(z! + selfWeight * weight, weight)];
  });
  return { shape: shapeOf(frame.xyz, frame.start, frame.end), sums };
}

/** Without what rounding leaves where own weight is all. */
const cleared = (value: number, weight: number): number => (Math.abs(value) <= 1e-9 * weight ? 0 : value);

/** A short text by the places of the members' ends, whatever their order. */
function shapeOf(xyz: Float64Array, start: Int32Array, end: Int32Array): string {
  let hash = 0;
  const place = (n: number) => [0, 1, 2].map((k) => Math.round(xyz[3 * n + k]! / same)).join();
  start.forEach((from, m) => {
    const ends = [place(from), place(end[m]!)].sort().join(' ');
    // Sums of one number a member do not depend on the order of members
    let one = 2166136261;
    for (let i = 0; i < ends.length; i++) one = Math.imul(one ^ ends.charCodeAt(i), 16777619);
    hash = (hash + (one >>> 0)) % 4294967296;
  });
  return `${start.length} ${hash}`;
}

/** What is known of an alternative, under the title that people know it by. */
export interface TitledSummary {
  readonly title: string;
  readonly summary: Pick<AlternativeSummary, 'id' | 'loads'>;
}

/** Difference of sums, of the greater, from which it is told. */
const told = 1e-3;

/**
 * Load cases that come to another sum here than in an alternative whose frame lies in the same places: one of both has a load that the
 * other has not, which is seldom meant. A sentence for each case, with the first such alternative.
 */
export function differingLoads(
  own: Pick<AlternativeSummary, 'id' | 'loads'>,
  all: readonly TitledSummary[],
  units: Units,
): string[] {
  const { loads } = own;
  if (!loads) return [];
  return Object.entries(loads.sums).flatMap(([id, sum]) => {
    for (const { title, summary } of all) {
      const other = summary.loads?.shape === loads.shape ? ownValue(summary.loads.sums, id) : undefined;
      if (!other || summary.id === own.id) continue;
      const size = Math.max(Math.hypot(...sum), Math.hypot(...other));
      const apart = Math.hypot(...sum.map((value, k) => value - other[k]!));
      if (size === 0 || apart <= told * size) continue;
      return [
        `Load case "${id}" adds up to ${units.inSentence(Math.hypot(...sum), 'force')} here and to ${units.inSentence(Math.hypot(...other), 'force')} in "${title}", own weight apart, although both frames lie in the same places.`,
      ];
    }
    return [];
  });
}
