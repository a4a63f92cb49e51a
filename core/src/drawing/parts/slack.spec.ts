import { drawingOf, evaluateAlternative } from '../../evaluation/index.js';
import { designWith } from '../../testing/designs.js';
import { strokesOn } from '../../testing/strokes.js';
import type { DiagramKind } from '../options.js';

const line = (id: string, points: [string, string][], role: string) =>
  ({ id, make: 'line', points, role }) as never;

/** A bay of 4 m by 3 m of pinned members with two crossing braces that take tension alone, pushed to the right at the top. */
const bay = designWith(
  [
    line(
      'left',
      [
        ['0 m', '0 m'],
        ['0 m', '3 m'],
      ],
      'column',
    ),
    line(
      'right',
      [
        ['4 m', '0 m'],
        ['4 m', '3 m'],
      ],
      'column',
    ),
    line(
      'beam',
      [
        ['0 m', '3 m'],
        ['4 m', '3 m'],
      ],
      'beam',
    ),
    line(
      'up',
      [
        ['0 m', '0 m'],
        ['4 m', '3 m'],
      ],
      'brace',
    ),
    line(
      'down',
      [
        ['0 m', '3 m'],
        ['4 m', '0 m'],
      ],
      'brace',
    ),
  ],
  {
    space: 'plane',
    analysis: { order: 1, imperfections: false },
    code: { name: 'EN1993' },
    rules: [
      { id: 'bases', nodes: 'z == 0 m', support: 'pinned' },
      { id: 'braces', members: 'role == "brace"', action: 'tension-only' },
      {
        id: 'push',
        nodes: 'x == 0 m and z == 3 m',
        load: { case: 'W', kind: 'node', F: ['40 kN', '0 kN', '0 kN'] },
      },
    ],
    loadCases: [{ id: 'W', title: 'Wind', category: 'wind' }],
    combinations: [{ id: 'U', state: 'strength', factors: { W: 1.5 } }],
  },
);

const drawn = (diagram: DiagramKind) =>
  drawingOf(evaluateAlternative(bay, bay.alternatives[0]!, 'checks'), { result: 'U', diagram })!;

describe('slack members', () => {
  it('are dashed and called slack: the brace that the push shortens', () => {
    const { drawing, legend } = drawn('N');
    const slack = drawing.texts.filter(({ text }) => text === 'slack');
    expect(slack.map(({ title }) => title)).toEqual([
      jasmine.stringMatching(/brace.* is slack here: it carries nothing/),
    ]);
    // A third of the way down the brace that falls from the left to the right
    expect(slack[0]!.at[0] / 4).toBeCloseTo(1 - slack[0]!.at[2] / 3, 6);
    expect(legend.map(({ text }) => text)).toContain('slack, carries nothing');
    // Four members in one line, the fifth in eleven dashes
    expect(strokesOn(drawing, 'members').length).toBe(4 + 11);
  });

  it('have no utilisation in that state', () => {
    const bands = strokesOn(drawn('utilisation').drawing, 'diagram');
    const falls = bands.filter(
      ({ a, b }) => a[0] !== b[0] && Math.sign(b[2]! - a[2]!) !== Math.sign(b[0]! - a[0]!) && a[2] !== b[2],
    );
    expect(bands.length).toBeGreaterThan(3);
    expect(falls).toEqual([]);
  });
});
