import type { Load, Section, Support } from '../src/model/types.js';
import {
  displacement,
  fixed,
  model,
  pinned,
  reaction,
  roller,
  stateOf,
  steel,
  type VerificationGroup,
} from './case.js';

const L = 4;
const P = 1e4;
const rigidInShear = { shearDeformation: false } as const;
const round = (id: string, d: number): Section => ({
  id,
  material: 'steel',
  shape: { type: 'round', d },
  ...rigidInShear,
});
const plate = (id: string, h: number): Section => ({
  id,
  material: 'steel',
  shape: { type: 'rectangle', h, b: 0.1 },
  ...rigidInShear,
});
const raw = (id: string, A: number, Iy: number): Section => ({
  id,
  material: 'steel',
  properties: { A, Iy, Iz: Iy, J: Iy },
});
const tapered = (from: Section, to: Section, supports: Support[], loads: Load[]) =>
  stateOf(
    model(
      { a: [0, 0], b: [L, 0] },
      [{ id: 'm', start: 'a', end: 'b', section: from.id, endSection: to.id }],
      supports,
      loads,
      { sections: [from, to] },
    ),
  );
const tip: Load = { kind: 'node', node: 'b', F: [0, 0, -P] };
const E = steel.E;

export const tapers: VerificationGroup = {
  title: 'Tapered members',
  cases: [
    {
      title: 'Conical bar in tension: elongation',
      source: 'Gere and Timoshenko, Mechanics of Materials, ex. 2-4: 4PL/(πE·d1·d2)',
      quantity: 'ux, m',
      expected: (4 * P * L) / (Math.PI * E * 0.2 * 0.1),
      tolerance: 1e-11,
      compute: () =>
        displacement(
          tapered(
            round('1', 0.2),
            round('2', 0.1),
            [fixed('a')],
            [{ kind: 'node', node: 'b', F: [P, 0, 0] }],
          ),
          'b',
          0,
        ),
    },
    {
      title: 'Conical cantilever, thick end held, force at the tip: deflection',
      source: 'Gere and Timoshenko, prob. 9.7: 64PL³/(3πE·dA·dB³)',
      quantity: 'uz, m',
      expected: (-64 * P * L ** 3) / (3 * Math.PI * E * 0.1 * 0.2 ** 3),
      tolerance: 1e-11,
      compute: () => displacement(tapered(round('1', 0.2), round('2', 0.1), [fixed('a')], [tip]), 'b', 2),
    },
    {
      title: 'Cantilever of plate, twice as deep where held: deflection',
      source: 'Integral of x²/(1 + x/L)³: 12PL³(ln 2 − 5/8)/(E·b·h³)',
      quantity: 'uz, m',
      expected: (-12 * P * L ** 3 * (Math.LN2 - 0.625)) / (E * 0.1 * 0.15 ** 3),
      tolerance: 1e-11,
      compute: () => displacement(tapered(plate('1', 0.3), plate('2', 0.15), [fixed('a')], [tip]), 'b', 2),
    },
    {
      title: 'The same, five times as deep where held',
      source: 'Integral of x²/(1 + 4x/L)³: (ln 5 + 2/5 − 1/50 − 3/2)/64',
      quantity: 'uz, m',
      expected: ((-12 * P * L ** 3) / (E * 0.1 * 0.1 ** 3)) * ((Math.log(5) + 2 / 5 - 1 / 50 - 1.5) / 64),
      tolerance: 1e-11,
      compute: () => displacement(tapered(plate('1', 0.5), plate('2', 0.1), [fixed('a')], [tip]), 'b', 2),
    },
    {
      title: 'Second moment itself linear, doubled at the held end: deflection',
      source: 'Integral of x²/(1 + x/L): ln 2 − 1/2',
      quantity: 'uz, m',
      expected: ((-P * L ** 3) / (E * 1e-4)) * (Math.LN2 - 0.5),
      tolerance: 1e-11,
      compute: () =>
        displacement(tapered(raw('1', 0.01, 2e-4), raw('2', 0.01, 1e-4), [fixed('a')], [tip]), 'b', 2),
    },
    {
      title: 'Its own weight on a conical column: reaction',
      source: 'Volume of a truncated cone: πL(d1² + d1·d2 + d2²)/12',
      quantity: 'Fz, N',
      expected: (steel.density * 9.80665 * Math.PI * L * (0.04 + 0.02 + 0.01)) / 12,
      tolerance: 1e-11,
      compute: () => {
        const frame = model(
          { a: [0, 0], b: [0, L] },
          [{ id: 'm', start: 'a', end: 'b', section: '1', endSection: '2' }],
          [fixed('a')],
          [],
          { sections: [round('1', 0.2), round('2', 0.1)], loadCases: [{ id: 'G', selfWeight: 1 }] },
        );
        return reaction(stateOf(frame), 'a', 2);
      },
    },
    {
      title: 'Propped cantilever with linear second moment, uniform load: reaction of the prop',
      source: 'Force method: ½∫x³/I ÷ ∫x²/I, I = 1 + x/L from the prop: ½(5/6 − ln 2)/(ln 2 − ½)',
      quantity: 'Fz, N',
      expected: (P * L * 0.5 * (5 / 6 - Math.LN2)) / (Math.LN2 - 0.5),
      tolerance: 1e-10,
      compute: () =>
        reaction(
          tapered(
            raw('1', 0.01, 2e-4),
            raw('2', 0.01, 1e-4),
            [fixed('a'), roller('b')],
            [{ kind: 'distributed', member: 'm', direction: 'z', q: [-P, -P] }],
          ),
          'b',
          2,
        ),
    },
    {
      title: 'Uniform member given as a taper: as the uniform one',
      source: 'PL³/48EI',
      quantity: 'ry, rad',
      expected: (P * L ** 2) / (16 * E * 1e-4),
      tolerance: 1e-11,
      compute: () =>
        displacement(
          tapered(
            raw('1', 0.01, 1e-4),
            raw('2', 0.01, 1e-4),
            [pinned('a'), roller('b')],
            [{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -P] }],
          ),
          'a',
          4,
        ),
    },
  ],
};
