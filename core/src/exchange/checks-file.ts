import {
  analyse,
  bucklingModes,
  effectiveLengths,
  prepareFrame,
  type Analysis,
  type Frame,
  type FrameState,
  type Progress,
} from '../analysis/index.js';
import {
  combinationStability,
  MemberChecker,
  withStrengthImperfections,
  type CheckItem,
  type MemberCheck,
  type Stability,
} from '../capacity/index.js';
import type { CodeName, FrameModel } from '../model/types.js';
import { attempt, fail, problem, ProblemError, type Outcome, type Problem } from '../problem.js';
import { resultSelections, type ResultSelection } from '../results/index.js';
import { resolveSections } from '../library/sections.js';
import { assertFinite } from './finite.js';

/** The `hashira-checks` document. */
export interface ChecksFile {
  format: 'hashira-checks';
  version: 1;
  code: CodeName;
  /** By strength combination. */
  stability: Record<string, Stability>;
  /** By member id, a group under its own name. */
  members: Record<string, CheckedMember>;
  summary: {
    status: MemberCheck['status'];
    utilisation?: number;
    member?: string;
    /** Members over capacity, and those with something not covered. */
    over: string[];
    notCovered: string[];
    /** kg of all members. */
    mass: number;
  };
  notes: string[];
}

export interface CheckedMember {
  status: MemberCheck['status'];
  of?: string[];
  utilisation?: number;
  governs?: { clause: string; axis?: string; combination: string; x: number };
  class?: number;
  reasons?: string[];
  items: CheckItem[];
}

export interface CheckOptions {
  code?: CodeName;
  secondOrder?: boolean;
  /** An item for each combination, not only the worst. */
  all?: boolean;
  progress?: Progress;
}

/** Analyses a checked model, checks its members, and lays the results out as a `hashira-checks` document. */
export function checkToFile(given: FrameModel, options: CheckOptions = {}): Outcome<ChecksFile> {
  return attempt(() => {
    const model = options.code ? { ...given, code: { ...given.code, name: options.code } } : given;
    refuse(model);
    const { frame, analysis, selections, notes } = solved(model, options);
    const stability: ChecksFile['stability'] = {};
    const lengths = new Map<string, ReturnType<typeof effectiveLengths>>();
    const wanted = model.members.some(({ design }) => design?.lengths === 'buckling-analysis');
    const first = options.secondOrder ? valueOf(analyse(frame, selections, options)) : analysis;
    for (const { id, state } of selections) {
      const linear = first.states.get(id);
      if (state !== 'strength' || !linear) continue;
      options.progress?.stage?.(`Buckling of ${id}`);
      const modes = bucklingModes(first.prepared, linear, wanted ? 6 : 1, options.progress);
      stability[id] = combinationStability(model.code?.name ?? 'EN1993', modes[0]?.factor);
      if (wanted) lengths.set(id, effectiveLengths(first.prepared, linear, modes));
    }
    const checker = new MemberChecker(
      model,
      frame,
      selections.filter(({ id }) => analysis.states.has(id)),
      ({ id }, member) => stateOf(analysis, id).field(member),
      ({ id }, member) => lengths.get(id)?.[member],
    );
    if (checker.problems.length > 0) throw new ProblemError(checker.problems);
    const checks = checker.checkAll({ steps: true, all: options.all ?? false });
    const file: ChecksFile = {
      format: 'hashira-checks',
      version: 1,
      code: model.code?.name ?? 'EN1993',
      stability,
      members: Object.fromEntries(checks.map((check) => [check.member, entryOf(check)])),
      summary: summaryOf(checks, frame),
      notes: [...notes, ...analysis.notes],
    };
    assertFinite(file, () => '');
    return file;
  });
}

/** Everything that keeps the model from being checked, at once. */
function refuse(model: FrameModel): void {
  const problems: Problem[] = [];
  if (!(model.combinations ?? []).some(({ state }) => state === 'strength'))
    problems.push(
      problem(
        'nothing-to-check',
        'The model has no strength combination; add one with "state": "strength" (/combinations).',
        {
          path: '/combinations',
        },
      ),
    );
  const sections = resolveSections(model);
  model.materials.forEach(({ id }, i) => {
    const used = [...sections.values()].find(({ material }) => material.id === id)?.material;
    if (used?.kind === 'steel' && used.strength.length === 0)
      problems.push(
        problem('invalid-model', `Steel "${id}" gives no yield strength; add fy (/materials/${i}/fy).`, {
          path: `/materials/${i}/fy`,
        }),
      );
  });
  const ids = new Set(model.members.map(({ id }) => id));
  model.members.forEach(({ id, design }, i) => {
    if (design?.group !== undefined && design.group !== id && ids.has(design.group)) {
      const path = `/members/${i}/design/group`;
      problems.push(
        problem(
          'invalid-model',
          `The group "${design.group}" has the name of a member; give it one of its own (${path}).`,
          { path },
        ),
      );
    }
  });
  if (problems.length > 0) throw new ProblemError(problems);
}

interface Solved {
  readonly frame: Frame;
  readonly analysis: Analysis;
  readonly selections: readonly ResultSelection[];
  readonly notes: readonly string[];
}

/** The model's states; with the equivalent forces of its imperfections where its code asks for them. */
function solved(model: FrameModel, options: CheckOptions): Solved {
  const frame = prepareFrame(model);
  const selections = resultSelections(model).filter(({ kind }) => kind === 'combination');
  const analysis = valueOf(
    analyse(
      frame,
      selections,
      options.secondOrder && !model.code?.imperfections ? options : { ...options, secondOrder: false },
    ),
  );
  if (!model.code?.imperfections) return { frame, analysis, selections, notes: [] };
  const { model: loaded, notes } = withStrengthImperfections(model, analysis, selections);
  const again = prepareFrame(loaded);
  const all = resultSelections(loaded).filter(({ kind }) => kind === 'combination');
  return { frame: again, analysis: valueOf(analyse(again, all, options)), selections: all, notes };
}

function valueOf<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new ProblemError(outcome.problems);
}

function stateOf(analysis: Analysis, id: string): FrameState {
  return (
    analysis.states.get(id) ?? fail('not-converged', `Combination "${id}" has no result.`, { result: id })
  );
}

function entryOf(check: MemberCheck): CheckedMember {
  const { governs, of, reasons, utilisation } = check;
  const grouped = of.length !== 1 || of[0] !== check.member;
  return {
    status: check.status,
    ...(grouped ? { of: [...of] } : {}),
    ...(utilisation === undefined ? {} : { utilisation }),
    ...(governs
      ? {
          governs: {
            clause: governs.clause,
            ...(governs.axis ? { axis: governs.axis } : {}),
            combination: governs.combination,
            x: governs.x,
          },
        }
      : {}),
    ...(check.class === undefined ? {} : { class: check.class }),
    ...(reasons.length > 0 ? { reasons: [...reasons] } : {}),
    items: [...check.items],
  };
}

function summaryOf(checks: readonly MemberCheck[], frame: Frame): ChecksFile['summary'] {
  const covered = checks.filter(({ utilisation }) => utilisation !== undefined);
  const worst =
    covered.length === 0 ? undefined : covered.reduce((a, b) => (b.utilisation! > a.utilisation! ? b : a));
  const over = checks.filter(({ status }) => status === 'fail').map(({ member }) => member);
  const notCovered = checks.filter(({ reasons }) => reasons.length > 0).map(({ member }) => member);
  const mass = frame.memberIds.reduce((sum, _, m) => sum + frame.massPerLength[m]! * frame.length[m]!, 0);
  return {
    status: over.length > 0 ? 'fail' : notCovered.length > 0 ? 'not covered' : 'pass',
    ...(worst ? { utilisation: worst.utilisation!, member: worst.member } : {}),
    over,
    notCovered,
    mass,
  };
}
