import { drawingOf, evaluateAlternative } from '../evaluation/index.js';
import { designWith, slipShed } from '../testing/designs.js';
import { plainText, strokesOn } from '../testing/strokes.js';
import type { DrawingOptions } from './options.js';

function shed(options: Partial<DrawingOptions>, id = 'fixed') {
  const design = slipShed();
  const run = evaluateAlternative(
    design,
    design.alternatives.find((one) => one.id === id)!,
    'forces',
  );
  return drawingOf(run, { result: 'U1', diagram: 'none', ...options })!;
}

/** What of the legend is about members, without the loads that are told in it too. */
const groupsIn = ({ legend }: ReturnType<typeof shed>) =>
  legend.map(({ text }) => text).filter((text) => !text.startsWith('with '));

describe('sections along members', () => {
  it('are drawn true to scale: the columns’ HEB 300 reaches 150 mm to either side of the axis', () => {
    const { drawing } = shed({ sections: true });
    const left = strokesOn(drawing, 'sections').filter(({ a, b }) => Math.max(a[0]!, b[0]!) < 0.16);
    const xs = left.flatMap(({ a, b }) => [a[0]!, b[0]!]);
    expect(Math.min(...xs)).toBeCloseTo(-0.15, 6);
    expect(Math.max(...xs)).toBeCloseTo(0.15, 6);
    const ys = left.flatMap(({ a, b }) => [a[1]!, b[1]!]);
    // 300 mm wide as well
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(0.3, 6);
    expect(strokesOn(shed({}).drawing, 'sections')).toEqual([]);
  });

  it('of a haunch grow by 450 mm downwards at the deep end, their top in line', () => {
    const endsNearEaves = (id: string) =>
      strokesOn(shed({ sections: true }, id).drawing, 'sections')
        .filter(({ a, b }) => [a, b].every(([x, , z]) => x! < 0.3 && z! > 5 && z! < 7.5))
        .flatMap(({ a, b }) => [a[2]!, b[2]!]);
    const [plain, deep] = [endsNearEaves('pinned'), endsNearEaves('haunched')];
    // IPE 500 stands square to a rafter of 9°
    const slope = Math.cos(Math.PI / 20);
    expect(Math.min(...plain)).toBeCloseTo(6.4 - 0.25 * slope, 6);
    expect(Math.min(...deep)).toBeCloseTo(6.4 - (0.25 + 0.45) * slope, 6);
    expect(Math.max(...deep)).toBeCloseTo(Math.max(...plain), 6);
  });

  it('leave the member’s axis thin', () => {
    const widths = (sections: boolean) =>
      strokesOn(shed({ sections }).drawing, 'members').map(({ width }) => width);
    expect(Math.max(...widths(true))).toBeLessThan(Math.min(...widths(false)));
  });
});

describe('members drawn in groups', () => {
  it('by section: a look each, the most frequent first, with a legend', () => {
    const scene = shed({ groupBy: 'section' });
    const { legend } = scene;
    expect(groupsIn(scene)).toEqual(['HEB 300, 2 members', 'IPE 500, 2 members']);
    const [first, second] = legend.map(({ sample }) => sample);
    expect(first!.dash).toBeUndefined();
    expect(second!.dash).toBeDefined();
    expect(first!.colour).not.toBe(second!.colour);
  });

  it('by material, rule and step, in their titles', () => {
    expect(groupsIn(shed({ groupBy: 'material' }))).toEqual(['S355, 4 members']);
    expect(groupsIn(shed({ groupBy: 'rule' }))).toEqual(['Columns, 2 members', 'Rafters, 2 members']);
    expect(groupsIn(shed({ groupBy: 'step' })).length).toBe(1);
  });

  it('beyond the last look they are faint, and counted', () => {
    const names = [
      'HEA 100',
      'HEA 120',
      'HEA 140',
      'HEA 160',
      'HEA 180',
      'HEA 200',
      'HEA 220',
      'HEA 240',
      'HEA 260',
    ];
    const design = designWith(
      names.map((_, k) => ({
        id: `m${k}`,
        make: 'line',
        points: [
          [`${k} m`, '0 m', '0 m'],
          [`${k} m`, '0 m', '3 m'],
        ],
        role: 'post',
      })),
      {
        rules: names.map((section, k) => ({
          id: `r${k}`,
          members: `step == "m${k}"`,
          section,
          material: 'S235',
        })),
      },
    );
    const run = evaluateAlternative(design, design.alternatives[0]!, 'forces');
    const { legend } = drawingOf(run, { result: '', diagram: 'none', groupBy: 'section' })!;
    expect(legend.length).toBe(8);
    expect(legend.at(-1)!.text).toBe('and 2 more, faint');
  });
});

describe('stress along members', () => {
  it('says the greatest, against the yield strength, and is wider where it is greater', () => {
    const scene = shed({ diagram: 'stress' });
    const line = scene.legend.find(({ text }) => text.includes('greatest'));
    const [, stress, share] = /greatest ([\d.]+) N\/mm², ([\d.]+) fy/.exec(plainText(line!.text))!;
    // S355 up to 40 mm
    expect(Number(stress) / 355).toBeCloseTo(Number(share), 2);
    const bands = strokesOn(scene.drawing, 'diagram');
    const widest = bands.reduce((a, b) => (b.width > a.width ? b : a));
    const narrowest = bands.reduce((a, b) => (b.width < a.width ? b : a));
    expect(widest.alpha).toBeGreaterThan(narrowest.alpha);
    // Fixed bases under snow: most is asked of the columns' heads
    expect(Math.max(widest.a[2]!, widest.b[2]!)).toBeCloseTo(6.4, 6);
  });

  it('of an envelope is nowhere less than of a combination', () => {
    const stressOf = (result: string) =>
      Number(
        /greatest ([\d.]+)/.exec(
          plainText(
            shed({ diagram: 'stress', result }).legend.find(({ text }) => text.includes('greatest'))!.text,
          ),
        )![1],
      );
    const all = stressOf('envelope.strength');
    for (const id of ['U1', 'U2', 'U3']) expect(all).toBeGreaterThanOrEqual(stressOf(id));
  });
});
