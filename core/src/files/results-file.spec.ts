import { buildFrame } from '../build/build.js';
import { slipShed } from '../testing/designs.js';
import { modelOf } from '../testing/models.js';
import { solveToFile, type ResultEntry } from './results-file.js';

describe('the results file', () => {
  it('has an entry for every case and combination, balanced and finite', () => {
    const design = slipShed();
    const built = buildFrame(design, design.alternatives[0]!);
    if (!built.ok) throw new Error('not built');
    const outcome = solveToFile(built.value.model, { stations: 5 });
    if (!outcome.ok) throw new Error('not solved');
    const results = outcome.value.results as Record<string, ResultEntry>;
    expect(Object.keys(results)).toEqual([...design.loadCases, ...design.combinations].map(({ id }) => id));
    for (const entry of Object.values(results)) {
      expect(entry.equilibrium.residual).toBeLessThan(1e-12);
      expect(entry.members['shed.rafter.1.left']!.length).toBe(5);
    }
    // U1 is 1.35 G + 1.5 S
    const { G, S, U1 } = results;
    const V = (entry: typeof G) => entry!.reactions['shed.base.1']!.F[2]!;
    expect(V(U1)).toBeCloseTo(1.35 * V(G) + 1.5 * V(S), 6);
  });

  it('gives both values at a jump, between stations too', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [4, 0] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [
        { node: 'a', ux: 'fixed', uz: 'fixed' },
        { node: 'b', uz: 'fixed' },
      ],
      [{ kind: 'point', member: 'm', at: 0.3, F: [0, 0, -1000] }],
    );
    const outcome = solveToFile(model, { stations: 3 });
    const stations = outcome.ok ? (outcome.value.results['L'] as ResultEntry).members['m']! : [];
    expect(stations.map((s) => s.x)).toEqual([0, 1.2, 1.2, 2, 4]);
    expect(stations.map((s) => Math.round(s.Vz))).toEqual([700, 700, -300, -300, -300]);
  });

  it('says of a model without loads whether it stands, and what it leaves out', () => {
    const alone = modelOf(
      'plane',
      { a: [0, 0], b: [4, 0], far: [9, 9] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      [],
    );
    const standing = solveToFile({ ...alone, loadCases: [] });
    if (!standing.ok) throw new Error(standing.problems[0]!.message);
    expect(standing.value.notes).toEqual(['No member meets the node "far"; it is ignored.']);
    const loose = solveToFile({
      ...alone,
      loadCases: [],
      supports: [{ node: 'a', ux: 'fixed', uz: 'fixed' }],
    });
    expect(loose.ok).toBeFalse();
    if (!loose.ok) expect(loose.problems[0]!.code).toBe('mechanism');
  });
});
