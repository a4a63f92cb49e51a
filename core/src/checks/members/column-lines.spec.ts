import { prepareFrame } from '../../analysis/index.js';
import { clamp, modelOf, solved } from '../../testing/models.js';
import { columnLines, columnSways } from './column-lines.js';

describe('initial sway of columns', () => {
  // Two bays of 5 m side by side, and one column a row further back; heads carry 100, 100, 10 and 100 kN
  const model = modelOf(
    'solid',
    {
      a: [0, 0, 0],
      b: [5, 0, 0],
      c: [10, 0, 0],
      d: [0, 8, 0],
      A: [0, 0, 9],
      B: [5, 0, 9],
      C: [10, 0, 9],
      D: [0, 8, 4],
      E: [0, 8, 9],
    },
    [
      { id: 'ca', start: 'a', end: 'A' },
      // Drawn downwards
      { id: 'cb', start: 'B', end: 'b' },
      { id: 'cc', start: 'c', end: 'C' },
      { id: 'cd', start: 'd', end: 'D' },
      { id: 'ce', start: 'D', end: 'E' },
      { id: 'beam', start: 'A', end: 'B' },
    ],
    ['a', 'b', 'c', 'd'].map(clamp),
    [
      { kind: 'node', node: 'A', F: [0, 0, -100e3] },
      { kind: 'node', node: 'B', F: [0, 0, -100e3] },
      { kind: 'node', node: 'C', F: [0, 0, -10e3] },
      { kind: 'node', node: 'E', F: [0, 0, -100e3] },
    ],
  );
  const { frame, state } = solved(model);
  const lines = columnLines(frame);
  const member = (id: string) => frame.memberIndex.get(id)!;

  it('columns one above the other are one line from their support', () => {
    expect(prepareFrame(model).memberIds.length).toBe(6);
    expect(lines.map(({ height }) => height)).toEqual([9, 9, 9, 9]);
    expect(lines.at(-1)!.members).toEqual([member('cd'), member('ce')]);
  });

  it('along x the plane’s two loaded columns count: φ = 1/200·(2/3)·√(0.5(1 + 1/2)), EN 1993-1-1 5.3.2(3)', () => {
    const { of } = columnSways(frame, lines, state, [1, 0]);
    const two = (1 / 200) * (2 / 3) * Math.sqrt(0.75);
    // The third carries 10 kN, less than half of the mean of 70
    for (const id of ['ca', 'cb', 'cc']) expect(of(member(id))).toBeCloseTo(two, 12);
    // The column further back stands alone in its plane
    expect(of(member('ce'))).toBeCloseTo((1 / 200) * (2 / 3), 12);
  });

  it('along y each plane is another, and what is no column has the greatest', () => {
    const { of, greatest } = columnSways(frame, lines, state, [0, 1]);
    expect(of(member('cb'))).toBeCloseTo((1 / 200) * (2 / 3), 12);
    // Both columns at x = 0
    expect(of(member('ca'))).toBeCloseTo((1 / 200) * (2 / 3) * Math.sqrt(0.75), 12);
    expect(of(member('beam'))).toBe(greatest);
  });
});
