import {
  BucklingMemory,
  effectiveLengths,
  frameBuckling,
  type Analysis,
  type BucklingMode,
  type EffectiveLength,
  type FrameBuckling,
  type FrameState,
  type Progress,
} from '../../analysis/index.js';
import { drain } from '../../base/drain.js';
import { combinationStability, type Buckles, type Stability } from '../../checks/index.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import { usesDirectAnalysis, type Analysed } from './forces.js';

/** How near each strength combination is to instability, and buckling lengths where members ask for them. */
export interface StabilityOfAll {
  readonly stability: ReadonlyMap<string, Stability>;
  readonly lengths: ReadonlyMap<string, readonly (EffectiveLength | undefined)[]>;
  readonly modes: ReadonlyMap<string, readonly BucklingMode[]>;
}

/** Whether members take their buckling lengths from the frame. The direct analysis method has K = 1 (AISC 360-22 C3). */
export const wantsLengths = ({ model, order }: Pick<Analysed, 'model' | 'order'>): boolean =>
  !(order === 2 && usesDirectAnalysis(model)) &&
  model.members.some(({ design }) => design?.lengths === 'buckling-analysis');

/** Critical factors of the strength combinations, by their first-order forces. */
export function stabilityOf(stage: Analysed, progress?: Progress): StabilityOfAll {
  return drain(stabilityInParts(stage, progress));
}

/** Modes that buckling lengths are taken from. */
const lengthModes = 6;

/** The same, with a pause after each combination. */
export function* stabilityInParts(
  stage: Analysed,
  progress?: Progress,
): Generator<undefined, StabilityOfAll> {
  const wanted = wantsLengths(stage);
  const first = stage.first();
  const stability = new Map<string, Stability>();
  const lengths = new Map<string, readonly (EffectiveLength | undefined)[]>();
  const modes = new Map<string, readonly BucklingMode[]>();
  let knownMode: BucklingMode | undefined;
  const memory = new BucklingMemory();
  for (const selection of decisiveForBuckling(stage.selections, first)) {
    const { id } = selection;
    const linear = first.states.get(id)!;
    progress?.stage?.(`Buckling of ${id}`);
    const found = frameBuckling(first.prepared, linear, wanted ? lengthModes : 1, {
      progress,
      knownMode,
      memory,
    });
    knownMode = found.frame ?? found.modes[0] ?? knownMode;
    modes.set(id, found.modes);
    const combination = combinationOf(selection);
    const one = combinationStability(stage.model.code?.name ?? 'EN1993', bucklesOf(stage, linear, found));
    const other = stability.get(combination);
    if (!other || (one.alphaCr ?? Infinity) < (other.alphaCr ?? Infinity)) stability.set(combination, one);
    if (wanted) lengths.set(id, effectiveLengths(first.prepared, linear, found.modes));
    yield;
  }
  return { stability, lengths, modes };
}

/**
 * The strength combinations, each in its first state and, where trains stand elsewhere in others, in that with the most compression:
 * a sense of the imperfections changes next to nothing of the axial forces.
 */
function decisiveForBuckling(
  selections: readonly ResultSelection[],
  { states, prepared: { frame } }: Analysis,
): ResultSelection[] {
  const compression = ({ id }: ResultSelection): number => {
    const { memberForces } = states.get(id)!;
    return frame.memberIds.reduce(
      (sum, _, m) => sum + Math.max(0, memberForces[12 * m]!) * frame.length[m]!,
      0,
    );
  };
  const strength = selections.filter(({ id, state }) => state === 'strength' && states.has(id));
  const others = new Map<string, { selection: ResultSelection; compression: number }>();
  for (const selection of strength) {
    const combination = combinationOf(selection);
    if (selection.id === combination || selection.situation?.sameAxialForces) continue;
    const known = others.get(combination);
    const own = compression(selection);
    if (!known || own > known.compression) others.set(combination, { selection, compression: own });
  }
  return strength.flatMap((selection) => {
    if (combinationOf(selection) !== selection.id) return [];
    const other = others.get(selection.id)?.selection;
    return other ? [selection, other] : [selection];
  });
}

/** Compression below this share of the greatest in the frame is rounding. */
const noCompression = 1e-6;

function bucklesOf({ model, frame }: Analysed, linear: FrameState, found: FrameBuckling): Buckles {
  const N = frame.memberIds.map((_, m) =>
    Math.max(linear.memberForces[12 * m]!, -linear.memberForces[12 * m + 6]!),
  );
  const greatest = N.reduce((a, b) => Math.max(a, b), 0);
  const last = found.modes[found.modes.length - 1]?.factor;
  return {
    ...(found.frame ? { frame: found.frame.factor } : {}),
    ...(found.member ? { member: found.member.factor } : {}),
    ...(found.complete || last === undefined ? {} : { lookedTo: last }),
    inLengths: model.members.every(
      ({ design }, m) =>
        frame.axialOnly[m] === 1 ||
        N[m]! <= noCompression * greatest ||
        design?.lengths === 'buckling-analysis',
    ),
  };
}
