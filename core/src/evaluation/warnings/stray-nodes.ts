import { listed, type RemarkKind } from './warning.js';

/** Nodes that no member meets: they stay only for a load or a rigid group. */
export const strayNodes: RemarkKind = {
  code: 'stray-node',
  find({ model, geometry }, names) {
    const met = new Set(model.members.flatMap(({ start, end }) => [start, end]));
    const grouped = new Set((model.rigidGroups ?? []).flatMap(({ nodes }) => nodes));
    const stray = model.nodes
      .map(({ id }) => id)
      .filter((id) => geometry.nodes.has(id) && !met.has(id) && !grouped.has(id));
    if (stray.length === 0) return [];
    return [
      {
        code: 'stray-node',
        message: `No member meets ${listed(stray.map((id) => names.node(id)))}; remove the step that makes it, or connect it.`,
        nodes: stray,
        members: [],
      },
    ];
  },
};
