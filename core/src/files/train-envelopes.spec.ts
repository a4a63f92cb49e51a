import type { FrameModel, Support } from '../model/types.js';
import { modelOf } from '../testing/models.js';
import { solveToFile, type ResultEntry } from './results-file.js';
import type { TrainEnvelope } from './train-envelopes.js';

const L = 10;
const P = 4e4;

/** A beam of two members on supports at its ends, under a train. */
function beam(
  supports: Support[],
  forces: number[],
  gaps: number[],
  more: Partial<FrameModel> = {},
): FrameModel {
  return {
    ...modelOf(
      'plane',
      { a: [0, 0], b: [4, 0], c: [L, 0] },
      [
        { id: 'm', start: 'a', end: 'b' },
        { id: 'n', start: 'b', end: 'c' },
      ],
      supports,
      [],
    ),
    loadCases: [{ id: 'K', category: 'crane', loads: [] }],
    trains: [{ id: 'T', case: 'K', members: ['m', 'n'], forces, gaps, direction: [0, 0, -2] }],
    ...more,
  };
}
const simple: Support[] = [
  { node: 'a', ux: 'fixed', uz: 'fixed' },
  { node: 'c', uz: 'fixed' },
];

function solvedFile(model: FrameModel, stations = 11): Record<string, Partial<ResultEntry>> {
  const outcome = solveToFile(model, { stations });
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return outcome.value.results;
}
const envelopeOf = (model: FrameModel, id = 'K', stations = 11): TrainEnvelope =>
  solvedFile(model, stations)[id]!.envelope!;

describe('envelopes of trains', () => {
  it('of one force on a simple beam are x(L − x)/L in moment, and its shares in shear', () => {
    const { members } = envelopeOf(beam(simple, [P], []));
    for (const [id, from] of [
      ['m', 0],
      ['n', 4],
    ] as const)
      for (const { x: own, My, Vz, N, at } of members[id]!) {
        const x = from + own;
        expect(My![0]).toBeCloseTo(0, 4);
        expect(My![1]).toBeCloseTo((P * x * (L - x)) / L, 4);
        expect(Vz![0]).toBeCloseTo((-P * x) / L, 4);
        expect(Vz![1]).toBeCloseTo((P * (L - x)) / L, 4);
        expect(N).toEqual([0, 0]);
        if (x > 0 && x < L) expect(at.My![1] as number).toBeCloseTo(x, 9);
      }
  });

  it('of two equal forces have the greatest moment P/(2L)·(L − c/2)² (classical, at c/4 beside the middle)', () => {
    const c = 3;
    const x = L / 2 - c / 4;
    const model = beam(simple, [P, P], [c]);
    // Stations of the second member from 4 m on, 0.25 m apart: one of them is there
    const { members } = envelopeOf(model, 'K', 25);
    const greatest = (P / (2 * L)) * (L - c / 2) ** 2;
    const all = members['n']!;
    const place = all.find((station) => Math.abs(station.x + 4 - x) < 1e-9)!;
    expect(place.My![1]).toBeCloseTo(greatest, 3);
    expect(Math.max(...all.map(({ My }) => My![1]))).toBeCloseTo(greatest, 3);
  });

  it('of a cantilever hold nothing but what a force on it brings', () => {
    const { members, reactions } = envelopeOf(
      beam([{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }], [P], []),
    );
    expect(members['m']![0]!.Vz![0]).toBeCloseTo(P, 4);
    expect(members['m']![0]!.Vz![1]).toBeCloseTo(P, 4);
    expect(members['m']![0]!.My![0]).toBeCloseTo(-P * L, 3);
    const { F, M, at } = reactions['a']!;
    expect(F[2]!.map((value) => Math.round(value))).toEqual([P, P]);
    // It turns the clamp back: about +Y against a load at +x that pulls down
    expect(M[1]![0]).toBeCloseTo(-P * L, 3);
    expect(at.M[1]![0]).toBeCloseTo(L, 9);
  });

  it('stand on top of the other loads of a combination, with its factor', () => {
    const q = 5e3;
    const model = beam(simple, [P], [], {
      loadCases: [
        {
          id: 'G',
          category: 'permanent',
          loads: ['m', 'n'].map((member) => ({
            kind: 'distributed' as const,
            member,
            axes: 'global' as const,
            direction: 'z' as const,
            q: [-q, -q] as [number, number],
          })),
        },
        { id: 'K', category: 'crane', loads: [] },
      ],
      combinations: [{ id: 'U', state: 'strength', factors: { G: 1.35, K: 1.5 } }],
    });
    const { K, G, U } = solvedFile(model);
    expect(Object.keys(K!)).toEqual(['envelope']);
    expect(G!.envelope).toBeUndefined();
    const middle = U!.envelope!.members['n']!.find(({ x }) => Math.abs(x + 4 - 5.2) < 1e-9)!;
    const own = (1.35 * q * 5.2 * (L - 5.2)) / 2;
    expect(middle.My![0]).toBeCloseTo(own, 4);
    expect(middle.My![1]).toBeCloseTo(own + (1.5 * P * 5.2 * (L - 5.2)) / L, 4);
    const R = U!.envelope!.reactions['c']!;
    expect(R.F[2]![0]).toBeCloseTo((1.35 * q * L) / 2, 4);
    expect(R.F[2]![1]).toBeCloseTo((1.35 * q * L) / 2 + 1.5 * P, 4);
  });

  it('of an inclined roller are given in global components', () => {
    // A roller that holds along (1, 0, 1)/√2: its X and Z components are equal
    const model = beam(
      [
        { node: 'a', ux: 'fixed', uz: 'fixed' },
        { node: 'c', ux: 'fixed', axes: { x: [1, 0, 1], y: [0, 1, 0] } },
      ],
      [P],
      [],
    );
    const { F } = envelopeOf(model).reactions['c']!;
    expect(F[2]![1]).toBeCloseTo(P, 4);
    expect(F[0]![1]).toBeCloseTo(P, 4);
    expect(F[0]![0]).toBeCloseTo(0, 4);
  });
});
