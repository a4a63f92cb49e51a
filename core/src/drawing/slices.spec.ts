import { drawingOf, evaluateAlternative } from '../evaluation/index.js';
import { buildFrame } from '../build/build.js';
import type { Design } from '../document/types.js';
import { startingPoints } from '../starts/index.js';
import { unwrapped } from '../base/problem.js';
import { colourNames, strokeAt, strokeSize, layerNames } from './drawing.js';
import type { DrawnScene } from './draw.js';
import type { DrawingOptions } from './options.js';
import { sliceWords } from './slices.js';

/** A hall of portals in a row, of which inner frames carry twice the roof of the end frames. */
const hall: Design = {
  ...startingPoints.find(({ kind }) => kind === 'hall')!.design(),
  analysis: { order: 1, imperfections: false },
};
const evaluated = evaluateAlternative(hall, hall.alternatives[0]!);
const shown = hall.loadCases[0]!.id;
const drawn = (options: Partial<DrawingOptions>): DrawnScene =>
  drawingOf(evaluated, { result: shown, diagram: 'My', ...options })!;
const membersInInk = ({ drawing }: DrawnScene): number => {
  const [from, to] = drawing.strokeRanges[layerNames.indexOf('members')]!;
  let count = 0;
  for (let k = from; k < to; k++)
    if (drawing.strokes[k * strokeSize + strokeAt.colour] === colourNames.indexOf('ink')) count++;
  return count;
};

describe('the slice that governs', () => {
  const whole = drawn({});
  const part = drawn({ slice: 'governing' });

  it('is that in which the drawn force is greatest: an inner frame', () => {
    expect(whole.slice).toBeUndefined();
    expect(part.slice!.tag).toBe('row');
    const rows = unwrapped(buildFrame(hall, hall.alternatives[0]!)).geometry.members;
    const last = Math.max(...[...rows.values()].map(({ tags }) => Number(tags['row'])));
    expect(part.slice!.value).toBeGreaterThan(1);
    expect(part.slice!.value).toBeLessThan(last);
    expect(sliceWords(part.slice!)).toBe(`row ${part.slice!.value}`);
    // The greatest of the whole frame is told in it
    const greatest = whole.drawing.texts.find(({ layer }) => layer === 'diagram')!;
    expect(part.drawing.texts.map(({ title }) => title.split(' at ')[0])).toContain(
      greatest.title.split(' at ')[0],
    );
  });

  it('stands in ink alone; miniatures have all members', () => {
    expect(membersInInk(part)).toBeLessThan(membersInInk(whole) / 2);
    const count = (scene: DrawnScene) => {
      const [from, to] = scene.drawing.strokeRanges[layerNames.indexOf('whole')]!;
      return to - from;
    };
    expect(count(whole)).toBe(0);
    expect(count(part)).toBe(part.members.ids.length);
  });

  it('is none where no force is drawn', () => {
    expect(drawn({ slice: 'governing', diagram: 'none' }).slice).toBeUndefined();
    expect(drawn({ slice: 'governing', diagram: 'utilisation' }).slice).toBeUndefined();
    expect(drawn({ slice: { tag: 'row', value: 1 }, diagram: 'none' }).slice).toEqual({
      tag: 'row',
      value: 1,
    });
  });
});
