import type { Load, Member, Support } from '../src/model/types.js';
import { forceAt } from '../src/results/index.js';
import {
  displacement,
  EIy,
  fixed,
  model,
  pinned,
  reaction,
  stateOf,
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
