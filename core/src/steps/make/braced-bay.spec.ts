import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const bay = (fields: object): Step => ({
  id: 'b',
  make: 'braced-bay',
  bays: ['6 m', '6 m'],
  storeys: ['4 m', '3.5 m'],
  ...fields,
});
const of = (fields: object) => built(designWith([bay(fields)]));
const count = (fields: object, role: string) => {
  const lines = [...of(fields).geometry.lines.values()];
  const { members } = of(fields).geometry;
  return lines.filter((line) => members.get(line.members[0]!)!.tags['role'] === role).length;
};

describe('braced bay', () => {
  it('has a column a storey and line, and a beam a bay and floor', () => {
    expect(count({}, 'column')).toBe(6);
    expect(count({}, 'beam')).toBe(4);
    expect(count({}, 'brace')).toBe(0);
  });

  it('has as many braces a panel as its pattern', () => {
    for (const [bracing, each] of [
      ['x', 2],
      ['diagonal', 1],
      ['chevron', 2],
      ['v', 2],
      ['k', 2],
    ] as const)
      expect(count({ bracing }, 'brace'))
        .withContext(bracing)
        .toBe(4 * each);
  });

  it('chevron: meets the beam above at its middle, whose halves stay one physical member', () => {
    const { model, geometry } = of({ bracing: 'chevron', bays: ['6 m'], storeys: ['4 m'] });
    const beams = [...geometry.members.values()].filter(({ tags }) => tags['role'] === 'beam');
    expect(beams.length).toBe(2);
    expect(beams[0]!.line).toBe(beams[1]!.line);
    const groups = model.members
      .filter(({ id }) => beams.some((beam) => beam.id === id))
      .map(({ design }) => design?.group);
    expect(groups[0]).toBeDefined();
    expect(groups[0]).toBe(groups[1]);
    const middle = model.nodes.find(({ x, z }) => Math.abs(x - 3) < 1e-9 && Math.abs(z - 4) < 1e-9);
    expect(middle).toBeDefined();
  });

  it('eccentric: leaves a link of its length in the middle of the beam', () => {
    const { model } = of({ bracing: 'eccentric', link: '0.8 m', bays: ['6 m'], storeys: ['4 m'] });
    const xs = model.nodes
      .filter(({ z }) => Math.abs(z - 4) < 1e-9)
      .map(({ x }) => x)
      .sort((a, b) => a - b);
    [0, 2.6, 3.4, 6].forEach((x, i) => expect(xs[i]).toBeCloseTo(x, 9));
  });

  it('braces only panels of its condition, and refuses a link as long as the beam', () => {
    expect(count({ bracing: 'x', panels: 'bay == 1' }, 'brace')).toBe(4);
    expect(problemsOf(designWith([bay({ bracing: 'eccentric', link: '6 m' })]))[0]!.where['step']).toBe('b');
  });
});
