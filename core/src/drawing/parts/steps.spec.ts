import { emptyGeometry } from '../../geometry/geometry.js';
import { runSteps } from '../../build/run-steps.js';
import { stepKinds } from '../../steps/index.js';
import type { Step } from '../../document/types.js';
import { geometryPicture, kindPicture, optionPicture, stepPicture } from './steps.js';
import { metric } from '../../units/units.js';

const size = { width: 240, height: 150 };
const count = (svg: string, part: RegExp) => svg.match(part)?.length ?? 0;

/** Strokes of a picture in ink and faint. */
function strokes(svg: string): { ink: number; faint: number } {
  return { ink: count(svg, /stroke="#22252B"/g), faint: count(svg, /stroke="#C9C5B9"/g) };
}

function pictureOf(steps: Step[]): string {
  const { results, problems } = runSteps({ steps, space: 'solid' }, { parameters: new Map(), units: metric });
  expect(problems).toEqual([]);
  return stepPicture(results.at(-1)!, size);
}
const portal: Step = { id: 'p', make: 'portal', bays: ['10 m'], eaves: '5 m', roof: 'duo', pitch: '10 deg' };

describe('pictures of options', () => {
  const size = { width: 60, height: 38 };
  const kindOfName = (name: string) => stepKinds.find(({ kind }) => kind === name)!;

  it('tell the patterns of bracing apart, also of the fields within a field', () => {
    const braces = ['x', 'diagonal', 'chevron', 'v', 'k', 'knee', 'eccentric'];
    const drawn = braces.map((value) => optionPicture(kindOfName('brace'), 'pattern', value, size));
    expect(new Set(drawn).size).toBe(braces.length);
    for (const svg of drawn) expect(svg).toContain('<svg');
    const tops = ['open', 'diagonal', 'cross'].map((value) =>
      optionPicture(kindOfName('machine-frame'), 'bracing/top', value, size),
    );
    expect(new Set(tops).size).toBe(3);
  });

  it('are none where the example does not run with it', () => {
    expect(optionPicture(kindOfName('brace'), 'pattern', 'spiral', size)).toBeUndefined();
  });
});

describe('pictures of steps', () => {
  it('show every kind of step on its example, with something in ink or marked', () => {
    for (const kind of stepKinds) {
      const svg = kindPicture(kind, size);
      expect(svg)
        .withContext(kind.kind)
        .toMatch(/#22252B|#2B4C8C/);
      expect(svg).withContext(kind.kind).not.toContain('NaN');
    }
  });

  it('of a copy have the original faint: 4 members and 2 copies of 4', () => {
    expect(
      strokes(pictureOf([portal, { id: 'c', edit: 'copy', count: 2, by: ['0 m', '5 m', '0 m'] }])),
    ).toEqual({
      ink: 8,
      faint: 4,
    });
  });

  it('of a division mark its nodes: 2 rafters in 3 parts have 2 new nodes each', () => {
    const svg = pictureOf([portal, { id: 'd', edit: 'divide', members: 'role == "rafter"', parts: 3 }]);
    // A disc is painted in 16 parts
    expect(count(svg, /fill="#2B4C8C"/g) / 16).toBe(4);
  });

  it('of a removal show what is gone where it was', () => {
    const svg = pictureOf([
      portal,
      { id: 'r', edit: 'remove', members: 'role == "rafter" and side == "left"' },
    ]);
    expect(strokes(svg)).toEqual({ ink: 1, faint: 3 });
  });

  it('of a move show where it was', () => {
    const svg = pictureOf([
      portal,
      { id: 'm', edit: 'move', nodes: 'place == "apex"', by: ['0 m', '0 m', '1 m'] },
    ]);
    // The four members before, then two columns that stay, faint; both rafters in ink
    expect(strokes(svg)).toEqual({ ink: 2, faint: 6 });
  });

  it('of nothing are empty, and whole', () => {
    expect(geometryPicture(emptyGeometry, size)).toMatch(/^<svg[^>]*>.*<\/svg>$/s);
  });
});
