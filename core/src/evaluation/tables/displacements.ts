import type { TableKind } from './table.js';

/** Displacements and rotations of the nodes, global. */
export const displacements: TableKind = {
  kind: 'displacements',
  title: 'Displacements',
  of: 'nodes',
  columns: ({ forces }) =>
    forces.frame.plane
      ? [
          { name: 'ux', quantity: 'deflection' },
          { name: 'uz', quantity: 'deflection' },
          { name: 'ry', quantity: 'angle' },
        ]
      : [
          ...['ux', 'uy', 'uz'].map((name) => ({ name, quantity: 'deflection' as const })),
          ...['rx', 'ry', 'rz'].map((name) => ({ name, quantity: 'angle' as const })),
        ],
  places({ forces, namer }) {
    const { frame } = forces;
    const freedoms = frame.plane ? [0, 2, 4] : [0, 1, 2, 3, 4, 5];
    return frame.nodeIds.map((node, n) => ({
      part: node,
      title: namer.node(node),
      at: '',
      values: (state) => freedoms.map((k) => state.displacements[6 * n + k]!),
    }));
  },
};
