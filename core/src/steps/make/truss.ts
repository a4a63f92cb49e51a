import { roof } from '../../geometry/part.js';
import { fail } from '../../base/problem.js';
import type { Sketch, SketchNode } from '../../geometry/sketch.js';
import { angle, count, length, onlyWhen, option, optional, type Evaluated } from '../../fields/index.js';
import { generator } from '../step.js';
import { words } from '../words.js';

const fields = {
  span: length({ title: 'Span', initial: '18 m', above0: true }),
  depth: length({ title: 'Depth', about: 'Between the chords at the ends.', initial: '1.6 m', least: 0 }),
  panels: count({ title: 'Panels', initial: 6, fallback: 6, most: 500 }),
  pattern: option(['pratt', 'howe', 'warren', 'warren-verticals', 'fink', 'vierendeel'], {
    title: 'Webs',
    drawn: true,
    fallback: 'pratt',
  }),
  top: option(['parallel', 'duo', 'bow'], { title: 'Top chord', drawn: true, fallback: 'parallel' }),
  slope: onlyWhen(
    'top',
    ['duo', 'bow'],
    optional(
      angle({ title: 'Slope', least: 0, below: (80 * Math.PI) / 180, limits: 'from 0° to below 80°' }),
    ),
  ),
  rise: onlyWhen(
    'top',
    ['duo', 'bow'],
    optional(
      length({
        title: 'Rise',
        about: 'Of the top chord at mid-span, above its ends.',
        initial: '1.5 m',
        least: 0,
      }),
    ),
  ),
  bearing: option(['bottom', 'top'], {
    title: 'Bearing',
    about: 'Which chord’s ends rest.',
    fallback: 'bottom',
  }),
};
type Values = Evaluated<typeof fields>;

/** A truss from the left end of its bottom chord at the origin to the right. */
export const truss = generator({
  kind: 'truss',
  title: 'Truss',
  about:
    'Two chords and webs in panels of one width: Pratt, Howe, Warren with or without verticals, Fink or Vierendeel, under a parallel, duo-pitch or bowed top chord.',
  roles: ['top-chord', 'bottom-chord', 'post', 'diagonal'],
  places: ['bearing', 'top', 'bottom'],
  fields: { ...fields, top: fields.top },
  draw(sketch, values, { id }) {
    const { span, depth, panels, pattern } = values;
    const rise = riseOf(values, id);
    if (depth < 1e-4 && rise < 1e-4)
      fail(
        'geometry',
        `Step "${id}": the chords lie on one another; give the truss a depth or its top chord a rise.`,
        { step: id, field: 'depth' },
      );
    const height = (x: number): number => {
      const t = x / span;
      if (values.top === 'bow' && pattern !== 'fink') return depth + 4 * rise * t * (1 - t);
      return depth + (values.top === 'duo' || pattern === 'fink' ? rise * (1 - Math.abs(2 * t - 1)) : 0);
    };
    const chords = pattern === 'fink' ? finkChords(span) : panelChords(span, panels, pattern === 'warren');
    const drawn = drawChords(sketch, values, chords, height);
    const webs = pattern === 'fink' ? finkWebs() : websOf(values);
    drawWebs(sketch, drawn, webs, span);
    sketch.dimension('span', [0, 0, 0], [span, 0, 0], [0, 0, -1], span);
    sketch.dimension('depth', [0, 0, 0], [0, 0, depth], [-1, 0, 0], depth);
    if (values.rise !== undefined && rise > 0)
      sketch.dimension('rise', [span / 2, 0, depth], [span / 2, 0, depth + rise], [1, 0, 0], rise);
  },
  summary: ({ span, depth, panels, pattern }) =>
    `${words(pattern, 'pratt')}, ${words(span)} × ${words(depth)}, ${words(panels, '6')} panels`,
});

function riseOf({ top, pattern, rise, slope, span }: Values, id: string): number {
  if (top === 'parallel' && pattern !== 'fink') return 0;
  const value = rise ?? (slope === undefined ? undefined : (Math.tan(slope) * span) / 2);
  return (
    value ??
    fail('geometry', `Step "${id}": the top chord needs a rise or a slope.`, { step: id, field: 'rise' })
  );
}

/** Positions of the chords' nodes along the span. */
interface Chords {
  readonly bottom: readonly number[];
  readonly top: readonly number[];
}

function panelChords(span: number, panels: number, between: boolean): Chords {
  const at = (fraction: number) => fraction * span;
  const bottom = Array.from({ length: panels + 1 }, (_, i) => at(i / panels));
  return { bottom, top: between ? Array.from({ length: panels }, (_, i) => at((i + 0.5) / panels)) : bottom };
}

const finkChords = (span: number): Chords => ({
  bottom: [0, 1, 2, 3].map((i) => (i * span) / 3),
  top: [0, 1, 2, 3, 4].map((i) => (i * span) / 4),
});

interface Drawn {
  readonly bottom: readonly SketchNode[];
  readonly top: readonly SketchNode[];
}

function drawChords(
  sketch: Sketch,
  { span, bearing }: Values,
  chords: Chords,
  height: (x: number) => number,
): Drawn {
  const side = (x: number) => (Math.abs(2 * x - span) < 1e-6 ? 'middle' : 2 * x < span ? 'left' : 'right');
  const nodesOf = (chord: 'bottom' | 'top', z: (x: number) => number) =>
    chords[chord].map((x, i) => {
      const end = i === 0 || i === chords[chord].length - 1;
      const place = end && bearing === chord ? 'bearing' : chord;
      const index = place === 'bearing' ? [i === 0 ? 'left' : 'right'] : [i + 1];
      return sketch.node(place, index, [x, 0, z(x)], { side: side(x) });
    });
  // The chord that bears first: where the chords meet at the ends its place is the node's
  const bottom = bearing === 'bottom' ? nodesOf('bottom', () => 0) : [];
  const top = nodesOf('top', height);
  const drawn: Drawn = { bottom: bearing === 'bottom' ? bottom : nodesOf('bottom', () => 0), top };
  for (const chord of ['bottom', 'top'] as const)
    drawn[chord].slice(1).forEach((node, i) => {
      const before = drawn[chord][i]!;
      sketch.line(`${chord}-chord`, [i + 1], [before, node], {
        ...roof,
        bay: i + 1,
        side: side((before.at[0] + node.at[0]) / 2),
      });
    });
  return drawn;
}

/** A web by the numbers of its bottom and top nodes. */
interface Web {
  readonly role: 'post' | 'diagonal';
  readonly bottom: number;
  readonly top: number;
}

function websOf({ pattern, panels: n, bearing }: Values): Web[] {
  if (pattern === 'warren')
    return Array.from({ length: n }, (_, i) => i).flatMap((i): Web[] => [
      { role: 'diagonal', bottom: i, top: i },
      { role: 'diagonal', bottom: i + 1, top: i },
    ]);
  const posts = Array.from({ length: n + 1 }, (_, i): Web => ({ role: 'post', bottom: i, top: i }));
  if (pattern === 'vierendeel') return posts;
  const diagonals = Array.from({ length: n }, (_, i): Web => {
    // The middle panel of an odd number leans as the left half
    const left = i < n / 2;
    const rises =
      pattern === 'warren-verticals'
        ? (i % 2 === 0) === (bearing === 'bottom')
        : (pattern === 'howe') === left;
    return rises ? { role: 'diagonal', bottom: i, top: i + 1 } : { role: 'diagonal', bottom: i + 1, top: i };
  });
  return [...posts, ...diagonals];
}

/** Thirds below, quarters above, joined by a W. */
const finkWebs = (): Web[] => [
  { role: 'post', bottom: 0, top: 0 },
  { role: 'diagonal', bottom: 1, top: 1 },
  { role: 'diagonal', bottom: 1, top: 2 },
  { role: 'diagonal', bottom: 2, top: 2 },
  { role: 'diagonal', bottom: 2, top: 3 },
  { role: 'post', bottom: 3, top: 4 },
];

function drawWebs(sketch: Sketch, { bottom, top }: Drawn, webs: readonly Web[], span: number): void {
  const numbers = { post: 0, diagonal: 0 };
  for (const { role, bottom: b, top: t } of webs) {
    const [low, high] = [bottom[b]!, top[t]!];
    const index = ++numbers[role];
    const x = low.at[0] + high.at[0];
    const side = Math.abs(x - span) < 1e-6 ? 'middle' : x < span ? 'left' : 'right';
    sketch.line(role, [index], [low, high], { ...roof, side });
  }
}
