import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const half: Step = {
  id: 'h',
  make: 'line',
  points: [
    ['0 m', '0 m', '0 m'],
    ['0 m', '0 m', '5 m'],
    ['6 m', '0 m', '6 m'],
  ],
};
const mirror = (plane: object): Step => ({ id: 'm', edit: 'mirror', plane });

describe('mirror', () => {
  it('makes the other half, and does not double what lies in the plane', () => {
    const { model } = built(designWith([half, mirror({ through: ['6 m', '0 m', '0 m'], normal: 'x' })]));
    expect(model.members.length).toBe(4);
    expect(model.nodes.length).toBe(5);
    const xs = model.nodes.map(({ x }) => x).sort((a, b) => a - b);
    expect(xs).toEqual([0, 0, 6, 12, 12]);
  });

  it('keeps a taper at its physical end', () => {
    const taper: Step = {
      id: 't',
      edit: 'taper',
      members: 'x > 1 m',
      end: 'start',
      depth: '600 mm',
      length: '2 m',
    };
    const { model } = built(
      designWith([half, taper, mirror({ through: ['6 m', '0 m', '0 m'], normal: 'x' })]),
    );
    const deep = model.members.filter(({ section, endSection }) =>
      `${section} ${endSection ?? ''}`.includes('600'),
    );
    expect(deep.length).toBe(2);
    // At the eaves in both halves: 6 m from the plane
    const eaves = model.nodes.filter(({ x, z }) => Math.abs(Math.abs(x - 6) - 6) < 1e-9 && z === 5);
    for (const { start, end, section } of deep)
      expect(eaves.map(({ id }) => id)).toContain(section.includes('600') ? start : end);
  });

  it('refuses a plane without a normal', () => {
    const wrong = mirror({ through: ['6 m', '0 m', '0 m'], normal: [0, 0, 0] });
    expect(problemsOf(designWith([half, wrong]))[0]!.where['step']).toBe('m');
  });
});
