import { analysed } from '../../../evaluation/stages/forces.js';
import { prepareFrame } from '../../../analysis/index.js';
import type { FrameModel, Load, Member } from '../../../model/types.js';
import { ProblemError } from '../../../base/problem.js';
import { barModel } from '../../../testing/checks.js';
import { expectClose } from '../../../testing/models.js';
import { bracingSystems } from './bracing-systems.js';

/** Rafters of four panels side by side, 6 m apart, posts at every panel, and diagonals between the first two. */
function roof(rafters: number, panel: number, rise: number, P: number): FrameModel {
  const name = (r: number, k: number) => `${r}-${k}`;
  const at = (r: number, k: number) => ({
    id: name(r, k),
    x: panel * k,
    y: 6 * r,
    z: rise * Math.min(k, 4 - k),
  });
  const nodes = Array.from({ length: rafters }, (_, r) => [0, 1, 2, 3, 4].map((k) => at(r, k))).flat();
  const member = (id: string, start: string, end: string, more: Partial<Member> = {}): Member => ({
    id,
    start,
    end,
    section: 's',
    ...more,
  });
  const members = [
    ...Array.from({ length: rafters }, (_, r) =>
      [0, 1, 2, 3].map((k) => member(`r${r}-${k}`, name(r, k), name(r, k + 1))),
    ).flat(),
    ...Array.from({ length: rafters - 1 }, (_, r) =>
      [0, 1, 2, 3, 4].map((k) => member(`p${r}-${k}`, name(r, k), name(r + 1, k), { action: 'axial' })),
    ).flat(),
    ...[0, 1, 2, 3].map((k) => {
      const [a, b] = k % 2 === 0 ? [name(0, k), name(1, k + 1)] : [name(1, k), name(0, k + 1)];
      return member(`d${k}`, a, b, { action: 'axial', section: 'd', design: { restrains: 8 } });
    }),
  ];
  const push: Load[] = Array.from({ length: rafters }, (_, r) => ({
    kind: 'node',
    node: name(r, 4),
    F: [-P, 0, 0],
  }));
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'solid',
    code: { name: 'EN1993' },
    materials: [{ id: 'S355' }],
    sections: [
      { id: 's', material: 'S355', profile: 'HEA 300' },
      { id: 'd', material: 'S355', shape: { type: 'round', d: 0.024 } },
    ],
    nodes,
    members,
    supports: Array.from({ length: rafters }, (_, r) => [
      {
        node: name(r, 0),
        ux: 'fixed' as const,
        uy: 'fixed' as const,
        uz: 'fixed' as const,
        rx: 'fixed' as const,
      },
      { node: name(r, 4), uy: 'fixed' as const, uz: 'fixed' as const },
    ]).flat(),
    loadCases: [{ id: 'P', loads: push }],
    combinations: [{ id: 'U', state: 'strength', factors: { P: 1 } }],
  };
}

const systemOf = (model: FrameModel) => bracingSystems(model, prepareFrame(model));
/** Forces across at the nodes of the first rafters that the analysis was given. */
const acrossAt = (model: FrameModel): Map<string, number> => {
  const own = model.loadCases!.find(({ id }) => id === 'imperfection U')!;
  return new Map(
    own.loads!.flatMap((load): [string, number][] => (load.kind === 'node' ? [[load.node, load.F![1]]] : [])),
  );
};

describe('bracing systems that hold members (EN 1993-1-1 5.3.3)', () => {
  it('run between two lines, over the ridge; what the posts lead to is held too', () => {
    const [system, ...others] = systemOf(roof(3, 4, 0.8, 1));
    expect(others).toEqual([]);
    expect(system!.holds).toBe(8);
    expectClose(system!.span, 4 * Math.hypot(4, 0.8));
    expect(system!.across.map((v) => Math.abs(Math.round(v * 1e9) / 1e9))).toEqual([0, 1, 0]);
    const { members } = roof(3, 4, 0.8, 1);
    expect(system!.held.map((m) => members[m]!.id).sort()).toEqual(
      [0, 1, 2].flatMap((r) => [0, 1, 2, 3].map((k) => `r${r}-${k}`)),
    );
  });

  it('in second order: qd = m·N·8·e0/L² with e0 = αm·L/500, in both senses, balanced at the ends', () => {
    const N = 300e3;
    const L = 16;
    const model = roof(2, 4, 0, N);
    const { model: loaded, notes, said } = analysed(model, { secondOrder: true });
    // By hand: αm = √(0.5·(1 + 1/8)) = 0.75, e0 = 24 mm, qd = 8·300·8·0.024/256 = 1.8 kN/m
    const q = 1800;
    expectClose((8 * N * 8 * ((0.75 * L) / 500)) / L ** 2, q);
    const forces = acrossAt(loaded);
    expectClose(Math.abs([...forces.values()].reduce((sum, v) => sum + v, 0)), 0, 1e-6);
    expectClose(Math.abs(forces.get('1-1')!), q * 4);
    expectClose(Math.abs(forces.get('0-2')!), q * 4);
    expect(loaded.combinations!.map(({ id }) => id)).toEqual(['U', 'U, bracing towards −y']);
    expect(notes.join(' ')).toContain('qd = 1.80 kN/m');
    expect(said.get('U')).toContain('bracing forces qd = 1.80 kN/m');
  });

  it('in first order qd has the sag of the bracing under itself: it agrees with the frame analysed under it', () => {
    const N = 300e3;
    const L = 16;
    const found = analysed(roof(2, 4, 0, N));
    const at = (node: string) =>
      found.states.get('U')!.displacements[6 * found.frame.nodeIds.indexOf(node) + 1]!;
    const sag = Math.max(...['0-0', '1-1', '0-2', '1-3', '0-4'].map((node) => Math.abs(at(node))));
    const q = Math.abs(acrossAt(found.model).get('0-2')!) / 4;
    expectClose(q, (8 * N * 8 * ((0.75 * L) / 500 + sag)) / L ** 2, 1e-6);
    expect(sag).toBeGreaterThan(1e-3);
  });

  it('flanges of a bent member: M/h (5.3.3(4))', () => {
    const M = 100e3;
    const model = roof(2, 4, 0, 1);
    // End moments that bend both rafters evenly: 290 mm deep
    model.loadCases![0]!.loads = ['0', '1'].flatMap((r): Load[] => [
      { kind: 'node', node: `${r}-0`, M: [0, M, 0] },
      { kind: 'node', node: `${r}-4`, M: [0, -M, 0] },
    ]);
    const { model: loaded } = analysed(model, { secondOrder: true });
    const q = (8 * (M / 0.29) * 8 * 0.024) / 256;
    expectClose(Math.abs(acrossAt(loaded).get('0-2')!), q * 4, 2e-3);
  });

  it('without compression, and under AISC 360, there are none', () => {
    expect(analysed(roof(2, 4, 0, -1e5)).model.loadCases!.length).toBe(1);
    const other = analysed({ ...roof(2, 4, 0, 1e5), code: { name: 'AISC360' } });
    expect(other.model.loadCases!.length).toBe(1);
    expect(other.notes.join(' ')).toContain('5.3.3');
  });

  it('a brace between no two lines is told, and a bracing that is too soft', () => {
    const alone = barModel({ section: { profile: 'HEA 200' }, L: 6, loads: [], design: { restrains: 4 } });
    expect(() => systemOf(alone)).toThrowMatching(
      (e: ProblemError) => e.problems[0]!.code === 'not-a-bracing' && e.message.includes('"m"'),
    );
    const soft = roof(2, 4, 0, 3e6);
    soft.sections[1]!.shape = { type: 'round', d: 0.004 };
    expect(() => analysed(soft)).toThrowMatching(
      (e: ProblemError) => e.problems[0]!.code === 'bracing-too-soft',
    );
  });
});
