import { at, built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const line = (fields: object): Step => ({
  id: 'l',
  make: 'line',
  points: [
    ['0 m', '0 m'],
    ['4 m', '0 m'],
    ['4 m', '3 m'],
  ],
  ...fields,
});

describe('line', () => {
  it('joins its points in order, divided, closed, or by pairs', () => {
    const members = (fields: object) => built(designWith([line(fields)])).model.members.length;
    expect(members({})).toBe(2);
    expect(members({ closed: true })).toBe(3);
    expect(members({ parts: 4 })).toBe(8);
    expect(members({ pairs: [[0, 2]] })).toBe(1);
  });

  it('has a role of several words, which conditions name in quotes', () => {
    const { geometry, model } = built(
      designWith([line({ role: 'edge beam' })], {
        rules: [{ id: 'edges', members: 'role == "edge beam"', section: 'HEB 200' }],
      }),
    );
    expect([...geometry.lines.keys()]).toEqual(['l.edge-beam.1', 'l.edge-beam.2']);
    expect(new Set(model.members.map(({ section }) => section))).toEqual(new Set(['HEB 200 S355']));
    expect(() => designWith([line({ role: ' edge' })])).toThrowError();
  });

  it('takes points of three, and stands at its origin, turned', () => {
    const frame = built(
      designWith([
        {
          ...line({
            points: [
              ['0 m', '0 m', '0 m'],
              ['2 m', '0 m', '1 m'],
            ],
          }),
          at: ['1 m', '1 m', '1 m'],
          turn: '90 deg',
        },
      ]),
    );
    const [x, y, z] = at(frame, frame.model.members[0]!.end);
    expect([x, y, z].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([1, 3, 2]);
  });

  it('refuses a pair of points that are not there, and points on each other', () => {
    expect(problemsOf(designWith([line({ pairs: [[1, 9]] })]))[0]!.where['step']).toBe('l');
    const twice = line({
      points: [
        ['1 m', '1 m'],
        ['1 m', '1 m'],
      ],
    });
    expect(problemsOf(designWith([twice]))[0]!.where['step']).toBe('l');
  });
});
