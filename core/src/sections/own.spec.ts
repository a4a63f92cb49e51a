import { expectClose } from '../testing/models.js';
import { slipShed } from '../testing/designs.js';
import { addSection, setRule } from '../edits/index.js';
import { buildFrame } from '../build/build.js';
import { validateDesign } from '../document/read.js';
import { sectionDetails } from './details.js';
import { dimensionsOf, outlineText, readOutline, shapeStarts, withDimension } from './own.js';
import { shapeProblem } from './shapes/index.js';

describe('shapes of own sections', () => {
  it('each begin with dimensions that fit, make a valid design, and build', () => {
    for (const { title, shape } of shapeStarts) {
      expect(shapeProblem(shape)).withContext(title).toBeUndefined();
      expect(sectionDetails(shape).A).withContext(title).toBeGreaterThan(0);
      const design = setRule(addSection(slipShed(), { id: 'own', material: 'S355', shape }), 'columns', {
        section: 'own',
      });
      expect(validateDesign(structuredClone(design)).ok)
        .withContext(title)
        .toBeTrue();
      const frame = buildFrame(design, design.alternatives[0]!);
      expect(frame.ok).withContext(title).toBeTrue();
    }
  });

  it('are asked for by the dimensions of their type, those that may be left out marked', () => {
    const names = (title: string) =>
      dimensionsOf(shapeStarts.find((one) => one.title === title)!.shape).map(({ name, optional }) =>
        optional ? `${name}?` : name,
      );
    expect(names('welded I')).toEqual(['h', 'b', 'tw', 'tf', 'r?', 'r2?']);
    expect(names('I with unequal flanges')).toEqual([
      'h',
      'bTop',
      'tfTop',
      'bBottom',
      'tfBottom',
      'tw',
      'r?',
    ]);
    expect(names('two channels')).toEqual(['h', 'b', 'tw', 'tf', 'r?', 'r2?', 'gap', 'facing']);
    expect(names('outline')).toEqual([]);
  });

  it('change by one dimension; one that may be left out goes', () => {
    const [i] = shapeStarts;
    expect(withDimension(i!.shape, 'h', 0.6)).toEqual({ ...i!.shape, h: 0.6 } as never);
    const round = withDimension(i!.shape, 'r', 0.01);
    expect(withDimension(round, 'r', undefined)).toEqual(i!.shape);
  });
});

describe('a pasted outline', () => {
  it('is read in mm: a rectangle of 200 × 100 has Iy = b·h³/12', () => {
    const outcome = readOutline('0 0\n100, 0\n100; 200\n0\t200\n');
    const { A, Iy } = sectionDetails(outcome.ok ? outcome.value : shapeStarts[0]!.shape);
    expectClose(A, 0.02);
    expectClose(Iy, (0.1 * 0.2 ** 3) / 12);
  });

  it('comes back as it was pasted', () => {
    const text = '0 0\n100 0 5\n100 200\n0 200';
    const outcome = readOutline(text);
    expect(outcome.ok && outcome.value.type === 'outline' ? outlineText(outcome.value.points) : '').toBe(
      text,
    );
  });

  it('says which line is wrong, and what an outline needs', () => {
    const message = (text: string) => {
      const outcome = readOutline(text);
      return outcome.ok ? '' : outcome.problems[0]!.message;
    };
    expect(message('0 0\nten 0\n10 10')).toContain('Line 2 ("ten 0")');
    expect(message('0 0\n10 0')).toContain('three corners');
    expect(message('0 0\n100 100\n100 0\n0 100')).toContain('In the outline');
  });
});
