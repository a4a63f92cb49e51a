import { drain } from '../../base/drain.js';
import { fail, ProblemError } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import type { Alternative, Design } from '../../document/types.js';
import { namerOf } from '../../build/namer.js';
import { sectionDetails } from '../../sections/details.js';
import type { CatalogueEntry } from '../../sections/catalogue/index.js';
import { evaluateAlternative, type EvaluatedAlternative } from '../alternative.js';
import { evaluatedFrame } from '../evaluated-frame.js';
import { ChangedSections, massOfMembers, type SectionSet } from '../section-groups/changed-sections.js';
import { askedGroups, sectionGroups, type SectionGroup } from '../section-groups/groups.js';
import { poolOf, type PoolOptions } from '../section-groups/pools.js';
import { SetAssessor, type Failing } from './assessed-set.js';
import { search, type Choice, type SearchState } from './search.js';
import { groupState, reasonOf, setState, type GroupState, type SetState } from './words.js';

/** What is asked of a suggestion. */
export interface SuggestOptions extends PoolOptions {
  /** Ids of groups; absent: all. */
  readonly groups?: readonly string[];
  /** Utilisation that no member may exceed; 1 where left out. */
  readonly target?: number;
  /** Analyses at the most; 2000 where left out. */
  readonly most?: number;
}

/** The set that comes nearest where none passes. */
export interface NearestSet {
  readonly sections: Readonly<Record<string, string>>;
  /** Greatest of utilisation to target, and of figure to limit. */
  readonly ratio: number;
  readonly members: readonly string[];
  readonly over: readonly string[];
}

/** The `hashira-suggestions` document: the lightest sections with which an alternative passes. */
export interface Suggestions {
  readonly format: 'hashira-suggestions';
  readonly version: 1;
  readonly alternative: string;
  readonly status: 'found' | 'none' | 'stopped';
  readonly code?: 'nothing-passes';
  readonly message?: string;
  /** Sets that were analysed, of all. */
  readonly analyses: number;
  readonly sets: number;
  readonly exact: boolean;
  readonly groups: readonly SuggestedGroup[];
  readonly before: SetState;
  readonly after?: SetState;
  readonly nearest?: NearestSet;
}

export interface SuggestedGroup {
  readonly id: string;
  readonly title: string;
  /** Physical members. */
  readonly members: number;
  readonly before: GroupState;
  readonly after?: GroupState;
  readonly reason?: string;
}

/** What is known while a search goes on. */
export interface SuggestProgress {
  readonly analyses: number;
  readonly sets: number;
  /** What can be told if it is stopped now. */
  soFar(): Suggestions;
}

/** Sets up to which all lighter ones are tried. */
const exactUpTo = 2000;
const mostAnalyses = 2000;

/** Suggests the lightest sections with which an alternative passes. @throws ProblemError as `suggestInParts` */
export const suggest = (
  design: Design,
  alternative: Alternative,
  options: SuggestOptions = {},
): Suggestions => drain(suggestInParts(design, alternative, options));

/**
 * The same with a pause after each analysis: whoever drives it can stop and take what is known.
 *
 * @throws ProblemError `unknown-group`, `unknown-family`, `nothing-passes`, `nothing-to-check`, `no-strength`, `mechanism`
 */
export function* suggestInParts(
  design: Design,
  alternative: Alternative,
  options: SuggestOptions = {},
): Generator<SuggestProgress, Suggestions> {
  const { target = 1, most = mostAnalyses } = options;
  const standing = standingOf(design, alternative);
  const { built } = standing;
  const groups = askedGroups(sectionGroups(built), options.groups);
  const frames = new ChangedSections(built, groups);
  const pools = groups.map((group) => weighed(frames, group, poolOf(built, group, options)));
  const setOf = (choice: Choice): SectionSet =>
    new Map(groups.map(({ id }, g) => [id, pools[g]!.entries[choice[g]!]!.name]));
  const uncovered = new Set(
    (standing.evaluation?.checks ?? []).flatMap(({ member, reasons }) =>
      reasons.length > 0 ? [member] : [],
    ),
  );
  const secondOrder = design.analysis.order === 2;
  const assessor = new SetAssessor({ target, uncovered, secondOrder }, built.design.figures);
  const additive = isAdditive(frames, groups, pools);
  const before = stateBefore(standing, groups);
  const head = { format: 'hashira-suggestions', version: 1, alternative: alternative.id } as const;
  const told = (
    state: SearchState,
    more: Partial<Suggestions> & Pick<Suggestions, 'status'>,
  ): Suggestions => ({
    ...head,
    analyses: state.analyses,
    sets: state.sets,
    exact: state.exact,
    groups: before.groups,
    before: before.whole,
    ...more,
  });
  const parts = search(
    pools.map(({ masses, entries }) => ({ masses, isWeaker: weakerOf(entries) })),
    (choice) => assessor.assess(frames.with(setOf(choice))),
    {
      most,
      exactUpTo,
      ...(additive ? {} : { massOf: (choice: Choice) => massOfMembers(frames.with(setOf(choice))) }),
    },
  );
  for (;;) {
    const { done, value: state } = parts.next();
    if (!done) {
      yield { analyses: state.analyses, sets: state.sets, soFar: () => told(state, { status: 'stopped' }) };
      continue;
    }
    if (state.stopped) return told(state, { status: 'stopped' });
    if (state.found) {
      const after = stateAfter(standing, frames.with(setOf(state.found)), groups, setOf(state.found));
      return told(state, {
        status: 'found',
        groups: before.groups.map((group, g): SuggestedGroup => ({
          ...group,
          after: after.groups[g]!,
          reason: reasonOf(pools[g]!.entries, state.found![g]!, state.exact),
        })),
        after: after.whole,
      });
    }
    return told(state, {
      status: 'none',
      code: 'nothing-passes',
      ...nothingPasses(state, groups, (choice) => assessor.assess(frames.with(setOf(choice)), true), setOf),
    });
  }
}

/** The alternative as it stands, evaluated wholly, with a frame. */
function standingOf(
  design: Design,
  alternative: Alternative,
): EvaluatedAlternative & { readonly built: BuiltFrame } {
  const standing = evaluateAlternative(design, alternative, 'complete');
  const { built, problems } = standing;
  // A frame that is past its critical load can be helped by other sections; one that is no frame cannot
  if (!built || problems.some(({ code }) => code !== 'diverged' && code !== 'not-converged'))
    throw new ProblemError(problems);
  refuseUnchecked(built);
  return { ...standing, built };
}

function refuseUnchecked({ model }: BuiltFrame): void {
  if (!(model.combinations ?? []).some(({ state }) => state === 'strength'))
    fail(
      'nothing-to-check',
      'The design has no strength combination, so that nothing is checked; add one.',
      {},
    );
}

interface Pool {
  readonly entries: readonly CatalogueEntry[];
  /** kg of the group's members with each section. */
  readonly masses: readonly number[];
}

/** A group's sections by the mass that its members have with them. */
function weighed(frames: ChangedSections, group: SectionGroup, entries: readonly CatalogueEntry[]): Pool {
  const sorted = entries
    .map((entry) => ({
      entry,
      mass: massOfMembers(frames.with(new Map([[group.id, entry.name]])), group.pieces),
    }))
    .sort((a, b) => a.mass - b.mass);
  return { entries: sorted.map(({ entry }) => entry), masses: sorted.map(({ mass }) => mass) };
}

/** Whether the frame's mass is the sum over the groups: no group's sections weigh on another's members. */
function isAdditive(
  frames: ChangedSections,
  groups: readonly SectionGroup[],
  pools: readonly Pool[],
): boolean {
  const others =
    massOfMembers(frames.built) -
    groups.reduce((sum, { pieces }) => sum + massOfMembers(frames.built, pieces), 0);
  return [0, 1].every((end) => {
    const chosen = pools.map(({ entries }) => (end === 0 ? 0 : entries.length - 1));
    const set = new Map(groups.map(({ id }, g) => [id, pools[g]!.entries[chosen[g]!]!.name]));
    const sum = pools.reduce((total, { masses }, g) => total + masses[chosen[g]!]!, others);
    return Math.abs(massOfMembers(frames.with(set)) - sum) <= 1e-9 * sum;
  });
}

/** Properties by which a section is compared with another. */
const strengths = ['A', 'Iy', 'Iz', 'J', 'Wely', 'Welz', 'Wply', 'Wplz'] as const;

/** Whether one section of a pool is in nothing stronger than another. */
function weakerOf(entries: readonly CatalogueEntry[]): (a: number, b: number) => boolean {
  const details = entries.map(({ shape }) => sectionDetails(shape));
  return (a, b) => a === b || strengths.every((name) => details[a]![name] <= details[b]![name] * (1 + 1e-9));
}

/** The groups and the whole as they stand. */
function stateBefore(
  standing: EvaluatedAlternative & { readonly built: BuiltFrame },
  groups: readonly SectionGroup[],
): { whole: SetState; groups: SuggestedGroup[] } {
  const { built, problems } = standing;
  const namer = namerOf(built);
  const checks = problems.length > 0 ? [] : (standing.evaluation?.checks ?? []);
  return {
    whole: setState(massOfMembers(built), standing),
    groups: groups.map((group) => ({
      id: group.id,
      title: group.title,
      members: group.members.length,
      before: groupState(group, group.section, massOfMembers(built, group.pieces), checks, namer),
    })),
  };
}

/** The same with a set that passes. */
function stateAfter(
  standing: EvaluatedAlternative,
  built: BuiltFrame,
  groups: readonly SectionGroup[],
  set: SectionSet,
): { whole: SetState; groups: GroupState[] } {
  const changed = evaluatedFrame(standing, built);
  const namer = namerOf(built);
  return {
    whole: setState(massOfMembers(built), changed),
    groups: groups.map((group) =>
      groupState(
        group,
        set.get(group.id)!,
        massOfMembers(built, group.pieces),
        changed.evaluation!.checks!,
        namer,
      ),
    ),
  };
}

/** Why nothing passes, and the set that comes nearest. */
function nothingPasses(
  state: SearchState,
  groups: readonly SectionGroup[],
  wholly: (choice: Choice) => { passes: boolean } & Partial<Failing>,
  setOf: (choice: Choice) => SectionSet,
): Pick<Suggestions, 'message' | 'nearest'> {
  const failing = state.tried.flatMap(({ choice, result }) => (result.passes ? [] : [{ choice, ...result }]));
  const only = failing.filter(({ ratio }) => ratio <= 1 + 1e-9);
  const secondOrder = only.some(({ other }) => other === 'second order');
  let nearest: NearestSet | undefined;
  // What was found of a set before is less than its ratio: the first that stays least is the nearest
  for (const { choice, ratio, other } of [...failing].sort((a, b) => a.ratio - b.ratio)) {
    if (other === 'no forces' || (nearest && ratio >= nearest.ratio)) continue;
    const whole = wholly(choice);
    if (whole.ratio === undefined || (nearest && whole.ratio >= nearest.ratio)) continue;
    nearest = {
      sections: Object.fromEntries(setOf(choice)),
      ratio: whole.ratio,
      members: whole.members ?? [],
      over: whole.over ?? [],
    };
  }
  const of = groups.map(({ title }) => `"${title}"`).join(', ');
  return {
    message: secondOrder
      ? `Every set of sections for ${of} is refused only because forces of second order are asked for; switch the analysis to second order.`
      : `None of the ${state.sets} sets of sections for ${of} passes; allow more depth, other series, or change the frame.`,
    ...(nearest ? { nearest } : {}),
  };
}
