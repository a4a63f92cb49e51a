import { roof } from '../../geometry/part.js';
import { fail } from '../../base/problem.js';
import { positions, type Sketch, type SketchLine, type SketchNode } from '../../geometry/sketch.js';
import { angle, count, flag, length, onlyWhen, option, optional, record } from '../../fields/index.js';
import { generator } from '../step.js';
import { archPoints } from './arch-curves.js';
import { words } from '../words.js';

const curves = ['circular', 'parabolic', 'catenary', 'elliptic', 'hyperbolic'] as const;

/** An arch from the origin to the right. */
export const arch = generator({
  kind: 'arch',
  title: 'Arch',
  about:
    'An arch from its left springing at the origin to the right one, straight members between points on the curve. A rise below zero hangs. With a tie between the springings, or a deck on posts and hangers.',
  roles: ['arch', 'tie', 'hanger', 'post', 'deck'],
  places: ['springing', 'crown', 'arch', 'deck'],
  fields: {
    span: length({ title: 'Span', initial: '24 m', above0: true }),
    rise: length({
      title: 'Rise',
      about: 'At mid-span above the line between the springings.',
      initial: '5 m',
    }),
    endHeight: length({
      title: 'End height',
      about: 'Of the right springing above the left one.',
      fallback: '0 m',
    }),
    curve: option(curves, { title: 'Curve', drawn: true, fallback: 'circular' }),
    asymptote: onlyWhen(
      'curve',
      ['hyperbolic'],
      optional(
        angle({
          title: 'Asymptote',
          initial: '40 deg',
          least: 0,
          below: Math.PI / 2,
          limits: 'between 0° and 90°',
        }),
      ),
    ),
    members: count({ title: 'Members', initial: 12, fallback: 12 }),
    spacing: option(['equal-length', 'equal-x'], { title: 'Divided by', fallback: 'equal-length' }),
    tie: flag({ title: 'Tie' }),
    deck: optional(
      record(
        {
          height: length({ title: 'Height of the deck', initial: '6 m' }),
          posts: count({ title: 'Posts or hangers', initial: 7 }),
        },
        { title: 'Deck' },
      ),
    ),
  },
  draw(sketch, values, { id }) {
    const { span, rise, endHeight, curve, members: n, spacing, tie, deck } = values;
    const shape = { curve, span, rise, endHeight, asymptote: values.asymptote };
    const nodes = archPoints(shape, n, spacing, id).map(([x, z], i) => {
      if (i === 0 || i === n)
        return sketch.node('springing', [i === 0 ? 'left' : 'right'], [x, 0, z], {
          side: i === 0 ? 'left' : 'right',
        });
      const side = 2 * i < n ? 'left' : 2 * i > n ? 'right' : 'middle';
      return 2 * i === n
        ? sketch.node('crown', [], [x, 0, z], { side })
        : sketch.node('arch', [i], [x, 0, z], { side });
    });
    const pieces = nodes.slice(1).map((node, i) => {
      const side = 2 * (i + 1) <= n ? 'left' : 2 * i >= n ? 'right' : 'middle';
      return sketch.line('arch', [i + 1], [nodes[i]!, node], { ...roof, side })!;
    });
    if (tie) sketch.line('tie', [], [nodes[0]!, nodes[n]!]);
    if (deck) drawDeck(sketch, pieces, { span, ...deck }, tie && endHeight === 0, id);
    const low = Math.min(0, endHeight, endHeight / 2 + rise);
    sketch.dimension('span', [0, 0, low], [span, 0, low], [0, 0, -1], span);
    sketch.dimension(
      'rise',
      [span / 2, 0, endHeight / 2],
      [span / 2, 0, endHeight / 2 + rise],
      [1, 0, 0],
      rise,
    );
    if (endHeight !== 0)
      sketch.dimension('endHeight', [span, 0, 0], [span, 0, endHeight], [1, 0, 0], endHeight);
  },
  summary: ({ span, rise, curve }) => `${words(span)} × ${words(rise)}, ${words(curve, 'circular')}`,
});

function drawDeck(
  sketch: Sketch,
  pieces: readonly SketchLine[],
  { span, height, posts }: { span: number; height: number; posts: number },
  tied: boolean,
  id: string,
): void {
  if (tied && Math.abs(height) < 1e-4)
    fail(
      'geometry',
      `Step "${id}": the deck lies on the tie; leave out the tie or give the deck another height.`,
      { step: id, field: 'deck' },
    );
  const xs = positions(Array.from({ length: posts + 1 }, () => span / (posts + 1)));
  const deck = xs.map((x, i) => sketch.node('deck', [i], [x, 0, height]));
  deck.slice(1, -1).forEach((node, i) => {
    const x = xs[i + 1]!;
    const meets = nodeOnArch(sketch, pieces, x, i + 1);
    if (!meets)
      fail(
        'geometry',
        `Step "${id}": the arch has no point above x = ${x.toFixed(2)} m for a post of the deck.`,
        { step: id, field: 'deck' },
      );
    if (meets === node) return;
    sketch.line(meets.at[2] > height ? 'hanger' : 'post', [i + 1], [meets, node]);
  });
  sketch.line('deck', [], deck);
  sketch.dimension('deck/height', [span, 0, 0], [span, 0, height], [1, 0, 0], height);
}

/** The arch's node at x, or a new one that divides its straight member there. */
function nodeOnArch(
  sketch: Sketch,
  pieces: readonly SketchLine[],
  x: number,
  index: number,
): SketchNode | undefined {
  for (const piece of pieces) {
    const [a, b] = [piece.nodes[0]!, piece.nodes.at(-1)!];
    if (Math.abs(a.at[0] - x) < 1e-6) return a;
    if (Math.abs(b.at[0] - x) < 1e-6) return b;
    const fraction = (x - a.at[0]) / (b.at[0] - a.at[0]);
    if (!(fraction > 0 && fraction < 1)) continue;
    const node = sketch.node('arch', ['post', index], [x, 0, a.at[2] + fraction * (b.at[2] - a.at[2])]);
    piece.through(node);
    return node;
  }
  return undefined;
}
