import { directionColumns, freedomsOf } from './directions.js';
import type { TableKind } from './table.js';

/** What supports do to the structure, global. */
export const reactions: TableKind = {
  kind: 'reactions',
  title: 'What the ground pushes with',
  of: 'nodes',
  columns: ({ forces: { frame } }) =>
    directionColumns(frame.plane, {
      symbols: ['FX', 'FY', 'FZ', 'MX', 'MY', 'MZ'],
      along: 'force',
      about: 'moment',
    }),
  places({ forces, namer }) {
    const { frame, model } = forces;
    const freedoms = freedomsOf(frame.plane);
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
