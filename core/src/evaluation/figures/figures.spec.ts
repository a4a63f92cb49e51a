import { designWith } from '../../testing/designs.js';
import type { FigureSpec, Rule, Step } from '../../document/types.js';
import { evaluateAlternative, questions, summaryOf } from '../index.js';

// IPE 300 in S355 (EN 10365, EN 1993-1-1 3.2.6)
const E = 210e9;
const Iy = 8356e-8;
const A = 53.81e-4;
const density = 7850;

const mast: Step = {
  id: 'm',
  make: 'line',
  points: [
    ['0 m', '0 m'],
    ['0 m', '4 m'],
  ],
  role: 'mast',
};
const beam: Step = {
  id: 'b',
  make: 'line',
  points: [
    ['0 m', '0 m'],
    ['6 m', '0 m'],
  ],
  role: 'beam',
};
const foot: Rule = { id: 'foot', nodes: 'z == 0 m', support: 'fixed' };
const push: Rule = {
  id: 'push',
  nodes: 'z == 4 m',
  load: { case: 'W', kind: 'node', F: ['8 kN', '0 kN', '-20 kN'] },
};
const ends: Rule[] = [
  { id: 'left', nodes: 'x == 0 m', support: 'pinned' },
  { id: 'right', nodes: 'x == 6 m', support: 'roller' },
  { id: 'floor', members: 'true', load: { case: 'W', direction: 'z', q: '-5 kN/m' } },
];

/** Figures of a frame under one load case, which every combination takes once. */
function figures(steps: Step[], rules: Rule[], ...list: Omit<FigureSpec, 'id' | 'title'>[]) {
  const design = designWith(steps, {
    space: 'plane',
    rules,
    loadCases: [{ id: 'W', title: 'Wind', category: 'wind' }],
    combinations: [
      { id: 'U1', state: 'strength', factors: { W: 1 } },
      { id: 'C1', state: 'service', factors: { W: 1 } },
    ],
    figures: list.map((one, i) => ({ ...one, id: `f${i}`, title: `F ${i}` })),
  });
  const run = evaluateAlternative(design, design.alternatives[0]!);
  return { found: summaryOf(run, 'U1').figures, run };
}
const values = (...args: Parameters<typeof figures>) => figures(...args).found.map(({ value }) => value!);

/** Within a thousandth: shear deformation, and the rounding of published section properties. */
function near(actual: number, expected: number, within = 1e-3): void {
  expect(Math.abs(actual / expected - 1))
    .withContext(`${actual} for ${expected}`)
    .toBeLessThan(within);
}

describe('reactions in one sense', () => {
  it('of a beam of 6 m under a couple of 12 kN·m: 2 kN up at one end, 2 kN down at the other', () => {
    const beam: Step = {
      id: 'b',
      make: 'line',
      points: [
        ['0 m', '0 m'],
        ['6 m', '0 m'],
      ],
    };
    const supports = ends.filter(({ support }) => support !== undefined);
    const couple: Rule = {
      id: 'couple',
      nodes: 'x == 6 m',
      load: { case: 'W', kind: 'node', M: ['0 kN m', '12 kN m', '0 kN m'] },
    };
    const [most, least] = values(
      [beam],
      [...supports, couple],
      { kind: 'reaction', component: 'uz', sense: 'greatest' },
      { kind: 'reaction', component: 'uz', sense: 'least' },
    );
    near(most!, 2e3, 1e-9);
    near(least!, -2e3, 1e-9);
  });
});

describe('figures of a cantilever with H = 8 kN and V = 20 kN at its top, 4 m high', () => {
  it('displacement: H L³/3EI sideways and V L/EA down, with shear deformation beside', () => {
    const [ux, uz, u, horizontal] = values(
      [mast],
      [foot, push],
      { kind: 'displacement', nodes: 'z == 4 m', component: 'ux' },
      { kind: 'displacement', component: 'uz' },
      { kind: 'displacement', component: 'u' },
      { kind: 'displacement', component: 'horizontal' },
    );
    // H L / G Av with the web's shear area is 0.8 % of the bending
    near(ux!, (8e3 * 4 ** 3) / (3 * E * Iy), 0.02);
    near(uz!, (-20e3 * 4) / (E * A));
    near(u!, Math.hypot(ux!, uz!), 1e-9);
    near(horizontal!, Math.abs(ux!), 1e-9);
  });

  it('moment, shear, axial force and reactions by statics', () => {
    const found = values(
      [mast],
      [foot, push],
      { kind: 'moment' },
      { kind: 'shear' },
      { kind: 'axial' },
      { kind: 'reaction', component: 'ux' },
      { kind: 'reaction', component: 'uz' },
      { kind: 'reaction', component: 'ry' },
    );
    const expected = [32e3, 8e3, 20e3, 8e3, 20e3, 32e3];
    found.forEach((value, i) => near(Math.abs(value), expected[i]!, 1e-9));
  });

  it('mass and surface: A ρ L, and the perimeter of IPE 300 (1.16 m²/m, EN 10365) times L', () => {
    const [mass, surface, part] = values(
      [mast],
      [foot, push],
      { kind: 'mass' },
      { kind: 'surface' },
      { kind: 'mass', members: 'role == "beam"' },
    );
    near(mass!, A * density * 4);
    near(surface!, 1.16 * 4, 2e-3);
    expect(part).toBe(0);
  });

  it('cost: the rate of its family, of all others where that has none, and a sentence where there is neither', () => {
    const [own, other] = values(
      [mast],
      [foot, push],
      { kind: 'cost', rates: { IPE: 2, other: 9 } },
      { kind: 'cost', rates: { HEB: 2, other: '1 + 2' } },
    );
    near(own!, 2 * A * density * 4);
    near(other!, 3 * A * density * 4);
    const { found } = figures([mast], [foot, push], { kind: 'cost', rates: { HEB: 2 } });
    expect(found[0]!.wrong).toBeTrue();
    expect(found[0]!.place).toContain('has no rate for IPE');
  });

  it('buckling factor: π²EI/(2L)² over V, softened by shear as 1/(1 + P/GAv) (Engesser)', () => {
    const [factor] = values([mast], [foot, push], { kind: 'bucklingFactor' });
    const euler = (Math.PI ** 2 * E * Iy) / (2 * 4) ** 2;
    near(factor!, euler / (1 + euler / (81e9 * 25.68e-4)) / 20e3);
  });

  it('frequency: 3.516/L²·√(EI/ρA)/2π, and the period its inverse', () => {
    const [f, T] = values([mast], [foot, push], { kind: 'frequency' }, { kind: 'period' });
    // One beam element with exact shapes; its shear and turning inertia take a little
    near(f!, ((3.516 / 4 ** 2) * Math.sqrt((E * Iy) / (density * A))) / (2 * Math.PI), 0.02);
    near(T!, 1 / f!, 1e-12);
  });
});

describe('figures of a beam under 5 kN/m on 6 m', () => {
  it('deflection against the chord: 5qL⁴/384EI', () => {
    const [deflection, utilisation] = values([beam], ends, { kind: 'deflection' }, { kind: 'utilisation' });
    near(Math.abs(deflection!), (5 * 5e3 * 6 ** 4) / (384 * E * Iy), 0.03);
    expect(utilisation).toBeGreaterThan(0);
  });

  it('are judged by the combinations that they name, and told with where they were found', () => {
    const { found } = figures(
      [beam],
      ends,
      { kind: 'moment', judgedBy: 'service', limit: '22 kN m' },
      { kind: 'moment', limit: '23 kN m' },
      { kind: 'moment', judgedBy: 'none' },
    );
    // q L²/8 = 22.5 kN·m
    expect(found.map(({ status, combination }) => [status, combination])).toEqual([
      ['fail', 'C1'],
      ['pass', 'U1'],
      ['none', undefined],
    ]);
    expect(found[0]!.place).toContain('x = 3.00 m');
    expect(found[2]!.value).toBeUndefined();
  });

  it('trace every value to a last line that is the value', () => {
    const { run, found } = figures(
      [beam],
      ends,
      { kind: 'moment' },
      { kind: 'shear' },
      { kind: 'deflection' },
      { kind: 'displacement', component: 'ry' },
      { kind: 'reaction', component: 'uz' },
      { kind: 'mass' },
      { kind: 'surface' },
      { kind: 'frequency' },
      { kind: 'period' },
    );
    for (const { id, value } of found)
      near(questions.figureTrace(run, { figure: id }, '')!.steps.at(-1)!.value, value!, 1e-9);
  });
});

describe('storey drift', () => {
  it('is how much more a storey sways than the one below, over its height', () => {
    const tower: Step = {
      id: 't',
      make: 'braced-bay',
      bays: ['5 m'],
      storeys: ['3 m', '4 m'],
      bracing: 'none',
    };
    const rules: Rule[] = [
      foot,
      {
        id: 'wind',
        nodes: 'place == "joint" and side == "left"',
        load: { case: 'W', kind: 'node', F: ['6 kN', '0 kN', '0 kN'] },
      },
    ];
    const [drift, first, second] = values(
      [tower],
      rules,
      { kind: 'drift' },
      { kind: 'displacement', nodes: 'storey == 1 and side == "left"', component: 'ux' },
      { kind: 'displacement', nodes: 'storey == 2 and side == "left"', component: 'ux' },
    );
    near(drift!, Math.max(first! / 3, (second! - first!) / 4), 1e-3);
  });
});

describe('figures that read as shares of a length', () => {
  it('a drift is a share of the height, a deflection has the length of its member', () => {
    const { found } = figures([mast], [foot, push], { kind: 'drift' });
    expect(found[0]!.readsAs).toEqual({ of: 'h' });
    const { found: sagging } = figures([beam], ends, { kind: 'deflection' }, { kind: 'mass' });
    expect(sagging.map(({ readsAs }) => readsAs)).toEqual([{ of: 'L', length: 6 }, undefined]);
  });
});
