import type { BuiltFrame } from '../../build/build.js';
import { conditionWords } from '../../geometry/conditions/condition-words.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { cross, minus, size, unit } from '../../geometry/vector.js';
import { ruleWords } from '../../rules/index.js';
import { selectedBy } from './selection.js';
import type { Question } from './question.js';

/** A wider selection that holds what is selected: what it is in words, and its members or nodes. */
export interface Alike {
  readonly title: string;
  readonly ids: readonly string[];
}

/** Tags by which more of a kind are selected, from the most general to the most particular. */
const tagSets = {
  members: [
    ['role'],
    ['role', 'storey'],
    ['role', 'side'],
    ['role', 'bay'],
    ['role', 'row'],
    ['storey'],
    ['bay'],
    ['row'],
    ['step'],
  ],
  nodes: [['place'], ['place', 'storey'], ['place', 'side'], ['storey'], ['step']],
} as const;

/** Members whose ends lie this near to a line are on it, m. */
const nearLine = 1e-3;

/** What a selection can be widened to: all of the same role, storey, line, step, or rule; each once, and none that selects no more. */
export function alikeTo(built: BuiltFrame, of: 'members' | 'nodes', ids: readonly string[]): Alike[] {
  const { geometry, design } = built;
  const things = ids.flatMap((id) => (of === 'members' ? geometry.members : geometry.nodes).get(id) ?? []);
  if (things.length === 0) return [];
  const titleOf = (id: string) => design.steps.find((step) => step.id === id)?.title ?? id;
  const common = (tag: string) => {
    const values = new Set(things.map(({ tags }) => tags[tag]));
    const [value] = values;
    return values.size === 1 && (typeof value === 'string' || typeof value === 'number') ? value : undefined;
  };
  const byTags = tagSets[of].flatMap((tags): Alike[] => {
    const values = tags.map(common);
    if (values.includes(undefined)) return [];
    const condition = tags.map((tag, i) => `${tag} == ${JSON.stringify(values[i])}`).join(' and ');
    return [{ title: conditionWords(condition, of, titleOf), ids: selectedBy(built, of, condition).ids }];
  });
  const byRules = design.rules
    .filter(({ members }) => (members === undefined ? 'nodes' : 'members') === of)
    .map((rule) => ({
      title: `what the rule “${rule.title ?? ruleWords(rule)}” matches`,
      ids: built.matches.get(rule.id) ?? [],
    }));
  const onLine =
    of === 'members'
      ? [{ title: 'all on this line', ids: onOneLine(built, things as GeometryMember[]) }]
      : [];
  return wider(ids, [...onLine, ...byTags, ...byRules]);
}

/** Members on the straight line of the first of some members. */
function onOneLine(
  { geometry: { members, nodes } }: BuiltFrame,
  [first]: readonly GeometryMember[],
): string[] {
  const at = (node: string) => nodes.get(node)!.at;
  const from = at(first!.start);
  const along = unit(minus(at(first!.end), from));
  const isOn = (node: string) => size(cross(minus(at(node), from), along)) < nearLine;
  return [...members.values()].filter(({ start, end }) => isOn(start) && isOn(end)).map(({ id }) => id);
}

/** Those that hold all that is selected and more, each set once. */
function wider(ids: readonly string[], all: readonly Alike[]): Alike[] {
  const known = new Set<string>();
  return all.filter((one) => {
    const set = new Set(one.ids);
    const key = [...set].sort().join('\n');
    if (set.size <= ids.length || !ids.every((id) => set.has(id)) || known.has(key)) return false;
    known.add(key);
    return true;
  });
}

/** What a selection can be widened to. */
export const alike: Question<
  { readonly of: 'members' | 'nodes'; readonly ids: readonly string[] },
  readonly Alike[]
> = ({ built }, { of, ids }) => (built ? alikeTo(built, of, ids) : []);
