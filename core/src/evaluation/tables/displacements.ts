import { directionColumns, freedomsOf } from './directions.js';
import type { TableKind } from './table.js';

/** Displacements and rotations of the nodes, global. */
export const displacements: TableKind = {
  kind: 'displacements',
  title: 'Where nodes move',
  of: 'nodes',
  columns: ({ forces: { frame } }) =>
    directionColumns(frame.plane, {
      symbols: ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'],
      along: 'deflection',
      about: 'angle',
    }),
  places({ forces, namer }) {
    const { frame } = forces;
    const freedoms = freedomsOf(frame.plane);
    return frame.nodeIds.map((node, n) => ({
      part: node,
      title: namer.node(node),
      at: '',
      values: (state) => freedoms.map((k) => state.displacements[6 * n + k]!),
    }));
  },
};
