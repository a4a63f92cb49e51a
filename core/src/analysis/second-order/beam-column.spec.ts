import { prepareFrame } from '../frame/frame.js';
import { memberFlexibility } from '../member-field.js';
import { clamp, EIy, expectClose, modelOf } from '../../testing/models.js';
import { beamColumn, clampColumn, type BeamColumn, type ClampedColumn } from './beam-column.js';
import { seriesTerms, type Across } from './series.js';

const L = 5;
const frame = prepareFrame(
  modelOf('solid', { a: [0, 0, 0], b: [L, 0, 0] }, [{ id: 'm', start: 'a', end: 'b' }], [clamp('a')], []),
);

/** The beam-column under an axial force, N, tension positive, in pieces between the given breaks. */
function under(N: number, breaks = Float64Array.of(0, L)) {
  const axial = new Float64Array(4 * (breaks.length - 1));
  for (let s = 0; s + 1 < breaks.length; s++) axial[4 * s] = N;
  return beamColumn(breaks, memberFlexibility(frame, 0, breaks), axial)!;
}

/** Rotation stiffness 4EI/L·φ3 and carry-over 2EI/L·φ4 of Livesley and Chandler, Stability functions (1956), as s and s·c. */
function stabilityFunctions(N: number): { s: number; sc: number } {
  const u = L * Math.sqrt(Math.abs(N) / EIy);
  if (N < 0) {
    const d = 2 - 2 * Math.cos(u) - u * Math.sin(u);
    return { s: (u * Math.sin(u) - u * u * Math.cos(u)) / d, sc: (u * u - u * Math.sin(u)) / d };
  }
  const d = 2 - 2 * Math.cosh(u) + u * Math.sinh(u);
  return { s: (u * u * Math.cosh(u) - u * Math.sinh(u)) / d, sc: (u * Math.sinh(u) - u * u) / d };
}

describe('beamColumn', () => {
  const euler = (Math.PI ** 2 * EIy) / L ** 2;

  // In the weaker plane, EIz = EIy/4, the clamped bar has buckled in its first and second way: kL/2 = π and 4.493
  for (const [share, ways] of [
    [-3.2, 2],
    [-1.5, 1],
    [-0.6, 0],
    [-0.01, 0],
    [0.4, 0],
    [6, 0],
  ] as const)
    it(`turns and carries over as the stability functions say at ${share} times the Euler load`, () => {
      const { K, buckled } = under(share * euler);
      const { s, sc } = stabilityFunctions(share * euler);
      // Rows and columns w, ψw at the start are 0 and 1, at the end 4 and 5
      expectClose(K[8 * 1 + 1]!, (s * EIy) / L, 1e-8);
      expectClose(K[8 * 1 + 5]!, (sc * EIy) / L, 1e-8);
      expect(buckled).toBe(ways);
    });

  it('resists a sway of its ends by 2(s + sc)·EI/L³ + N/L', () => {
    const N = -0.8 * euler;
    const { s, sc } = stabilityFunctions(N);
    expectClose(under(N).K[0]!, (2 * (s + sc) * EIy) / L ** 3 + N / L, 1e-8);
  });

  it('is the same in one piece as in three', () => {
    const N = -1.1 * euler;
    const [one, three] = [under(N), under(N, Float64Array.of(0, 1.3, 2.9, L))];
    one.K.forEach((value, i) => expectClose(three.K[i]!, value, 1e-7));
  });

  it('takes over what the same member under another force was made of, and is as if it were made afresh', () => {
    const breaks = Float64Array.of(0, 1.7, L);
    const flexibility = memberFlexibility(frame, 0, breaks);
    const load = (count: number): Across[] =>
      Array.from({ length: count }, () => ({
        q: [
          Float64Array.from({ length: seriesTerms }, (_, k) => (k === 0 ? 3000 : 0)),
          new Float64Array(seriesTerms),
        ],
        curvature: [0, 0],
      }));
    let column: BeamColumn | undefined;
    let clamped: ClampedColumn | undefined;
    let across: Across[] = [];
    // Forces that need other numbers of pieces come between
    for (const share of [-0.5, -0.7, -40, 0.3, -0.5]) {
      const axial = Float64Array.of(share * euler, -2000, 300, 0, 0.9 * share * euler, 500, 0, -70);
      const pieces = column?.pieces;
      column = beamColumn(breaks, flexibility, axial, [true, true], column)!;
      if (column.pieces !== pieces) across = load(column.pieces.length);
      clamped = clampColumn(column, across, [], clamped);
      const fresh = beamColumn(breaks, flexibility, axial)!;
      expect(column).toEqual(fresh);
      expect([...clamped.f]).toEqual([...clampColumn(fresh, across, []).f]);
    }
    expect(under(-40 * euler, breaks).pieces.length).toBeGreaterThan(
      under(-0.5 * euler, breaks).pieces.length,
    );
  });

  it('leaves nothing of a member whose planes of bending meet in the next whose planes are apart', () => {
    const breaks = Float64Array.of(0, 1.7, L);
    const before = under(-0.5 * euler, breaks);
    const flexibility = memberFlexibility(frame, 0, breaks);
    const coefficients = flexibility.coefficients.slice();
    coefficients[2] = 0.3 * coefficients[1]!;
    const axial = Float64Array.of(-0.5 * euler, 0, 0, 0, -0.5 * euler, 0, 0, 0);
    const coupled = beamColumn(breaks, { ...flexibility, coefficients }, axial)!;
    // w at the start and v at the end have to do with each other
    expect(Math.abs(coupled.K[8 * 0 + 6]!)).toBeGreaterThan(0.01 * coupled.K[0]!);
    const after = under(-0.5 * euler, breaks);
    expect(after).toEqual(before);
    expect(after.K[8 * 0 + 6]).toBe(0);
  });

  it('counts the ways in which it has buckled between clamped ends: from 4 times the Euler load of the weaker plane on', () => {
    // EIz is a quarter of EIy: its clamped bar buckles at 4·π²EIz/L², which is the Euler load about y
    const breaks = Float64Array.of(0, L / 2, L);
    expect(under(-0.98 * euler, breaks).buckled).toBe(0);
    expect(under(-1.02 * euler, breaks).buckled).toBe(1);
  });
});
