import type { Frame, Progress } from '../analysis/index.js';
import type { CheckItem, MemberCheck, Stability } from '../capacity/index.js';
import type { CodeName, FrameModel } from '../model/types.js';
import { assess } from '../pipeline/index.js';
import { attempt, problem, ProblemError, type Outcome, type Problem } from '../problem.js';
import { resolveSections } from '../library/sections.js';
import { assertFinite } from './finite.js';

/** The `hashira-checks` document. */
export interface ChecksFile {
  format: 'hashira-checks';
  version: 1;
  code: CodeName;
  /** By strength combination. */
  stability: Record<
    string,
    { alphaCr?: number; reason?: string; secondOrderNeeded: boolean; clause: string }
  >;
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
    const { secondOrder = false, all = false, progress } = options;
    const outcome = assess(model, { secondOrder, all, steps: true, ...(progress ? { progress } : {}) });
    if (!outcome.ok) throw new ProblemError(outcome.problems);
    const { forces, checks, stability } = outcome.value;
    const file: ChecksFile = {
      format: 'hashira-checks',
      version: 1,
      code: model.code?.name ?? 'EN1993',
      stability: Object.fromEntries([...stability].map(([id, one]) => [id, stabilityEntry(one)])),
      members: Object.fromEntries(checks.map((check) => [check.member, entryOf(check)])),
      summary: summaryOf(checks, forces.frame),
      notes: [...forces.notes, ...idleNotes(checks)],
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

/** αcr is left out, with the reason, where nothing buckles. */
function stabilityEntry({ alphaCr, ...rest }: Stability): ChecksFile['stability'][string] {
  return alphaCr === null
    ? { ...rest, reason: 'Nothing is in compression under this combination, so nothing buckles.' }
    : { alphaCr, ...rest };
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
