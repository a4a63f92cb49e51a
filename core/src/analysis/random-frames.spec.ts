import type { FrameModel, Load, Vector } from '../model/types.js';
import { forceAt, stateEquilibrium } from '../results/index.js';
import { expectClose, modelOf, one, solved } from '../testing/models.js';
import { generator } from '../testing/random.js';

/** A space frame of two bays and two storeys, out of square by chance, with loads of every kind. */
function frame(seed: number): FrameModel {
  const next = generator(seed);
  const points: Record<string, number[]> = {};
  const members = [];
  for (let k = 0; k < 3; k++)
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 2; j++)
        points[`n${i}${j}${k}`] = [4 * i + next(), 5 * j + next(), 3 * k + 0.3 * next()];
  for (let k = 1; k < 3; k++)
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 2; j++) {
        members.push({ id: `c${i}${j}${k}`, start: `n${i}${j}${k - 1}`, end: `n${i}${j}${k}`, roll: next() });
        if (i > 0)
          members.push({
            id: `x${i}${j}${k}`,
            start: `n${i - 1}${j}${k}`,
            end: `n${i}${j}${k}`,
            hinges: next() < 0.3 ? { start: { My: 'free' as const } } : {},
          });
        if (j > 0)
          members.push({
            id: `y${i}${j}${k}`,
            start: `n${i}${j - 1}${k}`,
            end: `n${i}${j}${k}`,
            hinges: next() < 0.3 ? { end: { Mz: 1e6 } } : {},
          });
      }
  const vector = (): Vector => [next() - 0.5, next() - 0.5, next() - 0.5];
  const loads: Load[] = members.flatMap((m): Load[] => [
    {
      kind: 'distributed',
      member: m.id,
      direction: (['x', 'y', 'z'] as const)[Math.floor(3 * next())]!,
      axes: next() < 0.5 ? 'local' : 'global',
      q: [1e3 * next(), 1e3 * next()],
      from: 0.3 * next(),
      to: 0.5 + 0.5 * next(),
      per: next() < 0.5 ? 'projected' : 'length',
    },
    {
      kind: 'point',
      member: m.id,
      at: next(),
      axes: next() < 0.5 ? 'local' : 'global',
      F: vector().map((v) => 1e4 * v) as Vector,
      M: vector().map((v) => 1e3 * v) as Vector,
    },
  ]);
  loads.push({ kind: 'node', node: 'n212', F: [1e4, 2e3, -5e3], M: [1e3, 0, 200] });
  const supports = ['n000', 'n100', 'n200', 'n010', 'n110', 'n210'].map((node) => ({
    node,
    ux: 'fixed' as const,
    uy: 'fixed' as const,
    uz: 'fixed' as const,
    rx: 'fixed' as const,
    ry: 2e6,
    rz: 'fixed' as const,
  }));
  return modelOf('solid', points, members, supports, loads);
}

describe('random space frames', () => {
  for (const seed of [1, 2, 3, 4, 5, 6])
    it(`number ${seed} is in equilibrium as a whole and inside each member`, () => {
      const { frame: prepared, state } = solved(frame(seed));
      expect(stateEquilibrium(prepared, state, one).residual).toBeLessThan(1e-10);
      // Displacements integrated along a member end where its end node is
      prepared.memberIds.forEach((id, m) => {
        const field = state.field(m);
        const last = field.breaks.length - 2;
        const t = field.breaks[last + 1]! - field.breaks[last]!;
        let w = 0;
        for (let k = 5; k >= 0; k--) w = w * t + field.displacements[24 * last + 12 + k]!;
        const u = state.displacements.subarray(6 * prepared.end[m]!, 6 * prepared.end[m]! + 3);
        const z = prepared.axes.subarray(9 * m + 6, 9 * m + 9);
        expect(Math.abs(w - (z[0]! * u[0]! + z[1]! * u[1]! + z[2]! * u[2]!)))
          .withContext(id)
          .toBeLessThan(1e-9);
      });
    });

  it('flexibility is symmetric (Maxwell)', () => {
    const unit = (node: string, F: Vector): FrameModel => {
      const model = frame(7);
      model.loadCases = [{ id: 'L', loads: [{ kind: 'node', node, F }] }];
      return model;
    };
    const at = (model: FrameModel, node: string, k: number) => {
      const { frame: prepared, state } = solved(model);
      return state.displacements[6 * prepared.nodeIndex.get(node)! + k]!;
    };
    expectClose(at(unit('n102', [1, 0, 0]), 'n211', 1), at(unit('n211', [0, 1, 0]), 'n102', 0), 1e-9);
  });

  it('turning the whole frame about Z turns its results', () => {
    const angle = 0.7;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const turn = ([x, y, z]: readonly number[]): Vector => [c * x! - s * y!, s * x! + c * y!, z!];
    const model = frame(8);
    model.loadCases = [
      { id: 'L', selfWeight: 1, loads: [{ kind: 'node', node: 'n212', F: [1e4, 2e3, -5e3] }] },
    ];
    const turned: FrameModel = {
      ...model,
      nodes: model.nodes.map((n) => {
        const [x, y, z] = turn([n.x, n.y!, n.z]);
        return { id: n.id, x, y, z };
      }),
      loadCases: [
        { id: 'L', selfWeight: 1, loads: [{ kind: 'node', node: 'n212', F: turn([1e4, 2e3, -5e3]) }] },
      ],
      supports: model.supports!.map((support) => ({
        ...support,
        axes: { x: turn([1, 0, 0]), y: turn([0, 1, 0]) },
      })),
    };
    const [a, b] = [solved(model), solved(turned)];
    const u = a.state.displacements;
    const v = b.state.displacements;
    for (let n = 0; n < a.frame.nodeIds.length; n++) {
      const expected = turn([...u.subarray(6 * n, 6 * n + 3)]);
      expected.forEach((value, k) => expect(Math.abs(v[6 * n + k]! - value)).toBeLessThan(1e-10));
    }
    // Beams keep their local forces: their axes turn with them
    const beam = a.frame.memberIndex.get('x101')!;
    const my = (run: typeof a) => forceAt(run.state.field(beam), 'My', 1);
    expectClose(my(b), my(a), 1e-8);
  });

  it('a plane frame is the restriction of the same frame in space', () => {
    const points = { a: [0, 0], b: [0.5, 4], c: [6, 5], d: [7, 0] };
    const members = [
      { id: 'l', start: 'a', end: 'b' },
      { id: 'r', start: 'b', end: 'c', hinges: { start: { My: 3e6 } } },
      { id: 'd', start: 'd', end: 'c' },
    ];
    const load: Load[] = [
      { kind: 'distributed', member: 'r', direction: 'z', q: [-5e3, -2e3], per: 'projected' },
    ];
    const base = (node: string) => ({ node, ux: 'fixed' as const, uz: 'fixed' as const });
    const plane = solved(modelOf('plane', points, members, [base('a'), base('d')], load));
    const space = solved(
      modelOf(
        'solid',
        Object.fromEntries(Object.entries(points).map(([id, [x, z]]) => [id, [x!, 0, z!]])),
        members,
        [
          ...['a', 'd'].map((node) => ({
            ...base(node),
            uy: 'fixed' as const,
            rx: 'fixed' as const,
            rz: 'fixed' as const,
          })),
          { node: 'b', uy: 'fixed', rx: 'fixed', rz: 'fixed' },
          { node: 'c', uy: 'fixed', rx: 'fixed', rz: 'fixed' },
        ],
        load,
      ),
    );
    plane.state.displacements.forEach((u, i) =>
      expect(Math.abs(u - space.state.displacements[i]!)).toBeLessThan(1e-12),
    );
  });
});
