import { listed, type RemarkKind } from './warning.js';

/** Parts of the frame that hang together and that no support holds. */
export const unsupported: RemarkKind = {
  code: 'no-support',
  find({ model }, names) {
    const parent = new Map(model.nodes.map(({ id }) => [id, id]));
    const root = (id: string): string => {
      let at = id;
      while (parent.get(at) !== at) {
        parent.set(at, parent.get(parent.get(at)!)!);
        at = parent.get(at)!;
      }
      return at;
    };
    for (const { start, end } of model.members) parent.set(root(start), root(end));
    for (const { nodes } of model.rigidGroups ?? [])
      for (const node of nodes) parent.set(root(node), root(nodes[0]!));
    const held = new Set((model.supports ?? []).map(({ node }) => root(node)));
    const parts = new Map<string, string[]>();
    for (const { id, start } of model.members) {
      const part = root(start);
      if (!held.has(part)) parts.set(part, [...(parts.get(part) ?? []), id]);
    }
    return [...parts.values()].map((members) => ({
      code: 'no-support',
      message: `No support holds the part with ${listed(members.map((id) => names.member(id)))}; add a support, or connect it.`,
      nodes: [],
      members,
    }));
  },
};
