import type { FrameModel, Load, Member, Support, Vector } from '../model/types.js';
import { ProblemError } from '../base/problem.js';
import { resultSelections, stateEquilibrium } from '../results/index.js';
import { generator } from '../testing/random.js';
import {
  analyse,
  bucklingModes,
  prepareEquations,
  prepareFrame,
  vibrationModes,
  type Analysis,
  type Frame,
} from './index.js';

/**
 * A space frame of one bay and two storeys with everything the format has: tapers, arms, a rigid floor, a rigid body,
 * springs, an inclined support, bars, ties, angles. All sections have equal second moments where axes may flip.
 */
function everything(seed: number): FrameModel {
  const next = generator(seed);
  const nodes: FrameModel['nodes'] = [];
  const members: Member[] = [];
  const id = (i: number, j: number, k: number) => `n${i}${j}${k}`;
  for (let k = 0; k < 3; k++)
    for (let i = 0; i < 2; i++)
      for (let j = 0; j < 2; j++)
        nodes.push({ id: id(i, j, k), x: 5 * i + 0.3 * next(), y: 4 * j + 0.3 * next(), z: 3 * k });
  for (let k = 1; k < 3; k++) {
    for (let i = 0; i < 2; i++)
      for (let j = 0; j < 2; j++)
        members.push({
          id: `c${i}${j}${k}`,
          start: id(i, j, k - 1),
          end: id(i, j, k),
          section: 'thick',
          endSection: 'thin',
          roll: next(),
        });
    for (const [a, b, name] of [
      [id(0, 0, k), id(1, 0, k), 'x0'],
      [id(0, 1, k), id(1, 1, k), 'x1'],
      [id(0, 0, k), id(0, 1, k), 'y0'],
      [id(1, 0, k), id(1, 1, k), 'y1'],
    ] as const)
      members.push({
        id: `${name}${k}`,
        start: a,
        end: b,
        section: 'angle',
        roll: 2 * next(),
        offsets: { start: [0, 0, 0.1 * next()], end: [0, 0.05, 0] },
        ...(next() < 0.4 ? { hinges: { end: { My: 'free', Mz: 2e6 } } } : {}),
      });
    members.push({ id: `b${k}`, start: id(0, 0, k - 1), end: id(1, 0, k), section: 'bar', action: 'axial' });
  }
  nodes.push({ id: 'load', x: 2.5, y: 2, z: 7 });
  const fix = (node: string): Support => ({
    node,
    ux: 'fixed',
    uy: 'fixed',
    uz: 'fixed',
    rx: 'fixed',
    ry: 3e6,
    rz: 'fixed',
  });
  const loads: Load[] = [
    { kind: 'node', node: 'load', F: [2e4 * next(), 1e4, -3e5 * next() - 1e5], M: [1e3, 0, 2e3] },
    ...members.flatMap((m): Load[] => [
      { kind: 'distributed', member: m.id, direction: 'z', q: [-1e3 * next(), -2e3], from: 0.1, to: 0.8 },
      ...(m.action ? [] : [{ kind: 'point', member: m.id, at: next(), F: [1e3, 0, -2e3] } as Load]),
      { kind: 'temperature', member: m.id, uniform: 10 * next() },
    ]),
    { kind: 'settlement', node: id(0, 0, 0), uz: -0.004 },
  ];
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'solid',
    materials: [{ id: 'S355' }],
    sections: [
      { id: 'thick', material: 'S355', shape: { type: 'circular-hollow', d: 0.25, t: 0.01 } },
      { id: 'thin', material: 'S355', shape: { type: 'circular-hollow', d: 0.15, t: 0.008 } },
      { id: 'angle', material: 'S355', shape: { type: 'angle', h: 0.2, b: 0.12, t: 0.015, r: 0.01 } },
      { id: 'bar', material: 'S355', shape: { type: 'round', d: 0.03 } },
    ],
    nodes,
    members,
    supports: [
      fix(id(0, 0, 0)),
      fix(id(1, 0, 0)),
      fix(id(0, 1, 0)),
      { ...fix(id(1, 1, 0)), axes: { x: [1, 0.3, 0], y: [0, 1, 0.2] } },
    ],
    rigidGroups: [
      {
        id: 'floor',
        nodes: [id(0, 0, 1), id(1, 0, 1), id(0, 1, 1), id(1, 1, 1)],
        kind: 'plane',
        normal: [0, 0, 1],
      },
      { id: 'roof', nodes: [id(0, 0, 2), id(1, 0, 2), 'load'], kind: 'body' },
    ],
    masses: [{ node: 'load', m: 2e3 }],
    loadCases: [{ id: 'L', selfWeight: 1, loads }],
  };
}

function run(model: FrameModel, secondOrder: boolean): { frame: Frame; analysis: Analysis } {
  const frame = prepareFrame(model);
  const outcome = analyse(frame, resultSelections(model), { secondOrder });
  if (!outcome.ok) throw new ProblemError(outcome.problems);
  return { frame, analysis: outcome.value };
}

/** The model turned about the global Z axis; local axes turn with it. */
function turned(model: FrameModel, angle: number): FrameModel {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const turn = ([x, y, z]: readonly number[]): Vector => [c * x! - s * y!, s * x! + c * y!, z!];
  return {
    ...model,
    nodes: model.nodes.map((n) => {
      const [x, y, z] = turn([n.x, n.y ?? 0, n.z]);
      return { id: n.id, x, y, z };
    }),
    members: model.members.map((m) =>
      m.offsets
        ? {
            ...m,
            offsets: { start: turn(m.offsets.start ?? [0, 0, 0]), end: turn(m.offsets.end ?? [0, 0, 0]) },
          }
        : m,
    ),
    supports: (model.supports ?? []).map((support) => ({
      ...support,
      axes: { x: turn(support.axes?.x ?? [1, 0, 0]), y: turn(support.axes?.y ?? [0, 1, 0]) },
    })),
    rigidGroups: (model.rigidGroups ?? []).map((g) => (g.normal ? { ...g, normal: turn(g.normal) } : g)),
    loadCases: (model.loadCases ?? []).map((one) => ({
      ...one,
      loads: (one.loads ?? []).map((load): Load => {
        if (load.kind === 'node')
          return { ...load, F: turn(load.F ?? [0, 0, 0]), M: turn(load.M ?? [0, 0, 0]) };
        if (load.kind === 'point') return { ...load, F: turn(load.F ?? [0, 0, 0]) };
        return load;
      }),
    })),
  };
}

/** The model with its nodes, members, supports and groups in another order. */
function shuffled(model: FrameModel, seed: number): FrameModel {
  const next = generator(seed);
  const mix = <T>(list: readonly T[]): T[] =>
    list
      .map((item) => ({ item, key: next() }))
      .sort((a, b) => a.key - b.key)
      .map(({ item }) => item);
  return {
    ...model,
    nodes: mix(model.nodes),
    members: mix(model.members),
    supports: mix(model.supports ?? []),
    rigidGroups: mix(model.rigidGroups ?? []).map((g) => ({ ...g, nodes: mix(g.nodes) })),
  };
}

const upright = (frame: Frame, u: Float64Array, node: string) => u[6 * frame.nodeIndex.get(node)! + 2]!;

describe('frames with everything the format has', () => {
  for (const seed of [11, 12, 13])
    for (const secondOrder of [false, true])
      it(`number ${seed} is in balance, in ${secondOrder ? 'second' : 'first'} order`, () => {
        const { frame, analysis } = run(everything(seed), secondOrder);
        const state = analysis.states.get('L')!;
        expect(state.residual).toBeLessThan(1e-9);
        // In space only axial forces follow the displaced shape, so that moments there are in balance to second order
        if (!secondOrder)
          expect(stateEquilibrium(frame, state, Float64Array.of(1)).residual).toBeLessThan(1e-10);
      });

  it('a plane frame in second order is in balance where it has moved to', () => {
    const model: FrameModel = {
      ...everything(51),
      space: 'plane',
      nodes: [
        { id: 'a', x: 0, z: 0 },
        { id: 'b', x: 0.2, z: 6 },
        { id: 'c', x: 9, z: 6.5 },
        { id: 'd', x: 9, z: 0 },
      ],
      members: [
        { id: 'l', start: 'a', end: 'b', section: 'thick', endSection: 'thin' },
        { id: 'r', start: 'b', end: 'c', section: 'thin' },
        { id: 'd', start: 'd', end: 'c', section: 'thick' },
      ],
      supports: [
        { node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' },
        { node: 'd', ux: 'fixed', uz: 'fixed' },
      ],
      rigidGroups: [],
      masses: [],
      loadCases: [
        {
          id: 'L',
          selfWeight: 1,
          loads: [
            { kind: 'node', node: 'b', F: [2e4, 0, -2e5] },
            { kind: 'distributed', member: 'r', direction: 'z', q: [-1e4, -5e3] },
          ],
        },
      ],
    };
    const { frame, analysis } = run(model, true);
    const state = analysis.states.get('L')!;
    // What is left is the members' own stretch, which small rotations leave out
    expect(stateEquilibrium(frame, state, Float64Array.of(1)).residual).toBeLessThan(1e-4);
    const first = run(model, false).analysis.states.get('L')!;
    const still = { ...state, order: 1 as const };
    expect(stateEquilibrium(frame, still, Float64Array.of(1)).residual).toBeGreaterThan(1e-3);
    expect(Math.abs(state.displacements[6]!)).toBeGreaterThan(1.02 * Math.abs(first.displacements[6]!));
  });

  for (const seed of [21, 22]) {
    it(`number ${seed} does not depend on how it stands, nor on the order of its parts`, () => {
      const model = everything(seed);
      for (const secondOrder of [false, true]) {
        const a = run(model, secondOrder);
        for (const other of [turned(model, 0.8), shuffled(model, seed)]) {
          const b = run(other, secondOrder);
          for (const { id } of model.nodes) {
            const expected = upright(a.frame, a.analysis.states.get('L')!.displacements, id);
            const found = upright(b.frame, b.analysis.states.get('L')!.displacements, id);
            expect(Math.abs(found - expected))
              .withContext(id)
              .toBeLessThan(1e-9);
          }
        }
      }
    });

    it(`number ${seed} buckles and swings alike however it stands`, () => {
      const model = everything(seed);
      const eigen = (given: FrameModel) => {
        const { analysis } = run(given, false);
        return {
          buckling: bucklingModes(analysis.prepared, analysis.states.get('L')!, 3).map((m) => m.factor),
          modes: vibrationModes(prepareEquations(prepareFrame(given)), 4).map((m) => m.frequency),
        };
      };
      const a = eigen(model);
      for (const other of [turned(model, 1.9), shuffled(model, seed)]) {
        const b = eigen(other);
        a.buckling.forEach((value, k) => expect(Math.abs(b.buckling[k]! / value - 1)).toBeLessThan(1e-7));
        a.modes.forEach((value, k) => expect(Math.abs(b.modes[k]! / value - 1)).toBeLessThan(1e-7));
      }
    });
  }

  it('superposition holds in first order', () => {
    const model = everything(31);
    const [one] = model.loadCases!;
    const half = one!.loads!.length / 2;
    model.loadCases = [
      { id: 'A', selfWeight: 1, loads: one!.loads!.slice(0, half) },
      { id: 'B', loads: one!.loads!.slice(half) },
      {
        id: 'both',
        selfWeight: 2,
        loads: [...one!.loads!.slice(0, half), ...one!.loads!.slice(0, half), ...one!.loads!.slice(half)],
      },
    ];
    const { analysis } = run(model, false);
    const u = (id: string) => analysis.states.get(id)!.displacements;
    u('both').forEach((value, i) =>
      expect(Math.abs(value - 2 * u('A')[i]! - u('B')[i]!)).toBeLessThan(1e-10),
    );
  });

  it('a taper is what many short uniform members come to', () => {
    // Independent of the taper's own integration: its error falls with the square of the pieces' length
    const count = 128;
    const size = (s: number) =>
      ({ type: 'circular-hollow', d: 0.3 - 0.18 * s, t: 0.012 - 0.004 * s }) as const;
    const base = (extra: Partial<FrameModel>): FrameModel => ({
      ...everything(41),
      nodes: [],
      members: [],
      supports: [],
      rigidGroups: [],
      masses: [],
      ...extra,
    });
    const support: Support = {
      node: 'n0',
      ux: 'fixed',
      uy: 'fixed',
      uz: 'fixed',
      rx: 'fixed',
      ry: 'fixed',
      rz: 'fixed',
    };
    const tip = (node: string): Load[] => [{ kind: 'node', node, F: [1e3, 2e3, -4e5], M: [0, 0, 5e3] }];
    const whole = base({
      sections: [0, 1].map((s) => ({ id: `s${s}`, material: 'S355', shape: size(s) })),
      nodes: [
        { id: 'n0', x: 0, y: 0, z: 0 },
        { id: 'n1', x: 1, y: 0.5, z: 6 },
      ],
      members: [{ id: 'm', start: 'n0', end: 'n1', section: 's0', endSection: 's1' }],
      supports: [support],
      loadCases: [{ id: 'L', loads: tip('n1') }],
    });
    const pieces = base({
      sections: Array.from({ length: count }, (_, i) => ({
        id: `s${i}`,
        material: 'S355',
        shape: size((i + 0.5) / count),
      })),
      nodes: Array.from({ length: count + 1 }, (_, i) => ({
        id: `n${i}`,
        x: i / count,
        y: (0.5 * i) / count,
        z: (6 * i) / count,
      })),
      members: Array.from({ length: count }, (_, i) => ({
        id: `m${i}`,
        start: `n${i}`,
        end: `n${i + 1}`,
        section: `s${i}`,
      })),
      supports: [support],
      loadCases: [{ id: 'L', loads: tip(`n${count}`) }],
    });
    for (const secondOrder of [false, true]) {
      const a = run(whole, secondOrder).analysis.states.get('L')!.displacements;
      const b = run(pieces, secondOrder).analysis.states.get('L')!.displacements;
      for (let k = 0; k < 6; k++)
        expect(Math.abs(b[6 * count + k]! / a[6 + k]! - 1))
          .withContext(`freedom ${k}`)
          .toBeLessThan(3e-4);
    }
    const factor = (model: FrameModel) => {
      const { analysis } = run(model, false);
      return bucklingModes(analysis.prepared, analysis.states.get('L')!, 1)[0]!.factor;
    };
    expect(Math.abs(factor(pieces) / factor(whole) - 1)).toBeLessThan(3e-4);
  });
});
