import type { FrameModel, Support } from '../../model/types.js';
import { clamp, modelOf, plainSection, solved } from '../../testing/models.js';
import { attempt } from '../../base/problem.js';

function problemsOf(model: FrameModel) {
  const outcome = attempt(() => solved(model));
  return outcome.ok ? [] : outcome.problems;
}

const pin = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed' });
const down = (node: string) => ({ kind: 'node' as const, node, F: [0, 0, -1] as [number, number, number] });

describe('mechanisms', () => {
  it('a beam on two rollers slides in ux', () => {
    const [problem, ...others] = problemsOf(
      modelOf(
        'plane',
        { a: [0, 0], b: [5, 0] },
        [{ id: 'm', start: 'a', end: 'b' }],
        [
          { node: 'a', uz: 'fixed' },
          { node: 'b', uz: 'fixed' },
        ],
        [down('a')],
      ),
    );
    expect(others).toEqual([]);
    expect(problem!.code).toBe('mechanism');
    expect(problem!.where['restraint']).toEqual({ node: 'a', direction: 'ux' });
    expect(problem!.where['moves']).toEqual([
      { node: 'a', directions: ['ux'] },
      { node: 'b', directions: ['ux'] },
    ]);
  });

  it('a free body has as many mechanisms as rigid motions', () => {
    const points = { a: [0, 0, 0], b: [3, 0, 0], c: [3, 2, 1] };
    const members = [
      { id: 'm', start: 'a', end: 'b' },
      { id: 'n', start: 'b', end: 'c' },
    ];
    expect(problemsOf(modelOf('solid', points, members, [], [])).length).toBe(6);
  });

  it('a square of hinged bars racks sideways, and the shape says so', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [0, 3], c: [3, 3], d: [3, 0] },
      [
        { id: 'ab', start: 'a', end: 'b', action: 'axial' },
        { id: 'bc', start: 'b', end: 'c', action: 'axial' },
        { id: 'cd', start: 'd', end: 'c', action: 'axial' },
      ],
      [pin('a'), pin('d')],
      [down('b')],
    );
    const [problem] = problemsOf(model);
    const shape = problem!.where['shape'] as Record<string, number[]>;
    expect(Math.abs(shape['b']![0]!)).toBeCloseTo(1, 9);
    expect(shape['b']![0]).toBeCloseTo(shape['c']![0]!, 9);
    expect(shape['b']![2]).toBeCloseTo(0, 9);
  });

  it('two beams hinged to each other fold at any slope, whatever rounding leaves of their stiffness', () => {
    for (let k = 0; k < 40; k++) {
      const angle = 0.037 * k;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const model = modelOf(
        'plane',
        { a: [0, 0], b: [1.7 * c, 1.7 * s], c: [4.3 * c, 4.3 * s] },
        [
          { id: 'm', start: 'a', end: 'b', hinges: { start: { My: 'free' }, end: { My: 'free' } } },
          { id: 'n', start: 'b', end: 'c', hinges: { end: { My: 'free' } } },
        ],
        [pin('a'), pin('c')],
        [{ kind: 'node', node: 'b', F: [-1e3 * s, 0, 1e3 * c] }],
      );
      expect(problemsOf(model)[0]?.code).withContext(`at ${angle}`).toBe('mechanism');
    }
  });

  it('a diagonal stops it', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [0, 3], c: [3, 3], d: [3, 0] },
      ['ab', 'bc', 'dc', 'ac'].map((id) => ({ id, start: id[0]!, end: id[1]!, action: 'axial' as const })),
      [pin('a'), pin('d')],
      [down('b')],
    );
    expect(problemsOf(model)).toEqual([]);
  });

  it('a member between two torsional hinges spins, and is named', () => {
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [4, 0, 0] },
      [{ id: 'shaft', start: 'a', end: 'b', hinges: { start: { T: 'free' }, end: { T: 'free' } } }],
      ['a', 'b'].map(clamp),
      [],
    );
    const [problem] = problemsOf(model);
    expect(problem!.code).toBe('mechanism');
    expect(problem!.where['member']).toBe('shaft');
  });

  it('a joint where every member is hinged is no mechanism but a note', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [2, 2], c: [4, 0] },
      [
        { id: 'm', start: 'a', end: 'b', hinges: { end: { My: 'free' } } },
        { id: 'n', start: 'b', end: 'c', hinges: { start: { My: 'free' } } },
      ],
      [pin('a'), pin('c')],
      [down('b')],
    );
    expect(solved(model).notes.join()).toContain('"b"');
  });

  it('a moment on such a joint is a mechanism', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [2, 2], c: [4, 0] },
      [
        { id: 'm', start: 'a', end: 'b', action: 'axial' },
        { id: 'n', start: 'b', end: 'c', action: 'axial' },
      ],
      [pin('a'), pin('c')],
      [{ kind: 'node', node: 'b', M: [0, 5, 0] }],
    );
    expect(problemsOf(model)[0]?.code).toBe('mechanism');
  });

  it('of a frame that nothing holds is told of the whole, and lists all nodes', () => {
    const points = Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`n${i}`, [i, 0]]));
    const members = Array.from({ length: 8 }, (_, i) => ({ id: `m${i}`, start: `n${i}`, end: `n${i + 1}` }));
    const problems = problemsOf(modelOf('plane', points, members, [], [down('n4')]));
    // Two shifts and a turn in a plane
    expect(problems.length).toBe(3);
    for (const { message, where } of problems) {
      expect(message).toMatch(
        /^The whole frame can move without resistance, as does node "n\d" in .*\. Hold "n/,
      );
      expect((where as { moves: unknown[] }).moves.length).toBe(9);
    }
  });

  it('a tall, badly scaled cantilever is stable', () => {
    const count = 120;
    const points = Object.fromEntries(Array.from({ length: count + 1 }, (_, i) => [`n${i}`, [0, i * 0.5]]));
    const members = Array.from({ length: count }, (_, i) => ({
      id: `m${i}`,
      start: `n${i}`,
      end: `n${i + 1}`,
    }));
    const model = modelOf(
      'plane',
      points,
      members,
      [{ node: 'n0', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      [{ kind: 'node', node: `n${count}`, F: [1, 0, 0] }],
    );
    model.sections = [{ ...plainSection, properties: { A: 1, Iy: 1e-7, Iz: 1e-7, J: 1e-7 } }];
    // FL³/3EI with EI = 1e4 N·m²
    expect(solved(model).state.displacements[6 * count]! / (60 ** 3 / 3e4)).toBeCloseTo(1, 6);
  });
});
