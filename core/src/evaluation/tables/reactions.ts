import type { TableKind } from './table.js';

/** What supports do to the structure, global. */
export const reactions: TableKind = {
  kind: 'reactions',
  title: 'Reactions',
  of: 'nodes',
  columns: ({ forces }) =>
    forces.frame.plane
      ? [
          { name: 'FX', quantity: 'force' },
          { name: 'FZ', quantity: 'force' },
          { name: 'MY', quantity: 'moment' },
        ]
      : [
          ...['FX', 'FY', 'FZ'].map((name) => ({ name, quantity: 'force' as const })),
          ...['MX', 'MY', 'MZ'].map((name) => ({ name, quantity: 'moment' as const })),
        ],
  places({ forces, namer }) {
    const { frame, model } = forces;
    const freedoms = frame.plane ? [0, 2, 4] : [0, 1, 2, 3, 4, 5];
    return (model.supports ?? []).map(({ node }) => {
      const n = frame.nodeIndex.get(node)!;
      return {
        part: node,
        title: namer.node(node),
        at: '',
        values: (state) => freedoms.map((k) => state.reactions[6 * n + k]!),
      };
    });
  },
};
