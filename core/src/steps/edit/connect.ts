import { inName } from '../../geometry/sketch.js';
import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { point, portal } from './examples.js';
import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import { partAt } from '../../geometry/part.js';
import { distance, runsBackwards } from '../../geometry/vector.js';
import { weld } from '../../geometry/weld/weld.js';
import { condition, word } from '../../fields/index.js';
import { selectNodes, selectsNodes } from '../select.js';
import { edit } from '../step.js';

/** Members between nodes of two groups. */
export const connect = edit({
  kind: 'connect',
  title: 'Connect',
  about: 'A member from each of some nodes to the nearest of others.',
  roles: ['member'],
  places: [],
  group: 'connect',
  example: {
    before: [portal(), point('hang', ['11 m', '2 m'])],
    fields: { nodes: 'place == "point"', to: 'place == "apex"' },
  },
  fields: {
    nodes: selectsNodes,
    to: condition('nodes', { title: 'To the nearest of', initial: 'place == "apex"' }),
    role: word({ title: 'Role', fallback: 'member' }),
  },
  run(before, { nodes, to, role }, context) {
    const { id } = context;
    const from = selectNodes(before, nodes, context);
    const targets = selectNodes(before, to, context, 'to');
    const draft = new Draft(before, id);
    const made = new Set<string>();
    for (const node of from) {
      let nearest: (typeof targets)[number] | undefined;
      for (const target of targets)
        if (
          target.id !== node.id &&
          (!nearest || distance(target.at, node.at) < distance(nearest.at, node.at) - 1e-9)
        )
          nearest = target;
      if (!nearest)
        fail(
          'nothing-selected',
          `Step "${id}": the only node to connect to is the node itself; widen the condition "to".`,
          { step: id, field: 'to' },
        );
      const line = `${id}.${inName(role)}.${node.id.replaceAll('.', '-')}`;
      const ends = [node.id, nearest.id];
      const { side, storey, bay, row } = node.tags;
      const tags = Object.fromEntries(
        Object.entries({ step: id, role, side, storey, bay, row, part: partAt(draft, ends) }).filter(
          ([, v]) => v !== undefined,
        ),
      );
      draft.addLine(line, runsBackwards(node.at, nearest.at) ? ends.reverse() : ends, () => tags);
      made.add(line);
    }
    weld(draft, before, { nodes: new Set(), lines: made });
    return draft.finish();
  },
  summary: ({ nodes, to }) =>
    `${conditionWords(typeof nodes === 'string' ? nodes : '', 'nodes')} to ${String(to)}`,
});
