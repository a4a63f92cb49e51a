import { analyse, prepareFrame, type Frame, type FrameState } from '../../../analysis/index.js';
import type { ResolvedSection } from '../../../sections/sections.js';
import type { FrameModel, Load } from '../../../model/types.js';
import { fail, unwrapped } from '../../../base/problem.js';
import { forcesAt } from '../../members/stations.js';
import { checkSection } from '../../members/section.js';
import type { BracingSystem } from './bracing-systems.js';

/** What a bracing system has to bring for the members that it holds, EN 1993-1-1 5.3.3. */
export interface StabilisingForce {
  /** Equivalent stabilising force qd, N/m along the span. */
  readonly q: number;
  /** Force in each held member, N: the greatest compression, and M/h of its flanges. */
  readonly N: number;
  /** e0 = αm·L/500, m. */
  readonly bow: number;
  /** δq: sag of the bracing under q and the other loads, m; 0 in second order. */
  readonly sag: number;
}

/** αm = √(0.5·(1 + 1/m)), 5.3.3(1). */
export const alphaM = (m: number): number => Math.sqrt(0.5 * (1 + 1 / m));

/** e0 = αm·L/500, 5.3.3(1) eq. 5.12. */
export const initialBowOf = ({ holds, span }: BracingSystem): number => (alphaM(holds) * span) / 500;

/**
 * qd = ΣNEd·8·(e0 + δq)/L² (5.3.3(2) eq. 5.13) for one state and one sense of the bow, ΣNEd = m·NEd. In first order δq is the sag under
 * the other loads and under qd itself, which grows with qd; in second order it is 0 (the analysis has it).
 *
 * @param sense 1 for a bow along `across`, −1 against it
 * @param softness sag of each node of the system under qd of 1 N/m, m; absent in second order
 * @throws ProblemError `bracing-too-soft` where no qd is enough
 */
export function stabilisingForce(
  system: BracingSystem,
  state: FrameState,
  N: number,
  sense: 1 | -1,
  softness?: readonly number[],
): StabilisingForce {
  const bow = initialBowOf(system);
  const k = (8 * system.holds * N) / system.span ** 2;
  if (softness === undefined) return { q: k * bow, N, bow, sag: 0 };
  if (softness.some((one) => k * one >= 1))
    fail(
      'bracing-too-soft',
      `The bracing that holds ${system.holds} members over ${system.span.toFixed(1)} m gives way without end under the forces by which it holds them (EN 1993-1-1 5.3.3); give it stiffer braces, or more bracing systems.`,
    );
  const q = Math.max(
    ...sagsOf(system, state, sense).map((sag, n) => (k * (bow + sag)) / (1 - k * softness[n]!)),
  );
  return { q, N, bow, sag: q / k - bow };
}

/** Movements of a system's nodes from the line between its ends, towards the sense, m. */
export function sagsOf({ nodes, across, span }: BracingSystem, state: FrameState, sense: 1 | -1): number[] {
  const moves = nodes.map(
    ({ node }) => sense * across.reduce((sum, a, k) => sum + a * state.displacements[6 * node + k]!, 0),
  );
  const mean = (of: (at: number) => boolean): number => {
    const own = moves.filter((_, k) => of(nodes[k]!.at));
    return own.reduce((sum, move) => sum + move, 0) / own.length;
  };
  const [first, last] = [mean((at) => at <= 1e-6), mean((at) => at >= span - 1e-6)];
  return moves.map((move, k) => move - first - ((last - first) * nodes[k]!.at) / span);
}

/** qd at the nodes of a system, and against it at the ends of its span: what the bowed members bring balances. */
export function bracingLoads(
  { nodes, across, span }: BracingSystem,
  frame: Frame,
  q: number,
): Extract<Load, { kind: 'node' }>[] {
  const atEnd = (at: number) => at <= 1e-6 || at >= span - 1e-6;
  return nodes.map(({ node, at, share }) => {
    const beside = nodes.filter((other) => Math.abs(other.at - at) <= 1e-6).length;
    const force = q * share - (atEnd(at) ? (q * span) / 2 / beside : 0);
    return {
      kind: 'node',
      node: frame.nodeIds[node]!,
      F: [force * across[0], force * across[1], force * across[2]],
    };
  });
}

/** Sags of the nodes of each system under qd of 1 N/m in either sense, by first-order analysis, m. */
export function softnessOf(
  model: FrameModel,
  frame: Frame,
  systems: readonly BracingSystem[],
): (system: BracingSystem, sense: 1 | -1) => number[] {
  const senses = systems.flatMap((system) => [
    { system, sense: 1 as const },
    { system, sense: -1 as const },
  ]);
  const name = (system: BracingSystem, sense: 1 | -1) => `${systems.indexOf(system)} ${sense}`;
  const cases = senses.map(({ system, sense }) => ({
    id: name(system, sense),
    loads: bracingLoads(system, frame, sense),
  }));
  const loaded = prepareFrame({ ...model, loadCases: cases, combinations: [] });
  const { states } = unwrapped(
    analyse(
      loaded,
      cases.map(({ id }, k) => ({
        id,
        kind: 'case',
        factors: Float64Array.from(cases, (_, i) => (i === k ? 1 : 0)),
      })),
    ),
  );
  return (system, sense) => sagsOf(system, states.get(name(system, sense))!, sense);
}

/** Places of a member at which its forces are looked at: its breaks, and this many between them. */
const between = 8;

/**
 * NEd of 5.3.3(4): the greatest compression in what a system holds, with M/h of the flanges where members have them, in one state, N.
 * The whole compression counts beside M/h.
 */
export function heldForce(
  model: FrameModel,
  sections: ReadonlyMap<string, ResolvedSection>,
  frame: Frame,
  { held }: BracingSystem,
  state: FrameState,
): number {
  let greatest = 0;
  for (const m of held) {
    const { section, endSection } = model.members[m]!;
    const [from, to] = [sections.get(section)!, sections.get(endSection ?? section)!].map(flangedDepth);
    const field = state.field(m);
    for (let s = 0; s + 1 < field.breaks.length; s++)
      for (let k = 0; k <= between; k++) {
        const t = ((field.breaks[s + 1]! - field.breaks[s]!) * k) / between;
        const { N, My } = forcesAt(field, s, t);
        const share = (field.breaks[s]! + t) / frame.length[m]!;
        const h = from! + (to! - from!) * share;
        greatest = Math.max(greatest, Math.max(0, -N) + (h > 0 ? Math.abs(My) / h : 0));
      }
  }
  return greatest;
}

/** Depth of a section with flanges that bending about y presses, m; 0 for others. */
function flangedDepth(section: ResolvedSection): number {
  const checked = checkSection(section);
  if (typeof checked === 'string') return 0;
  return ['i', 'unequal-i', 'channel', 'tee'].includes(checked.kind) ? checked.h : 0;
}
