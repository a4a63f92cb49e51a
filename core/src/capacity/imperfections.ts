import {
  equivalentForces,
  initialBow,
  initialSway,
  type Analysis,
  type Frame,
  type FrameState,
} from '../analysis/index.js';
import { resolveSections } from '../library/sections.js';
import type { FrameModel } from '../model/types.js';
import type { ResultSelection } from '../results/index.js';
import { bucklingCurves } from './en1993/buckling-curves.js';
import { checkSection } from './section.js';

/** Members that stand: their rise is at least this share of their length. */
const standing = 0.9;

/**
 * The model with the imperfections of EN 1993-1-1 5.3.2 as equivalent forces in every strength combination: sway φ = φ0·αh·αm
 * (5.3.2(3)a) in the direction in which the combination itself sways (else +X), and bows e0 of Table 5.1 (elastic) in members whose
 * compression is more than a quarter of their Ncr (5.3.2(6)).
 *
 * @param analysis first-order states of the combinations
 * @returns the model with a load case `imperfection <combination>` each, and what was taken
 */
export function withStrengthImperfections(
  model: FrameModel,
  analysis: Analysis,
  selections: readonly ResultSelection[],
): { model: FrameModel; notes: string[] } {
  const { prepared, states } = analysis;
  const { frame } = prepared;
  const height = heightOf(frame);
  const notes: string[] = [];
  const cases = [...(model.loadCases ?? [])];
  const strength = new Set(selections.filter(({ state }) => state === 'strength').map(({ id }) => id));
  const combinations = (model.combinations ?? []).map((combination) => {
    const state = states.get(combination.id);
    if (!state || !strength.has(combination.id)) return combination;
    const columns = columnsThatCount(frame, state);
    const { phi } = initialSway(height, columns);
    const direction = swayDirection(frame, state);
    const bows = bowsOf(model, frame, state);
    const id = `imperfection ${combination.id}`;
    cases.push({
      id,
      category: 'permanent',
      loads: equivalentForces(prepared, state, { direction, sway: phi, bow: (member) => bows.get(member) }),
    });
    notes.push(
      `${combination.id}: sway imperfection 1/${(1 / phi).toFixed(0)} (height ${height.toFixed(1)} m, ${columns} columns) towards (${direction.map((v) => v.toFixed(2)).join(', ')}), ${bows.size} members bowed (EN 1993-1-1 5.3.2).`,
    );
    return { ...combination, factors: { ...combination.factors, [id]: 1 } };
  });
  return { model: { ...model, loadCases: cases, combinations }, notes };
}

function heightOf(frame: Frame): number {
  let [low, high] = [Infinity, -Infinity];
  for (let n = 0; n < frame.nodeIds.length; n++) {
    low = Math.min(low, frame.xyz[3 * n + 2]!);
    high = Math.max(high, frame.xyz[3 * n + 2]!);
  }
  // A level frame has no height to lean; αh is then at its upper limit
  return Math.max(high - low, 1e-3);
}

/** Compression of a member, mean of its ends, N. */
function compressionOf(state: FrameState, m: number): number {
  return (state.memberForces[12 * m]! - state.memberForces[12 * m + 6]!) / 2;
}

/** Columns from the lowest supports that carry at least half of their mean load (5.3.2(3)a); at least one. */
function columnsThatCount(frame: Frame, state: FrameState): number {
  const supported = (node: number) => [0, 1, 2].some((k) => frame.restraint[6 * node + k]! > 0);
  const loads = frame.memberIds
    .map((_, m) => m)
    .filter(
      (m) =>
        Math.abs(frame.axes[9 * m + 2]!) >= standing &&
        (supported(frame.start[m]!) || supported(frame.end[m]!)),
    )
    .map((m) => compressionOf(state, m))
    .filter((N) => N > 0);
  const mean = loads.reduce((sum, N) => sum + N, 0) / Math.max(1, loads.length);
  return Math.max(1, loads.filter((N) => N >= mean / 2).length);
}

/** Mean horizontal displacement of all nodes as a direction; +X where they do not sway. */
function swayDirection(frame: Frame, state: FrameState): [number, number] {
  let [x, y, size] = [0, 0, 0];
  for (let n = 0; n < frame.nodeIds.length; n++) {
    x += state.displacements[6 * n]!;
    y += state.displacements[6 * n + 1]!;
    for (let k = 0; k < 3; k++) size = Math.max(size, Math.abs(state.displacements[6 * n + k]!));
  }
  const length = Math.hypot(x, y);
  return length > 1e-6 * size * frame.nodeIds.length ? [x / length, y / length] : [1, 0];
}

/** e0/L of the members whose compression is more than a quarter of Ncr over their own length. */
function bowsOf(model: FrameModel, frame: Frame, state: FrameState): Map<string, number> {
  const sections = resolveSections(model);
  const bows = new Map<string, number>();
  model.members.forEach(({ id, section }, m) => {
    const N = compressionOf(state, m);
    const checked = checkSection(sections.get(section)!);
    if (!(N > 0) || frame.axialOnly[m] || typeof checked === 'string') return;
    const weak = frame.plane
      ? frame.rigidity[6 * m + 1]!
      : Math.min(frame.rigidity[6 * m + 1]!, frame.rigidity[6 * m + 2]!);
    if (N <= (0.25 * Math.PI ** 2 * weak) / frame.length[m]! ** 2) return;
    const curve = bucklingCurves(checked)[frame.plane ? 'y' : 'z'];
    bows.set(id, initialBow[curve]!.elastic);
  });
  return bows;
}
