import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { storeys } from './examples.js';
import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import type { GeometryNode } from '../../geometry/geometry.js';
import { cross, dot, minus, size, times, unit, type Point } from '../../geometry/vector.js';
import { option } from '../../fields/index.js';
import { selectNodes, selectsNodes } from '../select.js';
import { edit } from '../step.js';

/** Rigid floors and walls. */
export const floor = edit({
  kind: 'floor',
  title: 'Rigid floor',
  about:
    'The nodes of each storey move as one: "plane" as a diaphragm in its plane, "rigid" as a whole body. Nodes without a storey make one wall or floor.',
  roles: [],
  places: [],
  group: 'finish',
  example: { before: [storeys()], fields: { nodes: 'storey > 0', kind: 'rigid' } },
  fields: {
    nodes: selectsNodes,
    kind: option(['plane', 'rigid'], { title: 'Kind', fallback: 'plane' }),
  },
  run(before, { nodes, kind }, context) {
    const { id, space } = context;
    const draft = new Draft(before, id);
    const byStorey = new Map<string, GeometryNode[]>();
    for (const node of selectNodes(before, nodes, context)) {
      const key = String(node.tags['storey'] ?? 'all');
      byStorey.set(key, [...(byStorey.get(key) ?? []), node]);
    }
    for (const [storey, list] of byStorey) {
      if (list.length < 2) continue;
      const normal: Point = space === 'plane' ? [0, 1, 0] : normalOf(list, id);
      draft.floors.push({
        id: `${id}.floor.${storey}`,
        nodes: list.map((node) => node.id),
        kind: kind === 'rigid' ? 'body' : 'plane',
        normal,
      });
    }
    if (draft.floors.length === before.floors.length)
      fail(
        'nothing-selected',
        `Step "${id}": no storey has two of the selected nodes, so there is nothing to tie together.`,
        { step: id, field: 'nodes' },
      );
    return draft.finish();
  },
  summary: ({ kind, nodes }) =>
    `${kind === 'rigid' ? 'a body' : 'a diaphragm'}${typeof nodes === 'string' ? ` of ${conditionWords(nodes, 'nodes')}` : ''}`,
});

/** Normal of the plane of some nodes; Z where they are level or in one line. */
function normalOf(nodes: readonly GeometryNode[], step: string): Point {
  const origin = nodes[0]!.at;
  if (nodes.every(({ at }) => Math.abs(at[2] - origin[2]) < 1e-6)) return [0, 0, 1];
  let best: Point = [0, 0, 0];
  for (const { at: p } of nodes.slice(1))
    for (const { at: q } of nodes.slice(2)) {
      const n = cross(minus(p, origin), minus(q, origin));
      if (size(n) > size(best)) best = n;
    }
  if (size(best) < 1e-9)
    return fail(
      'geometry',
      `Step "${step}": the nodes of the wall lie in one line, which has no plane; select more of them.`,
      { step, field: 'nodes' },
    );
  const n = unit(best);
  for (const { at, id } of nodes)
    if (Math.abs(dot(minus(at, origin), n)) > 1e-6)
      fail(
        'geometry',
        `Step "${step}": the node "${id}" lies out of the plane of the others; a floor or wall is plane.`,
        { step, field: 'nodes', node: id },
      );
  return n[2] < -1e-9 || (Math.abs(n[2]) < 1e-9 && n[0] + n[1] < 0) ? times(n, -1) : n;
}
