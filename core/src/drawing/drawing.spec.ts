import { drawingOf, evaluateAlternative } from '../evaluation/index.js';
import { slipShed } from '../testing/designs.js';
import { cornerSize, Draughtsman, layerNames, strokeSize } from './drawing.js';
import { fitView, projected, standardViews } from './view/view.js';
import { toSvg } from './view/svg.js';

const size = { width: 800, height: 600 };
const margins = { left: 100, right: 100, top: 100, bottom: 100 };

function drawn(diagram: 'My' | 'N' | 'none' | 'utilisation', id = 'fixed') {
  const design = slipShed();
  const run = evaluateAlternative(
    design,
    design.alternatives.find((one) => one.id === id)!,
  );
  return drawingOf(run, { result: 'S', diagram })!;
}

describe('a drawing', () => {
  it('is numbers, layer by layer', () => {
    const pen = new Draughtsman();
    pen.on('members').line([0, 0, 0], [1, 0, 0], { colour: 'ink' });
    pen.on('axes').line([0, 0, 0], [0, 0, 1], { colour: 'inkFaint' });
    pen.on('hinges').disc([0, 0, 0], 3, { colour: 'ink' });
    const { strokes, corners, strokeRanges, cornerRanges } = pen.finish();
    expect(strokes.length).toBe(2 * strokeSize);
    const range = (name: (typeof layerNames)[number]) => strokeRanges[layerNames.indexOf(name)];
    expect([range('axes'), range('members')]).toEqual([
      [0, 1],
      [1, 2],
    ]);
    // The axes' stroke comes first: from the origin to z = 1
    expect([...strokes.subarray(0, 9)]).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 1]);
    expect(corners.length).toBe(3 * 16 * cornerSize);
    expect(cornerRanges.at(-3)).toEqual([0, 48]);
  });

  it('keeps every stroke, however few parts were expected', () => {
    const pen = new Draughtsman(0);
    for (let x = 0; x < 40; x++) pen.on('members').line([x, 0, 0], [x + 1, 0, 0], { colour: 'ink' });
    const { strokes, strokeRanges } = pen.finish();
    expect(strokeRanges.at(-1)).toEqual([40, 40]);
    expect([0, 1, 39].map((k) => strokes[k * strokeSize])).toEqual([0, 1, 39]);
  });

  it('has no number that is none', () => {
    for (const diagram of ['My', 'N', 'none', 'utilisation'] as const) {
      const { drawing, points } = drawn(diagram, 'haunched');
      for (const array of [drawing.strokes, drawing.corners, points])
        expect(array.every(Number.isFinite)).withContext(diagram).toBeTrue();
    }
  });

  it('tells the greatest of what it shows: snow’s moment at the eaves of fixed bases', () => {
    const { most, drawing } = drawn('My');
    expect(most.load).toBeCloseTo(4400, 6);
    expect(most.diagram).toBeGreaterThan(1e5);
    expect(drawing.texts.some(({ text, layer }) => layer === 'diagram' && text.includes('kN'))).toBeTrue();
    expect(drawn('none').drawing.texts.some(({ layer }) => layer === 'diagram')).toBeFalse();
  });

  it('has live dimensions with what is written in their fields', () => {
    const written = drawn('none').dimensions.map(({ field, written: text }) => [field, text]);
    expect(written).toContain(['bays/0', 'span']);
    expect(written).toContain(['eaves', 'eaves']);
  });
});

describe('a view', () => {
  const { points } = drawn('none');

  it('fits the frame between the margins', () => {
    for (const direction of Object.values(standardViews)) {
      const view = fitView(points, direction, size, margins);
      for (let i = 0; i < points.length; i += 3) {
        const [x, y] = projected(view, size, [points[i]!, points[i + 1]!, points[i + 2]!]);
        expect(x).toBeGreaterThanOrEqual(99.9);
        expect(x).toBeLessThanOrEqual(700.1);
        expect(y).toBeGreaterThanOrEqual(99.9);
        expect(y).toBeLessThanOrEqual(500.1);
      }
    }
  });

  it('from the front shows X to the right and Z up', () => {
    const view = fitView(points, standardViews.front, size, margins);
    const at = (p: [number, number, number]) => projected(view, size, p);
    expect(at([1, 0, 0])[0]).toBeGreaterThan(at([0, 0, 0])[0]);
    expect(at([0, 0, 1])[1]).toBeLessThan(at([0, 0, 0])[1]);
    expect(at([0, 5, 0])[0]).toBeCloseTo(at([0, 0, 0])[0], 9);
  });
});

describe('the same drawing as SVG', () => {
  it('is one sheet with a line a stroke and no number that is none', () => {
    const { drawing, points } = drawn('My');
    const svg = toSvg(drawing, { view: fitView(points, standardViews.front, size, margins), size });
    expect(svg).toMatch(/^<svg[^>]*viewBox="0 0 800 600"/);
    expect(svg).toContain('</svg>');
    expect(svg).not.toContain('NaN');
    expect(svg).toContain('kN');
  });
});
