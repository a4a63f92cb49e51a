import { prepareEquations, vibrationModes, type Progress, type VibrationMode } from '../../analysis/index.js';
import { drain } from '../../base/drain.js';
import { attempt, type Outcome } from '../../base/problem.js';
import type { MemberCheck, MemberChecker } from '../../checks/index.js';
import type { FrameModel } from '../../model/types.js';
import { checkerOf } from './checker.js';
import { analysedInParts, type Analysed, type AnalysisOptions } from './forces.js';
import { stabilityInParts, wantsLengths, type StabilityOfAll } from './stability.js';
import { verdictOf, type Verdict } from './verdict.js';

/** How far a frame is evaluated: forces, then the checks of its members, then nearness to instability and modes. */
export const stageNames = ['forces', 'checks', 'complete'] as const;
export type StageName = (typeof stageNames)[number];

/** What is known of a frame model. A stage gives a new evaluation with more in it, and leaves the one before as it was. */
export interface Evaluation {
  readonly forces: Analysed;
  readonly checker?: MemberChecker;
  readonly checks?: readonly MemberCheck[];
  readonly stability?: StabilityOfAll;
  /** Elastic modes, where some were asked for. */
  readonly modes?: readonly VibrationMode[];
}

/** Modes that are worked out beyond those asked for: the screen can show them. */
const moreModes = 6;

export interface CheckingOptions {
  readonly progress?: Progress;
  /** The steps of every check. */
  readonly steps?: boolean;
  /** An item for each combination, not only the worst. */
  readonly all?: boolean;
}

/** Checks every member; lengths that come from the frame's buckling are found before. */
export function* withChecks(
  before: Evaluation,
  options: CheckingOptions = {},
): Generator<undefined, Evaluation & { readonly checks: readonly MemberCheck[] }> {
  const { forces } = before;
  const stability = wantsLengths(forces) ? yield* stabilityInParts(forces, options.progress) : undefined;
  const checker = checkerOf(forces, stability?.lengths);
  return { ...before, checker, checks: checker.checkAll(options), ...(stability ? { stability } : {}) };
}

/** Finds how near the frame is to instability, and as many modes as are asked for. */
export function* withStability(
  before: Evaluation,
  modes = 0,
  progress?: Progress,
): Generator<undefined, Evaluation & { readonly stability: StabilityOfAll }> {
  const { forces } = before;
  const stability = before.stability ?? (yield* stabilityInParts(forces, progress));
  if (modes === 0) return { ...before, stability };
  return {
    ...before,
    stability,
    modes: vibrationModes(prepareEquations(forces.frame), modes + moreModes, progress),
  };
}

export interface EvaluationOptions extends AnalysisOptions, CheckingOptions {
  /** The last stage; absent: all. */
  readonly upTo?: StageName;
  /** How many elastic modes. */
  readonly modes?: number;
}

/** Evaluates a checked model up to a stage: the one way of the screen, the commands and sweeps. */
export function evaluate(model: FrameModel, options: EvaluationOptions = {}): Outcome<Evaluation> {
  const { upTo = 'complete', modes, progress } = options;
  return attempt(() => {
    const forces: Evaluation = { forces: drain(analysedInParts(model, options)) };
    if (upTo === 'forces') return forces;
    const checked = drain(withChecks(forces, options));
    return upTo === 'checks' ? checked : drain(withStability(checked, modes, progress));
  });
}

/** What an evaluation's checks come to; undefined before them. */
export const verdictOn = ({ forces, checks, stability }: Evaluation): Verdict | undefined =>
  checks && verdictOf(forces, checks, stability?.stability ?? new Map());
