import { displacementAt, displacementExtremes, forceAt, forceExtremes } from '../results/index.js';
import { EIy, expectClose, modelOf, plainSection, solved } from '../testing/models.js';
import type { Load, Support } from '../model/types.js';

// Closed forms: Young and Budynas, Roark's Formulas for Stress and Strain, 7th ed., Table 8.1, unless said otherwise.
const L = 6;
const pinned = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed' });
const roller = (node: string): Support => ({ node, uz: 'fixed' });
const fixed = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed', ry: 'fixed' });

function beam(supports: Support[], loads: Load[]) {
  return modelOf('plane', { a: [0, 0], b: [L, 0] }, [{ id: 'm', start: 'a', end: 'b' }], supports, loads);
}
const line = (q0: number, q1 = q0, from = 0, to = 1): Load => ({
  kind: 'distributed',
  member: 'm',
  direction: 'z',
  q: [q0, q1],
  from,
  to,
});
const point = (F: number, at: number): Load => ({ kind: 'point', member: 'm', at, F: [0, 0, F] });

function fieldOf(model: ReturnType<typeof beam>) {
  const { frame, state } = solved(model);
  return { field: state.field(0), frame, state };
}

describe('beams against closed forms', () => {
  it('simply supported, uniform load: wL²/8, wL/2 at the left, 5wL⁴/384EI', () => {
    const w = 1e4;
    const { field } = fieldOf(beam([pinned('a'), roller('b')], [line(-w)]));
    const moment = forceExtremes(field, 'My').max;
    expectClose(moment.value, (w * L ** 2) / 8);
    expectClose(moment.x, L / 2);
    expectClose(forceAt(field, 'Vz', 0), (w * L) / 2);
    expectClose(forceAt(field, 'Vz', L), (-w * L) / 2);
    expectClose(displacementExtremes(field, 'w').min.value, (-5 * w * L ** 4) / (384 * EIy));
  });

  it('simply supported, triangular load: wL²/(9√3) at L/√3', () => {
    const w = 1e4;
    const { field } = fieldOf(beam([pinned('a'), roller('b')], [line(0, -w)]));
    const moment = forceExtremes(field, 'My').max;
    expectClose(moment.value, (w * L ** 2) / (9 * Math.sqrt(3)));
    expectClose(moment.x, L / Math.sqrt(3), 1e-7);
  });

  it('simply supported, point load off centre: Fab/L, largest deflection away from the load', () => {
    const F = 3e4;
    const a = 0.7 * L;
    const b = L - a;
    const { field } = fieldOf(beam([pinned('a'), roller('b')], [point(-F, 0.7)]));
    expectClose(forceExtremes(field, 'My').max.value, (F * a * b) / L);
    const lowest = displacementExtremes(field, 'w').min;
    expectClose(lowest.x, Math.sqrt((L ** 2 - b ** 2) / 3), 1e-7);
    expectClose(lowest.value, (-F * b * (L ** 2 - b ** 2) ** 1.5) / (9 * Math.sqrt(3) * L * EIy));
  });

  it('clamped at both ends, point load: −Fab²/L² and −Fa²b/L²', () => {
    const F = 5e4;
    const a = 0.3 * L;
    const b = L - a;
    const { field } = fieldOf(beam([fixed('a'), fixed('b')], [point(-F, 0.3)]));
    expectClose(forceAt(field, 'My', 0), (-F * a * b ** 2) / L ** 2);
    expectClose(forceAt(field, 'My', L), (-F * a ** 2 * b) / L ** 2);
  });

  it('clamped at both ends, load on the left part only', () => {
    const w = 2e4;
    const c = 0.4 * L;
    const { field } = fieldOf(beam([fixed('a'), fixed('b')], [line(-w, -w, 0, 0.4)]));
    const k = c / L;
    expectClose(forceAt(field, 'My', 0), ((-w * c ** 2) / 12) * (6 - 8 * k + 3 * k ** 2));
    expectClose(forceAt(field, 'My', L), ((-w * c ** 2 * k) / 12) * (4 - 3 * k));
  });

  it('propped cantilever: −wL²/8 at the clamp, 3wL/8 at the prop', () => {
    const w = 8e3;
    const { field, state } = fieldOf(beam([fixed('a'), roller('b')], [line(-w)]));
    expectClose(forceAt(field, 'My', 0), (-w * L ** 2) / 8);
    expectClose(state.reactions[6 + 2]!, (3 * w * L) / 8);
  });

  it('a moment along the beam makes a jump of its size', () => {
    const M = 4e4;
    const { field } = fieldOf(
      beam([pinned('a'), roller('b')], [{ kind: 'point', member: 'm', at: 0.5, M: [0, M, 0] }]),
    );
    expectClose(forceAt(field, 'My', L / 2, true), -M / 2);
    expectClose(forceAt(field, 'My', L / 2), M / 2);
  });

  it('shear deformation adds wL²/(8GAv) at midspan (Timoshenko, Strength of Materials I, § 39)', () => {
    const w = 1e4;
    const Avz = 4e-3;
    const model = beam([pinned('a'), roller('b')], [line(-w)]);
    model.sections = [{ ...plainSection, properties: { ...plainSection.properties, Avz } }];
    const { field } = fieldOf(model);
    const expected = (5 * w * L ** 4) / (384 * EIy) + (w * L ** 2) / (8 * 5e10 * Avz);
    expectClose(displacementAt(field, 'w', L / 2), -expected);
  });

  it('shear deformation softens the clamped beam by 1/(1 + Φ) for a settlement', () => {
    const Avz = 4e-3;
    const model = beam([fixed('a'), fixed('b')], [{ kind: 'settlement', node: 'b', uz: -0.01 }]);
    model.sections = [{ ...plainSection, properties: { ...plainSection.properties, Avz } }];
    const phi = (12 * EIy) / (5e10 * Avz * L ** 2);
    const { field } = fieldOf(model);
    expectClose(forceAt(field, 'Vz', 0), (12 * EIy * 0.01) / (L ** 3 * (1 + phi)));
  });

  it('a heated clamped beam: N = −EAαΔT, M = EIα∂T/∂z without deflection', () => {
    const { field } = fieldOf(
      beam([fixed('a'), fixed('b')], [{ kind: 'temperature', member: 'm', uniform: 30, gradientZ: 100 }]),
    );
    expectClose(forceAt(field, 'N', 1), -1e9 * 1e-5 * 30);
    // The warm top wants to be longer; clamps press it: tension at the bottom
    expectClose(forceAt(field, 'My', 2), EIy * 1e-5 * 100);
    expectClose(displacementExtremes(field, 'w').min.value, 0, 1e-3);
  });

  it('a heated free beam bends upwards by α∂T/∂z·L²/8 and carries nothing', () => {
    const { field } = fieldOf(
      beam([pinned('a'), roller('b')], [{ kind: 'temperature', member: 'm', gradientZ: 100 }]),
    );
    expectClose(displacementAt(field, 'w', L / 2), (1e-5 * 100 * L ** 2) / 8);
    expect(Math.abs(forceExtremes(field, 'My').max.value)).toBeLessThan(1e-6);
  });

  it('pretension of a held member is its axial force', () => {
    const { field } = fieldOf(
      beam([fixed('a'), fixed('b')], [{ kind: 'pretension', member: 'm', force: 2e4 }]),
    );
    expectClose(forceAt(field, 'N', 3), 2e4);
  });

  it('spring supports take w·L/2 and sink by it over k', () => {
    const k = 1e6;
    const w = 1e4;
    const { state } = fieldOf(
      beam(
        [
          { node: 'a', ux: 'fixed', uz: k },
          { node: 'b', uz: k },
        ],
        [line(-w)],
      ),
    );
    expectClose(state.displacements[2]!, (-w * L) / 2 / k);
    expectClose(state.reactions[2]!, (w * L) / 2);
  });

  it('the ground under a spring settles: the beam follows without force', () => {
    const { field, state } = fieldOf(
      beam(
        [
          { node: 'a', ux: 'fixed', uz: 'fixed' },
          { node: 'b', uz: 1e6 },
        ],
        [{ kind: 'settlement', node: 'b', uz: -0.02 }],
      ),
    );
    expectClose(state.displacements[6 + 2]!, -0.02);
    expect(Math.abs(forceExtremes(field, 'My').max.value)).toBeLessThan(1e-6);
  });

  it('a load at the very end and one at the very start go to the nodes', () => {
    const { state } = fieldOf(beam([pinned('a'), roller('b')], [point(-1000, 1), point(-500, 0)]));
    expectClose(state.reactions[2]!, 500);
    expectClose(state.reactions[6 + 2]!, 1000);
  });
});

describe('hinges', () => {
  it('a beam clamped at both ends with a hinge at midspan is two cantilevers: −wL²/8', () => {
    const w = 1e4;
    const model = modelOf(
      'plane',
      { a: [0, 0], c: [L / 2, 0], b: [L, 0] },
      [
        { id: 'm', start: 'a', end: 'c', hinges: { end: { My: 'free' } } },
        { id: 'n', start: 'c', end: 'b' },
      ],
      [fixed('a'), fixed('b')],
      [line(-w), { kind: 'distributed', member: 'n', direction: 'z', q: [-w, -w] }],
    );
    const { state } = solved(model);
    const field = state.field(0);
    expectClose(forceAt(field, 'My', 0), -(w * (L / 2) ** 2) / 2);
    expectClose(forceAt(field, 'My', L / 2), 0, 1e-3);
    // Tip of a cantilever: w l⁴ / 8EI
    expectClose(displacementAt(field, 'w', L / 2), (-w * (L / 2) ** 4) / (8 * EIy));
  });

  it('a spring hinge at both ends of a clamped beam: wL²/12 · 1/(1 + 2EI/(kL))', () => {
    const w = 1e4;
    const k = 3e7;
    const model = beam([fixed('a'), fixed('b')], [line(-w)]);
    model.members[0]!.hinges = { start: { My: k }, end: { My: k } };
    const { field } = fieldOf(model);
    // Slope of the simple beam wL³/24EI = M·(1/k + L/2EI)
    const M = (w * L ** 3) / (24 * EIy) / (1 / k + L / (2 * EIy));
    expectClose(forceAt(field, 'My', 0), -M);
    expectClose(
      displacementAt(field, 'w', L / 2),
      (-5 * w * L ** 4) / (384 * EIy) + (M * L ** 2) / (8 * EIy),
    );
  });

  it('a shear hinge at midspan of a clamped beam lets the ends move apart and passes no shear', () => {
    const F = 1e4;
    const model = modelOf(
      'plane',
      { a: [0, 0], c: [L / 2, 0], b: [L, 0] },
      [
        { id: 'm', start: 'a', end: 'c', hinges: { end: { Vz: 'free' } } },
        { id: 'n', start: 'c', end: 'b' },
      ],
      [fixed('a'), fixed('b')],
      [{ kind: 'node', node: 'c', F: [0, 0, -F] }],
    );
    const { state } = solved(model);
    expectClose(forceAt(state.field(0), 'Vz', 1), 0, 1e-2);
    expectClose(forceAt(state.field(1), 'Vz', 0), -F);
  });

  it('a bar passes its load to the nodes by the lever rule and shows the simple beam’s moment', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [4, 0] },
      [{ id: 'm', start: 'a', end: 'b', action: 'axial' }],
      [pinned('a'), pinned('b')],
      [{ kind: 'point', member: 'm', at: 0.25, F: [0, 0, -1000] }],
    );
    const { state } = solved(model);
    expectClose(state.reactions[2]!, 750);
    expectClose(forceExtremes(state.field(0), 'My').max.value, (1000 * 1 * 3) / 4);
  });
});
