import type { Frame, Progress } from '../analysis/index.js';
import { notChecked, type CheckItem, type MemberCheck, type Stability } from '../checks/index.js';
import type { CodeName, FrameModel } from '../model/types.js';
import { evaluate, verdictOn, type Verdict, type VerdictStatus } from '../evaluation/stages/index.js';
import { attempt, problem, ProblemError, type Outcome, type Problem } from '../base/problem.js';
import { resolveSections } from '../sections/sections.js';
import { assertFinite } from './finite.js';

/** The `hashira-checks` document. */
export interface ChecksFile {
  format: 'hashira-checks';
  version: 1;
  code: CodeName;
  /** By strength combination. */
  stability: Record<
    string,
    { alphaCr?: number; alphaCrMember?: number; reason?: string; secondOrderNeeded: boolean; clause: string }
  >;
  /** By member id, a group under its own name. */
  members: Record<string, CheckedMember>;
  summary: {
    /** What all checks come to: the same verdict that screens and `hashira assess` tell. */
    status: VerdictStatus;
    utilisation?: number;
    member?: string;
    /** Members over capacity, and those with something not covered. */
    over: string[];
    notCovered: string[];
    /** What no check here speaks of. */
    notChecked: string[];
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
    const { secondOrder = false, all = false, progress } = options;
    const outcome = evaluate(model, { secondOrder, all, steps: true, ...(progress ? { progress } : {}) });
    if (!outcome.ok) throw new ProblemError(outcome.problems);
    const { forces, checks = [], stability } = outcome.value;
    const verdict = verdictOn(outcome.value)!;
    const file: ChecksFile = {
      format: 'hashira-checks',
      version: 1,
      code: model.code?.name ?? 'EN1993',
      stability: Object.fromEntries(
        [...(stability?.stability ?? [])].map(([id, one]) => [id, stabilityEntry(one)]),
      ),
      members: Object.fromEntries(checks.map((check) => [check.member, entryOf(check)])),
      summary: summaryOf(verdict, forces.frame),
      notes: [...forces.notes, ...idleNotes(checks), ...unloadedNotes(verdict)],
    };
    assertFinite(file, () => '');
    return file;
  });
}

/** Members that nothing acts on: slack, or without load, in every combination. */
function idleNotes(checks: readonly MemberCheck[]): string[] {
  return checks
    .filter(({ utilisation, governs }) => utilisation === 0 && !governs)
    .map(
      ({ member }) =>
        `Nothing acts on "${member}" in any combination: it is slack or without load, and its utilisation is 0.`,
    );
}

const unloadedNotes = ({ unloaded }: Verdict): string[] =>
  unloaded.map((id) => `Combination "${id}" carries no load: what is checked under it says nothing.`);

/** αcr is left out, with the reason, where the frame does not buckle. */
function stabilityEntry({
  alphaCr,
  alphaCrMember,
  reason,
  secondOrderNeeded,
  clause,
}: Stability): ChecksFile['stability'][string] {
  return {
    ...(alphaCr === null ? {} : { alphaCr }),
    ...(alphaCrMember === undefined ? {} : { alphaCrMember }),
    ...(reason === undefined ? {} : { reason }),
    secondOrderNeeded,
    clause,
  };
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

function summaryOf({ status, worst, over, notCovered }: Verdict, frame: Frame): ChecksFile['summary'] {
  const mass = frame.memberIds.reduce((sum, _, m) => sum + frame.massPerLength[m]! * frame.length[m]!, 0);
  return {
    status,
    ...(worst ? { utilisation: worst.utilisation!, member: worst.member } : {}),
    over: [...over],
    notCovered: [...notCovered],
    notChecked: [...notChecked],
    mass,
  };
}
