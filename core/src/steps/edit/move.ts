import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { portal } from './examples.js';
import { fail } from '../../base/problem.js';
import { quantityProgram, type WithTags, type Written } from '../../language/evaluate.js';
import { Draft } from '../../geometry/draft.js';
import { nodeTags } from '../../geometry/select.js';
import { add, distance } from '../../geometry/vector.js';
import { joinNodes } from '../../geometry/weld/weld.js';
import { custom, offset, optional } from '../../fields/index.js';
import { selectNodes, selectsNodes } from '../select.js';
import { edit } from '../step.js';

const height = custom<(thing: WithTags) => number>(
  { title: 'Height', about: 'The new z of each node, a formula that may use its x, y and z.' },
  { type: ['string', 'number'], maxLength: 400, minLength: 1 },
  (written, names, place) => quantityProgram(written as Written, { ...names, tags: true }, 'length', place),
);

/** Moves nodes; what is attached goes with them. */
export const move = edit({
  kind: 'move',
  title: 'Move nodes',
  about: 'Moves nodes by a distance, or to a height by a formula of their own x, y and z.',
  roles: [],
  places: [],
  group: 'shape',
  example: { before: [portal()], fields: { nodes: 'place == "apex"', by: ['3 m', '0 m', '1 m'] } },
  fields: {
    nodes: selectsNodes,
    by: optional(offset({ title: 'By', about: '[x, y, z]', initial: ['0 m', '0 m', '0.5 m'] })),
    z: optional(height),
  },
  run(before, { nodes, by, z }, context) {
    const { id } = context;
    if (!by && !z) fail('geometry', `Step "${id}" moves nowhere; give "by" or "z".`, { step: id });
    const draft = new Draft(before, id);
    const selected = selectNodes(before, nodes, context);
    for (const node of selected) {
      const at = by ? add(node.at, by) : node.at;
      draft.nodes.set(node.id, {
        ...node,
        at: z ? [at[0], at[1], z({ tags: { ...nodeTags(node), x: at[0], y: at[1], z: at[2] } })] : at,
      });
    }
    for (const member of draft.members.values())
      if (distance(draft.at(member.start), draft.at(member.end)) < 1e-4)
        fail(
          'geometry',
          `Step "${id}" moves both ends of a member to the same place; move its nodes less, or remove it.`,
          { step: id },
        );
    const moved = new Set(selected.map((node) => node.id));
    const others = [...draft.nodes.keys()].filter((name) => !moved.has(name));
    joinNodes(draft, [...others, ...moved], 1e-4);
    return draft.finish();
  },
  summary: ({ by, z, nodes }) =>
    `${conditionWords(typeof nodes === 'string' ? nodes : '', 'nodes')}, ${Array.isArray(by) ? `by ${by.map(String).join(', ')}` : `z = ${String(z)}`}`,
});
