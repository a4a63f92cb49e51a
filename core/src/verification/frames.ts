import type { FrameModel, Load, Member, Support } from '../model/types.js';
import { forceAt } from '../results/index.js';
import {
  clamped,
  displacement,
  EA,
  EIy,
  fixed,
  model,
  pinned,
  reaction,
  roller,
  stateOf,
  steel,
  type VerificationGroup,
} from './case.js';

const L = 8;
const h = 5;
const w = 2e4;
const H = 4e4;
/** Second moment as `stiff`, an area so large that members do not stretch: what the closed forms of frames assume. */
const inextensible = { id: 's', material: 'steel', properties: { A: 1e4, Iy: 2e-4, Iz: 5e-5, J: 2e-5 } };
const portal = (supports: Support[], loads: Load[]) =>
  stateOf(
    model(
      { a: [0, 0], b: [0, h], c: [L, h], d: [L, 0] },
      [
        { id: 'left', start: 'a', end: 'b' },
        { id: 'beam', start: 'b', end: 'c' },
        { id: 'right', start: 'd', end: 'c' },
      ],
      supports,
      loads,
      { sections: [inextensible] },
    ),
  );
const onBeam: Load = { kind: 'distributed', member: 'beam', direction: 'z', q: [-w, -w] };
const atEaves: Load = { kind: 'node', node: 'b', F: [H, 0, 0] };
const pins = [pinned('a'), pinned('d')];
const clamps = [fixed('a'), fixed('d')];
/** k = (I beam/I column)·(h/L). */
const k = h / L;
const kleinlogel = 'Kleinlogel, Rigid Frame Formulas, frame';

const bars = (
  members: { id: string; start: string; end: string }[],
): (Partial<Member> & (typeof members)[0])[] =>
  members.map((member) => ({ ...member, action: 'axial' as const }));

/** A polygon of `count` chords on a curve, with loads at nodes only. */
function polygon(count: number, at: (share: number) => readonly [number, number]) {
  const points: Record<string, readonly number[]> = {};
  for (let i = 0; i <= count; i++) points[`n${i}`] = at(i / count);
  const members: (Partial<Member> & { id: string; start: string; end: string })[] = Array.from(
    { length: count },
    (_, i) => ({ id: `m${i}`, start: `n${i}`, end: `n${i + 1}` }),
  );
  return { points, members };
}

const span = 20;
const rise = 5;
const R = 10;

export const frames: VerificationGroup = {
  title: 'Portals and arches',
  cases: [
    {
      title: 'Portal on pins, uniform load: thrust',
      source: `${kleinlogel} 38: wL²/(4h(2k + 3))`,
      quantity: 'Fx, N',
      expected: (w * L ** 2) / (4 * h * (2 * k + 3)),
      tolerance: 1e-6,
      compute: () => reaction(portal(pins, [onBeam]), 'a', 0),
    },
    {
      title: 'Portal on pins, force at the eaves: moment of the corner',
      source: `${kleinlogel} 38: Hh/2`,
      quantity: 'My, N·m',
      expected: (H * h) / 2,
      tolerance: 1e-6,
      compute: () => Math.abs(forceAt(portal(pins, [atEaves]).state.field(1), 'My', 0)),
    },
    {
      title: 'Fixed portal, uniform load: moment of the base',
      source: `${kleinlogel} 42: wL²/(12(k + 2))`,
      quantity: 'My, N·m',
      expected: (w * L ** 2) / (12 * (k + 2)),
      tolerance: 1e-6,
      compute: () => Math.abs(reaction(portal(clamps, [onBeam]), 'a', 4)),
    },
    {
      title: 'Fixed portal, uniform load: moment of the corner',
      source: `${kleinlogel} 42: wL²/(6(k + 2))`,
      quantity: 'My, N·m',
      expected: (-w * L ** 2) / (6 * (k + 2)),
      tolerance: 1e-6,
      compute: () => forceAt(portal(clamps, [onBeam]).state.field(1), 'My', 0),
    },
    {
      title: 'Fixed portal, force at the eaves: moment of the base',
      source: `${kleinlogel} 42: (Hh/2)(3k + 1)/(6k + 1)`,
      quantity: 'My, N·m',
      expected: ((H * h) / 2) * ((3 * k + 1) / (6 * k + 1)),
      tolerance: 1e-6,
      compute: () => Math.abs(reaction(portal(clamps, [atEaves]), 'a', 4)),
    },
    {
      title: 'Fixed portal, force at the eaves: moment of the corner',
      source: `${kleinlogel} 42: (Hh/2)·3k/(6k + 1)`,
      quantity: 'My, N·m',
      expected: ((H * h) / 2) * ((3 * k) / (6 * k + 1)),
      tolerance: 1e-6,
      compute: () => Math.abs(forceAt(portal(clamps, [atEaves]).state.field(1), 'My', 0)),
    },
    {
      title: 'Three-hinged parabolic arch, equal loads at its nodes: thrust',
      source: 'Statics: moment of the half span over the rise',
      quantity: 'Fx, N',
      expected: (() => {
        // 19 loads of F at the nodes of 20 chords
        const F = 1e4;
        let moment = (19 * F * span) / 4;
        for (let i = 1; i < 10; i++) moment -= F * (span / 2 - i);
        return moment / rise;
      })(),
      tolerance: 1e-10,
      compute: () => {
        const { points, members } = polygon(20, (s) => [span * s, 4 * rise * s * (1 - s)]);
        members[9]!.hinges = { end: { My: 'free' } };
        const loads = Array.from({ length: 19 }, (_, i): Load => ({
          kind: 'node',
          node: `n${i + 1}`,
          F: [0, 0, -1e4],
        }));
        return reaction(stateOf(model(points, members, [pinned('n0'), pinned('n20')], loads)), 'n0', 0);
      },
    },
    {
      title: 'Two-hinged semicircular arch, force at the crown: thrust',
      source: 'Timoshenko, Strength of Materials II, art. 79 (bending only): P/π; polygon of 180 chords',
      quantity: 'Fx, N',
      expected: 1e5 / Math.PI,
      tolerance: 2e-4,
      compute: () => {
        const { points, members } = polygon(180, (s) => [
          -R * Math.cos(Math.PI * s),
          R * Math.sin(Math.PI * s),
        ]);
        const loads: Load[] = [{ kind: 'node', node: 'n90', F: [0, 0, -1e5] }];
        return reaction(
          stateOf(
            model(points, members, [pinned('n0'), pinned('n180')], loads, { sections: [inextensible] }),
          ),
          'n0',
          0,
        );
      },
    },
    {
      title: 'Ring pulled at two opposite points: growth of the diameter (a quarter of it)',
      source: 'Roark, 7th ed., Table 9.2, case 1: PR³(π/4 − 2/π)/EI; polygon of 90 chords',
      quantity: 'uz, m',
      expected: ((1e5 * R ** 3) / EIy) * (Math.PI / 4 - 2 / Math.PI) * 0.5,
      tolerance: 5e-4,
      compute: () => {
        const { points, members } = polygon(90, (s) => [
          R * Math.cos((Math.PI * s) / 2),
          R * Math.sin((Math.PI * s) / 2),
        ]);
        return displacement(
          stateOf(
            model(
              points,
              members,
              [
                { node: 'n0', uz: 'fixed', ry: 'fixed' },
                { node: 'n90', ux: 'fixed', ry: 'fixed' },
              ],
              [{ kind: 'node', node: 'n90', F: [0, 0, 5e4] }],
              { sections: [inextensible] },
            ),
          ),
          'n90',
          2,
        );
      },
    },
    {
      title: 'Roller on a slope of 45° at the end of a beam with a force in the middle: reaction along X',
      source: 'Statics: P/2',
      quantity: 'Fx, N',
      expected: -5e4,
      tolerance: 1e-10,
      compute: () =>
        reaction(
          stateOf(
            model(
              { a: [0, 0], b: [L, 0] },
              [{ id: 'm', start: 'a', end: 'b' }],
              [pinned('a'), { node: 'b', axes: { x: [1, 0, 1], y: [0, 1, 0] }, uz: 'fixed' }],
              [{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1e5] }],
            ),
          ),
          'b',
          0,
        ),
    },
  ],
};

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
