import type { BuiltFrame } from '../../build/build.js';
import { Tagged } from '../../geometry/select.js';
import { isPure } from '../../language/dimension.js';
import { tagTypes, type ValueType } from '../../language/types.js';
import { inOrder } from '../summaries/slices.js';
import type { Question } from './question.js';

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

/** What an alternative's members or nodes have in each tag that conditions can ask for. */
export const tags: Question<
  { readonly of: 'members' | 'nodes' },
  Readonly<Record<string, readonly (string | number)[]>>
> = ({ built }, { of }) => (built ? tagValues(built, of) : {});
