import type { Load, Support } from '../src/model/types.js';
import { displacementExtremes, forceAt, forceExtremes } from '../src/results/index.js';
import {
  displacement,
  EA,
  EIy,
  fixed,
  model,
  pinned,
  reaction,
  roller,
  stateOf,
  type VerificationGroup,
} from './case.js';

const L = 6;
const w = 1e4;
const P = 3e4;
const roark = "Young and Budynas, Roark's Formulas for Stress and Strain, 7th ed., Table 8.1";

const line = (q0: number, q1 = q0, from = 0, to = 1): Load => ({
  kind: 'distributed',
  member: 'm',
  direction: 'z',
  q: [q0, q1],
  from,
  to,
});
const point = (F: number, at: number): Load => ({ kind: 'point', member: 'm', at, F: [0, 0, F] });
const beam = (supports: Support[], loads: Load[]) =>
  stateOf(model({ a: [0, 0], b: [L, 0] }, [{ id: 'm', start: 'a', end: 'b' }], supports, loads));
const field = (supports: Support[], loads: Load[]) => beam(supports, loads).state.field(0);
const simple = [pinned('a'), roller('b')];
const both = [fixed('a'), fixed('b')];
const propped = [fixed('a'), roller('b')];

const shearSection = {
  id: 'sh',
  material: 'steel',
  properties: { A: 0.01, Iy: 2e-4, Iz: 5e-5, J: 2e-5, Avy: 4e-3, Avz: 3e-3 },
};
const GAv = (2.1e11 / 2.6) * 3e-3;
const shearBeam = (supports: Support[], loads: Load[]) =>
  stateOf(
    model({ a: [0, 0], b: [L, 0] }, [{ id: 'm', start: 'a', end: 'b', section: 'sh' }], supports, loads, {
      sections: [shearSection],
    }),
  ).state.field(0);
const spring = (k: number): Support[] => [
  { node: 'a', ux: 'fixed', uz: 'fixed', ry: k },
  { node: 'b', uz: 'fixed', ry: k },
];
const kr = 1.5e7;
const kz = 2e6;

export const beams: VerificationGroup = {
  title: 'Beams',
  cases: [
    {
      title: 'Simply supported, uniform load: largest moment',
      source: `${roark}, 2e: wL²/8`,
      quantity: 'My, N·m',
      expected: (w * L ** 2) / 8,
      tolerance: 1e-12,
      compute: () => forceExtremes(field(simple, [line(-w)]), 'My').max.value,
    },
    {
      title: 'Simply supported, uniform load: largest deflection',
      source: `${roark}, 2e: 5wL⁴/384EI`,
      quantity: 'w, m',
      expected: (-5 * w * L ** 4) / (384 * EIy),
      tolerance: 1e-11,
      compute: () => displacementExtremes(field(simple, [line(-w)]), 'w').min.value,
    },
    {
      title: 'Simply supported, point load at 0.7 L: largest deflection beside the load',
      source: `${roark}, 1e: Pb(L² − b²)^1.5/(9√3·EIL)`,
      quantity: 'w, m',
      expected: (-P * 0.3 * L * (L ** 2 - (0.3 * L) ** 2) ** 1.5) / (9 * Math.sqrt(3) * EIy * L),
      tolerance: 1e-10,
      compute: () => displacementExtremes(field(simple, [point(-P, 0.7)]), 'w').min.value,
    },
    {
      title: 'Simply supported, triangular load: place of the largest moment',
      source: `${roark}, 2e: L/√3`,
      quantity: 'x, m',
      expected: L / Math.sqrt(3),
      tolerance: 1e-9,
      compute: () => forceExtremes(field(simple, [line(0, -w)]), 'My').max.x,
    },
    {
      title: 'Simply supported, load on the left half: largest moment',
      source: 'Statics: 9wL²/128',
      quantity: 'My, N·m',
      expected: (9 * w * L ** 2) / 128,
      tolerance: 1e-12,
      compute: () => forceExtremes(field(simple, [line(-w, -w, 0, 0.5)]), 'My').max.value,
    },
    {
      title: 'Cantilever, point load at the tip: deflection',
      source: `${roark}, 1a: PL³/3EI`,
      quantity: 'uz, m',
      expected: (-P * L ** 3) / (3 * EIy),
      tolerance: 1e-11,
      compute: () => displacement(beam([fixed('a')], [point(-P, 1)]), 'b', 2),
    },
    {
      title: 'Cantilever, uniform load: rotation of the tip',
      source: `${roark}, 2a: wL³/6EI`,
      quantity: 'ry, rad',
      expected: (w * L ** 3) / (6 * EIy),
      tolerance: 1e-11,
      compute: () => displacement(beam([fixed('a')], [line(-w)]), 'b', 4),
    },
    {
      title: 'Propped cantilever, uniform load: reaction of the prop',
      source: `${roark}, 2c: 3wL/8`,
      quantity: 'Fz, N',
      expected: (3 * w * L) / 8,
      tolerance: 1e-12,
      compute: () => reaction(beam(propped, [line(-w)]), 'b', 2),
    },
    {
      title: 'Propped cantilever, uniform load: largest deflection',
      source: `${roark}, 2c: 0.0054wL⁴/EI; exactly at x = L(1 + √33)/16 from the prop`,
      quantity: 'w, m',
      expected: (() => {
        const s = (1 + Math.sqrt(33)) / 16;
        return (-w * L ** 4 * (s - 3 * s ** 3 + 2 * s ** 4)) / (48 * EIy);
      })(),
      tolerance: 1e-11,
      compute: () => displacementExtremes(field(propped, [line(-w)]), 'w').min.value,
    },
    {
      title: 'Fixed beam, uniform load: end moment',
      source: `${roark}, 2d: wL²/12`,
      quantity: 'My, N·m',
      expected: (-w * L ** 2) / 12,
      tolerance: 1e-12,
      compute: () => forceAt(field(both, [line(-w)]), 'My', 0),
    },
    {
      title: 'Fixed beam, triangular load: moments of both ends',
      source: `${roark}, 2d: wL²/30 and wL²/20; their ratio`,
      quantity: 'ratio',
      expected: 1.5,
      tolerance: 1e-12,
      compute: () => {
        const f = field(both, [line(0, -w)]);
        return forceAt(f, 'My', L) / forceAt(f, 'My', 0);
      },
    },
    {
      title: 'Fixed beam, one end settles: end moment',
      source: 'Slope-deflection: 6EIΔ/L²',
      quantity: 'My, N·m',
      expected: (-6 * EIy * 0.01) / L ** 2,
      tolerance: 1e-12,
      compute: () => forceAt(field(both, [{ kind: 'settlement', node: 'b', uz: -0.01 }]), 'My', 0),
    },
    {
      title: 'Fixed beam, warmer on top: moment throughout',
      source: 'EI·α·∂T/∂z',
      quantity: 'My, N·m',
      expected: EIy * 1.2e-5 * 100,
      tolerance: 1e-12,
      compute: () =>
        forceAt(field(both, [{ kind: 'temperature', member: 'm', gradientZ: 100 }]), 'My', L / 3),
    },
    {
      title: 'Bar between walls, warmer: axial force',
      source: '−EA·α·ΔT',
      quantity: 'N, N',
      expected: -EA * 1.2e-5 * 30,
      tolerance: 1e-12,
      compute: () => forceAt(field(both, [{ kind: 'temperature', member: 'm', uniform: 30 }]), 'N', 1),
    },
    {
      title: 'Two equal spans, uniform load: moment over the middle support',
      source: 'Three moments: wL²/8',
      quantity: 'My, N·m',
      expected: (-w * L ** 2) / 8,
      tolerance: 1e-12,
      compute: () => {
        const two = stateOf(
          model(
            { a: [0, 0], b: [L, 0], c: [2 * L, 0] },
            [
              { id: 'm', start: 'a', end: 'b' },
              { id: 'n', start: 'b', end: 'c' },
            ],
            [pinned('a'), roller('b'), roller('c')],
            [line(-w), { kind: 'distributed', member: 'n', direction: 'z', q: [-w, -w] }],
          ),
        );
        return forceAt(two.state.field(0), 'My', L, true);
      },
    },
    {
      title: 'Simply supported, point load in the middle, with shear: deflection',
      source: 'Timoshenko beam: PL³/48EI + PL/(4GAv)',
      quantity: 'w, m',
      expected: (-P * L ** 3) / (48 * EIy) - (P * L) / (4 * GAv),
      tolerance: 1e-11,
      compute: () => displacementExtremes(shearBeam(simple, [point(-P, 0.5)]), 'w').min.value,
    },
    {
      title: 'Fixed beam, one end settles, with shear: end moment',
      source: 'Przemieniecki, eq. 5.116: 6EIΔ/(L²(1 + Φ)), Φ = 12EI/(GAv·L²)',
      quantity: 'My, N·m',
      expected: (-6 * EIy * 0.01) / L ** 2 / (1 + (12 * EIy) / (GAv * L ** 2)),
      tolerance: 1e-11,
      compute: () => forceAt(shearBeam(both, [{ kind: 'settlement', node: 'b', uz: -0.01 }]), 'My', 0),
    },
    {
      title: 'Ends in rotation springs k, uniform load: end moment',
      source: 'Slope-deflection: wL²/12/(1 + 2EI/(kL))',
      quantity: 'My, N·m',
      expected: (-w * L ** 2) / 12 / (1 + (2 * EIy) / (kr * L)),
      tolerance: 1e-11,
      compute: () => forceAt(field(spring(kr), [line(-w)]), 'My', 0),
    },
    {
      title: 'Semi-rigid joints at both ends of a fixed beam: moment in the middle',
      source: 'wL²/8 − wL²/12/(1 + 2EI/(kL))',
      quantity: 'My, N·m',
      expected: (w * L ** 2) / 8 - (w * L ** 2) / 12 / (1 + (2 * EIy) / (kr * L)),
      tolerance: 1e-11,
      compute: () =>
        forceAt(
          stateOf(
            model(
              { a: [0, 0], b: [L, 0] },
              [{ id: 'm', start: 'a', end: 'b', hinges: { start: { My: kr }, end: { My: kr } } }],
              both,
              [line(-w)],
            ),
          ).state.field(0),
          'My',
          L / 2,
        ),
    },
    {
      title: 'Cantilever on a spring at its tip, uniform load: force of the spring',
      source: 'Force method: (wL⁴/8EI)/(L³/3EI + 1/k)',
      quantity: 'Fz, N',
      expected: (w * L ** 4) / (8 * EIy) / (L ** 3 / (3 * EIy) + 1 / kz),
      tolerance: 1e-11,
      compute: () => reaction(beam([fixed('a'), { node: 'b', uz: kz }], [line(-w)]), 'b', 2),
    },
  ],
};
