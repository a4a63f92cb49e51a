import { analyse, prepareFrame } from '../analysis/index.js';
import { unwrapped } from '../base/problem.js';
import { EIy, expectClose, modelOf, solved } from '../testing/models.js';
import {
  displacementAt,
  forceAt,
  forceCandidates,
  forceExtremes,
  forceFormula,
  globalDisplacementAt,
  resultSelections,
} from './index.js';

const L = 8;
const model = modelOf(
  'plane',
  { a: [0, 0], b: [L, 0] },
  [{ id: 'm', start: 'a', end: 'b' }],
  [
    { node: 'a', ux: 'fixed', uz: 'fixed' },
    { node: 'b', uz: 'fixed' },
  ],
  [
    { kind: 'distributed', member: 'm', direction: 'z', q: [-6e3, -6e3], from: 0.25, to: 0.75 },
    { kind: 'point', member: 'm', at: 0.5, F: [0, 0, -10e3] },
  ],
);
model.loadCases!.push({ id: 'P', loads: [{ kind: 'point', member: 'm', at: 0.25, F: [0, 0, -4e3] }] });
model.combinations = [
  { id: 'U', state: 'strength', factors: { L: 1.5, P: 2 } },
  { id: 'C', state: 'service', factors: { P: 1 } },
];
const selections = resultSelections(model);
const { states } = unwrapped(analyse(prepareFrame(model), selections));
const fieldOf = (id: string) => states.get(id)!.field(0);

describe('functions along a member', () => {
  it('have segments where loads begin, end or stand', () => {
    expect([...fieldOf('L').breaks]).toEqual([0, 2, 4, 6, 8]);
  });

  // By hand: reactions 12 + 5 = 17 kN; M(2) = 34, M(4) = 17·4 − 6·2·1 = 56 kN·m
  it('are the statics of each segment', () => {
    const field = fieldOf('L');
    expectClose(forceAt(field, 'Vz', 1), 17e3);
    expectClose(forceAt(field, 'My', 2), 34e3);
    expectClose(forceAt(field, 'My', 4), 56e3);
    expectClose(forceExtremes(field, 'My').max.value, 56e3);
  });

  it('give both sides of a jump', () => {
    const field = fieldOf('L');
    expectClose(forceAt(field, 'Vz', 4, true), 5e3);
    expectClose(forceAt(field, 'Vz', 4), -5e3);
    const atMiddle = forceCandidates(field, 'Vz').filter(({ x }) => x === 4);
    expect(atMiddle.length).toBe(2);
  });

  it('superpose: 1.5 L + 2 P', () => {
    for (const x of [0.5, 2.5, 4.5, 7]) {
      expectClose(
        forceAt(fieldOf('U'), 'My', x),
        1.5 * forceAt(fieldOf('L'), 'My', x) + 2 * forceAt(fieldOf('P'), 'My', x),
      );
      expectClose(
        displacementAt(fieldOf('U'), 'w', x),
        1.5 * displacementAt(fieldOf('L'), 'w', x) + 2 * displacementAt(fieldOf('P'), 'w', x),
      );
    }
  });

  it('can be written as a formula', () => {
    const { from, coefficients } = forceFormula(fieldOf('L'), 'My', 3);
    expect(from).toBe(2);
    // 34 + 17 t − 3 t² in kN·m
    [34e3, 17e3, -3e3, 0].forEach((c, k) => expect(Math.abs(coefficients[k]! - c)).toBeLessThan(1e-8));
  });

  it('satisfy EI·w″ = My within the member', () => {
    const field = fieldOf('L');
    const h = 1e-3;
    for (const x of [1, 3, 5, 7]) {
      const w = (t: number) => displacementAt(field, 'w', t);
      const curvature = (w(x - h) - 2 * w(x) + w(x + h)) / h ** 2;
      expect(Math.abs((EIy * curvature) / forceAt(field, 'My', x) - 1)).toBeLessThan(1e-4);
    }
  });

  it('turn into global axes', () => {
    const column = modelOf(
      'plane',
      { a: [0, 0], b: [0, 4] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      [{ kind: 'node', node: 'b', F: [1e3, 0, 0] }],
    );
    const run = solved(column);
    const field = run.state.field(0);
    const [ux, uy, uz] = globalDisplacementAt(run.frame, field, 0, 4);
    expectClose(ux, (1e3 * 64) / (3 * EIy));
    expect(uy).toBe(0);
    expect(Math.abs(uz)).toBeLessThan(1e-15);
    // Pushed to the right the column's left side is in tension: that is its +z side, so My is negative
    expectClose(forceAt(field, 'My', 0), -4e3);
  });
});

describe('selections', () => {
  it('are the load cases, then the combinations with their states', () => {
    expect(selections.map(({ id, kind, state }) => [id, kind, state])).toEqual([
      ['L', 'case', undefined],
      ['P', 'case', undefined],
      ['U', 'combination', 'strength'],
      ['C', 'combination', 'service'],
    ]);
    expect([...selections[2]!.factors]).toEqual([1.5, 2]);
    expect([...selections[3]!.factors]).toEqual([0, 1]);
  });
});
