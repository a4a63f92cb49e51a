import { PointGrid } from '../../geometry/weld/nearby.js';
import { distance } from '../../geometry/vector.js';
import { listed, type RemarkKind } from './warning.js';

/** Nodes nearer than this that no member joins are probably meant to be one, m. */
const near = 0.025;

/** Nodes that nearly coincide. */
export const nearNodes: RemarkKind = {
  code: 'near-nodes',
  find({ geometry }, names) {
    const joined = new Set([...geometry.members.values()].map(({ start, end }) => `${start} ${end}`));
    const grid = new PointGrid(near);
    const pairs: [string, string][] = [];
    for (const { id, at } of geometry.nodes.values()) {
      const other = grid.firstAt(at);
      if (other !== undefined && !joined.has(`${id} ${other}`) && !joined.has(`${other} ${id}`))
        pairs.push([other, id]);
      grid.add(id, at);
    }
    if (pairs.length === 0) return [];
    const gaps = pairs.map(([a, b]) => distance(geometry.nodes.get(a)!.at, geometry.nodes.get(b)!.at));
    const told = pairs.map(
      ([a, b], i) => `${names.node(a)} and ${names.node(b)} (${(gaps[i]! * 1e3).toFixed(1)} mm)`,
    );
    return [
      {
        code: 'near-nodes',
        message: `Nodes lie close together without being joined: ${listed(told)}.`,
        nodes: [...new Set(pairs.flat())],
        members: [],
        fix: {
          title: 'Join them',
          step: { edit: 'join', tolerance: `${Math.ceil(Math.max(...gaps) * 1e3) + 1} mm` },
        },
      },
    ];
  },
};
