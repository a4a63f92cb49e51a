import { validateDesign } from '../document/read.js';
import { emptySheet } from '../drawing/index.js';
import { drawMember, setStep } from '../edits/index.js';
import { built } from '../testing/designs.js';
import { emptyDesign } from './empty.js';

describe('an empty design', () => {
  for (const space of ['plane', 'solid'] as const)
    it(`${space}: is a document that can be read, and a sheet of some metres`, () => {
      const design = emptyDesign(space);
      expect(validateDesign(JSON.parse(JSON.stringify(design))).ok).toBeTrue();
      const { points, members } = emptySheet(design, design.alternatives[0]!);
      expect(members.ids).toEqual([]);
      expect(Math.max(...points)).toBeGreaterThan(5);
    });

  it('shows its grid lines with their names', () => {
    const design = {
      ...emptyDesign('plane'),
      axes: [{ along: 'x' as const, at: ['0 m', '2 * 6 m'], names: 'A' as const }],
    };
    const { drawing, points } = emptySheet(design, design.alternatives[0]!);
    expect(drawing.texts.map(({ text }) => text)).toEqual(['A', 'B', 'C']);
    expect(Math.max(...points)).toBe(12);
  });

  it('becomes a frame by the first member that is drawn, from coordinates to coordinates', () => {
    const { design, id } = drawMember(emptyDesign('plane'), ['0 m', '0 m'], ['0 m', '4 m']);
    const { model } = built(design);
    expect(model.members.length).toBe(1);
    expect(model.nodes.map(({ x, z }) => [x, z])).toEqual([
      [0, 0],
      [0, 4],
    ]);
    // The next one is attached to it by name
    const more = drawMember(design, `${id}.point.2`, ['5 m', '4 m']).design;
    const moved = setStep(more, id, {
      points: [
        ['0 m', '0 m'],
        ['0 m', '5 m'],
      ],
    });
    expect(built(moved).model.nodes.map(({ x, z }) => [x, z])).toContain([0, 5]);
    expect(built(moved).model.nodes.length).toBe(3);
  });
});
