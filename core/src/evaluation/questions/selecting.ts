import { attempt } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import { conditionProgram } from '../../language/evaluate.js';
import { isPure } from '../../language/dimension.js';
import { tagTypes, type ValueType } from '../../language/types.js';
import type { Namer } from '../../geometry/names.js';
import { Tagged } from '../../geometry/select.js';
import { proposeCondition } from '../../rules/propose.js';
import { inOrder } from '../summaries/slices.js';

/** A condition for a selection, and what is selected in words: a name, or how many. */
export interface Proposal {
  /** Absent where no condition of a rule's length selects just that. */
  readonly condition?: string;
  readonly title: string;
}

/** What a condition selects, or why it cannot be read. */
export interface Selected {
  readonly ids: readonly string[];
  readonly problem?: string;
}

export function proposalFor(
  { geometry }: BuiltFrame,
  namer: Namer,
  of: 'members' | 'nodes',
  ids: readonly string[],
): Proposal {
  const condition = proposeCondition(geometry, of, new Set(ids));
  const name = (id: string) => (of === 'members' ? namer.member(id) : namer.node(id));
  const title = ids.length === 1 ? name(ids[0]!) : `${ids.length} ${of}`;
  return condition === undefined ? { title } : { condition, title };
}

export function selectedBy(
  { geometry, names }: BuiltFrame,
  of: 'members' | 'nodes',
  condition: string,
): Selected {
  const outcome = attempt(() => {
    const matches = conditionProgram(condition, names, { what: 'the condition', where: {} });
    const tagged = Tagged.of(geometry);
    return of === 'members' ? tagged.selectMembers(matches) : tagged.selectNodes(matches);
  });
  if (!outcome.ok) return { ids: [], problem: outcome.problems[0]!.message };
  return { ids: outcome.value.map(({ id }) => id) };
}

/** What the members or nodes of a frame have in each tag that holds text or a count, in order; lengths and angles are left out. */
export function tagValues(
  { geometry }: BuiltFrame,
  of: 'members' | 'nodes',
): Readonly<Record<string, readonly (string | number)[]>> {
  const values = new Map<string, Set<string | number>>();
  for (const { tags } of Tagged.of(geometry)[of])
    for (const [tag, value] of Object.entries(tags)) {
      if (value === undefined || !listed.has(tag)) continue;
      values.set(tag, (values.get(tag) ?? new Set()).add(value));
    }
  return Object.fromEntries([...values].map(([tag, set]) => [tag, [...set].sort(inOrder)]));
}

/** Tags whose values are few. */
const listed = new Set([...tagTypes].flatMap(([tag, type]) => (isListed(type) ? [tag] : [])));

function isListed(type: ValueType): boolean {
  return type.kind === 'text' || (type.kind === 'number' && isPure(type.dimension));
}
