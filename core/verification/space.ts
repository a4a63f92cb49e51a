import {
  clamped,
  displacement,
  EIy,
  model,
  pinned,
  reaction,
  roller,
  stateOf,
  steel,
  type VerificationGroup,
} from './case.js';

const GJ = steel.G * 2e-5;

export const space: VerificationGroup = {
  title: 'Grillages, frames in space, rigid groups',
  cases: [
    {
      title: 'Two crossing equal beams, force at the crossing: deflection',
      source: 'Each takes half: PL³/96EI',
      quantity: 'uz, m',
      expected: (-1e5 * 6 ** 3) / (96 * EIy),
      tolerance: 1e-10,
      compute: () =>
        displacement(
          stateOf(
            model(
              { w: [-3, 0, 0], e: [3, 0, 0], s: [0, -3, 0], n: [0, 3, 0], c: [0, 0, 0] },
              ['w', 'e', 's', 'n'].map((end) => ({ id: end, start: end, end: 'c' })),
              [
                { node: 'w', ux: 'fixed', uy: 'fixed', uz: 'fixed', rx: 'fixed' },
                { node: 'e', uy: 'fixed', uz: 'fixed', rx: 'fixed' },
                { node: 's', uz: 'fixed', ry: 'fixed' },
                { node: 'n', uz: 'fixed', ry: 'fixed' },
              ],
              [{ kind: 'node', node: 'c', F: [0, 0, -1e5] }],
            ),
          ),
          'c',
          2,
        ),
    },
    {
      title: 'Cantilever bent by a right angle in plan, force at its tip: deflection',
      source: 'Castigliano: P(a³ + b³)/3EI + Pb²a/GJ',
      quantity: 'uz, m',
      expected: (-1e4 * (4 ** 3 + 3 ** 3)) / (3 * EIy) - (1e4 * 3 ** 2 * 4) / GJ,
      tolerance: 1e-10,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [0, 0, 0], b: [4, 0, 0], c: [4, 3, 0] },
              [
                { id: '1', start: 'a', end: 'b' },
                { id: '2', start: 'b', end: 'c' },
              ],
              [clamped('a')],
              [{ kind: 'node', node: 'c', F: [0, 0, -1e4] }],
            ),
          ),
          'c',
          2,
        ),
    },
    {
      title: 'Angle loaded along its leg: sideways deflection against the one along the load',
      source: 'Unsymmetric bending: v/w = −Iyz/Iz',
      quantity: 'ratio',
      expected: 1.5e-6 / 3e-6,
      tolerance: 1e-10,
      compute: () => {
        const r = stateOf(
          model(
            { a: [0, 0, 0], b: [3, 0, 0] },
            [{ id: 'm', start: 'a', end: 'b' }],
            [clamped('a')],
            [{ kind: 'node', node: 'b', F: [0, 0, -1e3] }],
            {
              sections: [
                {
                  id: 's',
                  material: 'steel',
                  properties: { A: 2e-3, Iy: 4e-6, Iz: 3e-6, Iyz: -1.5e-6, J: 1e-7 },
                },
              ],
            },
          ),
        );
        return displacement(r, 'b', 1) / displacement(r, 'b', 2);
      },
    },
    {
      title: 'Floor disc on four pinned-headed columns, force at a corner: rotation about the vertical',
      source: 'Σk·r²: F·b/(8·(3EI/h³)·b²), b the half side; equal stiffness both ways',
      quantity: 'rz, rad',
      expected: (-1e4 * 3) / (8 * ((3 * EIy) / 4 ** 3) * 9),
      tolerance: 1e-9,
      compute: () => {
        const corners = [
          [3, 3],
          [-3, 3],
          [-3, -3],
          [3, -3],
        ] as const;
        const points: Record<string, readonly number[]> = {};
        corners.forEach(([x, y], i) => {
          points[`b${i}`] = [x, y, 0];
          points[`t${i}`] = [x, y, 4];
        });
        const r = stateOf(
          model(
            points,
            corners.map((_, i) => ({
              id: `c${i}`,
              start: `b${i}`,
              end: `t${i}`,
              hinges: { end: { My: 'free', Mz: 'free', T: 'free' } } as const,
            })),
            corners.map((_, i) => clamped(`b${i}`)),
            [{ kind: 'node', node: 't0', F: [1e4, 0, 0] }],
            {
              sections: [
                { id: 's', material: 'steel', properties: { A: 0.01, Iy: 2e-4, Iz: 2e-4, J: 2e-5 } },
              ],
              rigidGroups: [
                { id: 'floor', nodes: ['t0', 't1', 't2', 't3'], kind: 'plane', normal: [0, 0, 1] },
              ],
            },
          ),
        );
        return displacement(r, 't2', 5);
      },
    },
    {
      title: 'Cantilever that carries a rigid body, force at the body’s far end: deflection there',
      source: 'Cantilever with P and P·c: PL³/3EI + PcL²/EI + Pc²L/EI',
      quantity: 'uz, m',
      expected: -1e4 * (4 ** 3 / 3 + 2 * 16 + 4 * 4) * (1 / EIy),
      tolerance: 1e-10,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [0, 0, 0], b: [4, 0, 0], c: [6, 0, 0] },
              [{ id: 'm', start: 'a', end: 'b' }],
              [clamped('a')],
              [{ kind: 'node', node: 'c', F: [0, 0, -1e4] }],
              { rigidGroups: [{ id: 'body', nodes: ['b', 'c'], kind: 'body' }] },
            ),
          ),
          'c',
          2,
        ),
    },
    {
      title: 'The same with a rigid arm in place of the body',
      source: 'As above, a beam from the arm’s end back is none: PL³/3EI + PcL²/2EI at the node',
      quantity: 'uz, m',
      expected: (-1e4 * 3 ** 3) / (3 * EIy),
      tolerance: 1e-10,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [0, 0, 0], b: [4, 0, 0] },
              [{ id: 'm', start: 'a', end: 'b', offsets: { start: [1, 0, 0] } }],
              [clamped('a')],
              [{ kind: 'node', node: 'b', F: [0, 0, -1e4] }],
            ),
          ),
          'b',
          2,
        ),
    },
    {
      title: 'Column that leans in space, rolled: total tip deflection does not depend on the axes',
      source: 'PL³/3EI for equal second moments',
      quantity: '|u|, m',
      expected: (1e4 * 5 ** 3) / (3 * EIy),
      tolerance: 1e-10,
      compute: () => {
        const r = stateOf(
          model(
            { a: [0, 0, 0], b: [0, 3, 4] },
            [{ id: 'm', start: 'a', end: 'b', roll: 0.7 }],
            [clamped('a')],
            [{ kind: 'node', node: 'b', F: [1e4, 0, 0] }],
            {
              sections: [
                { id: 's', material: 'steel', properties: { A: 0.01, Iy: 2e-4, Iz: 2e-4, J: 2e-5 } },
              ],
            },
          ),
        );
        return Math.hypot(...[0, 1, 2].map((k) => displacement(r, 'b', k)));
      },
    },
    {
      title: 'Roof beam under snow per metre of plan, sloping: vertical reaction',
      source: 'Statics: q·plan/2',
      quantity: 'Fz, N',
      expected: (5e3 * 6) / 2,
      tolerance: 1e-10,
      compute: () =>
        reaction(
          stateOf(
            model(
              { a: [0, 0], b: [6, 4] },
              [{ id: 'm', start: 'a', end: 'b' }],
              [pinned('a'), roller('b')],
              [{ kind: 'distributed', member: 'm', direction: 'z', q: [-5e3, -5e3], per: 'projected' }],
            ),
          ),
          'a',
          2,
        ),
    },
  ],
};
