import type { FrameModel, Member, Support } from '../src/model/types.js';
import { forceAt } from '../src/results/index.js';
import { displacement, EA, model, pinned, stateOf, type VerificationGroup } from './case.js';

/** Members that carry N only. */
export const bars = (
  members: { id: string; start: string; end: string }[],
): (Partial<Member> & (typeof members)[0])[] =>
  members.map((member) => ({ ...member, action: 'axial' as const }));

const trussPoints = { a: [0, 0], b: [4, 0], c: [4, 3], d: [0, 3] } as const;
const square = { a: [0, 0], b: [4, 0], c: [4, 4], d: [0, 4] } as const;
const braced = (action: Member['action'], supports: Support[] = [pinned('a'), pinned('b')]): FrameModel =>
  model(
    square,
    [
      { id: 'l', start: 'a', end: 'd', action: 'axial' },
      { id: 'r', start: 'b', end: 'c', action: 'axial' },
      { id: 't', start: 'd', end: 'c', action: 'axial' },
      { id: 'up', start: 'a', end: 'c', action },
      { id: 'down', start: 'd', end: 'b', action },
    ],
    supports,
    [{ kind: 'node', node: 'd', F: [1e5, 0, 0] }],
  );

export const trusses: VerificationGroup = {
  title: 'Trusses and bracing',
  cases: [
    {
      title: 'Two equal bars at 30° to the horizontal, force at their joint: deflection',
      source: 'Castigliano: Pa/(2EA·sin²α), a the length of a bar',
      quantity: 'uz, m',
      expected: (-1e5 * 5) / (2 * EA * 0.25),
      tolerance: 1e-11,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [-5 * Math.cos(Math.PI / 6), 0], b: [5 * Math.cos(Math.PI / 6), 0], c: [0, 2.5] },
              bars([
                { id: '1', start: 'a', end: 'c' },
                { id: '2', start: 'b', end: 'c' },
              ]),
              [pinned('a'), pinned('b')],
              [{ kind: 'node', node: 'c', F: [0, 0, -1e5] }],
            ),
          ),
          'c',
          2,
        ),
    },
    {
      title: 'Bracket of a square with a diagonal: force of the diagonal',
      source: 'Method of joints: −P·5/3',
      quantity: 'N, N',
      expected: (-1e5 * 5) / 3,
      tolerance: 1e-11,
      compute: () =>
        forceAt(
          stateOf(
            model(
              trussPoints,
              bars([
                { id: 'bottom', start: 'a', end: 'b' },
                { id: 'top', start: 'd', end: 'c' },
                { id: 'post', start: 'b', end: 'c' },
                { id: 'diagonal', start: 'a', end: 'c' },
              ]),
              [pinned('a'), pinned('d')],
              [{ kind: 'node', node: 'c', F: [0, 0, -1e5] }],
            ),
          ).state.field(3),
          'N',
          1,
        ),
    },
    {
      title: 'Square with two diagonals, both acting: sway by the closed form of the force method',
      source: 'Force method, by hand: see the expression',
      quantity: 'ux, m',
      // Unit-load method with the diagonal "down" cut: n of l, r, t, up, down
      expected: (() => {
        const s = Math.SQRT2;
        const length = [4, 4, 4, 4 * s, 4 * s];
        const basic = [0, -1, -1, s, 0];
        const unit = [-1 / s, -1 / s, -1 / s, 1, 1];
        const d10 = basic.reduce((sum, n, i) => sum + n * unit[i]! * length[i]!, 0);
        const d11 = unit.reduce((sum, n, i) => sum + n * n * length[i]!, 0);
        const X = -d10 / d11;
        return (1e5 / EA) * basic.reduce((sum, n, i) => sum + n * (n + X * unit[i]!) * length[i]!, 0);
      })(),
      tolerance: 1e-11,
      compute: () => displacement(stateOf(braced('axial')), 'd', 0),
    },
    {
      title: 'The same, diagonals of rods that take tension only: force of the one that acts',
      source: 'Statics: P·√2',
      quantity: 'N, N',
      expected: 1e5 * Math.SQRT2,
      tolerance: 1e-11,
      compute: () => forceAt(stateOf(braced('tension-only')).state.field(3), 'N', 1),
    },
    {
      title: 'The same: force of the slack one',
      source: 'Definition',
      quantity: 'N, N',
      expected: 0,
      tolerance: 1e-9,
      compute: () => forceAt(stateOf(braced('tension-only')).state.field(4), 'N', 1),
    },
    {
      title: 'The same, diagonals that take compression only: force of the one that acts',
      source: 'Statics: −P·√2',
      quantity: 'N, N',
      expected: -1e5 * Math.SQRT2,
      tolerance: 1e-11,
      compute: () => forceAt(stateOf(braced('compression-only')).state.field(4), 'N', 1),
    },
    {
      title: 'Tripod, force on its top: force of a leg',
      source: 'Statics: −P/(3·cos), legs of 5 m on a base circle of 3 m',
      quantity: 'N, N',
      expected: -9e4 / (3 * 0.8),
      tolerance: 1e-11,
      compute: () => {
        const feet = [0, 1, 2].map((i) => (2 * Math.PI * i) / 3);
        const points: Record<string, readonly number[]> = { top: [0, 0, 4] };
        feet.forEach((angle, i) => (points[`f${i}`] = [3 * Math.cos(angle), 3 * Math.sin(angle), 0]));
        return forceAt(
          stateOf(
            model(
              points,
              bars([0, 1, 2].map((i) => ({ id: `leg${i}`, start: `f${i}`, end: 'top' }))),
              [0, 1, 2].map((i) => ({ node: `f${i}`, ux: 'fixed', uy: 'fixed', uz: 'fixed' })),
              [{ kind: 'node', node: 'top', F: [0, 0, -9e4] }],
            ),
          ).state.field(1),
          'N',
          2,
        );
      },
    },
    {
      title: 'Rod tightened between two walls: its force',
      source: 'Definition of pretension',
      quantity: 'N, N',
      expected: 2e4,
      tolerance: 1e-11,
      compute: () =>
        forceAt(
          stateOf(
            model(
              { a: [0, 0], b: [5, 0] },
              bars([{ id: 'm', start: 'a', end: 'b' }]),
              [pinned('a'), pinned('b')],
              [{ kind: 'pretension', member: 'm', force: 2e4 }],
            ),
          ).state.field(0),
          'N',
          1,
        ),
    },
  ],
};
