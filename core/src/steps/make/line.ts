import { fail } from '../../base/problem.js';
import { distance, minus, turned } from '../../geometry/vector.js';
import { count, custom, flag, optional, points, word } from '../../fields/index.js';
import { generator } from '../step.js';

const pairs = custom(
  {
    title: 'Pairs of points',
    about: 'Numbers of the points that lines join, from 0; left out: each to the next.',
  },
  {
    type: 'array',
    items: { type: 'array', items: { type: 'integer', minimum: 0 }, minItems: 2, maxItems: 2 },
    maxItems: 2000,
  },
  (written) => written as [number, number][],
);

/** Lines between points. */
export const line = generator({
  kind: 'line',
  title: 'Lines',
  about:
    'Members between points: each to the next, or by pairs. A point is [x, z] or [x, y, z], a node’s name, or "member@fraction"; drawn to named places, the lines stay attached when parameters change.',
  roles: ['member'],
  places: ['point'],
  fields: {
    points: points({
      title: 'Points',
      initial: [
        ['0 m', '0 m'],
        ['0 m', '4 m'],
        ['6 m', '5 m'],
      ],
    }),
    pairs: optional(pairs),
    closed: flag({ title: 'Closed', about: 'A last line from the last point to the first.' }),
    parts: count({ title: 'Members a line', fallback: 1, most: 500 }),
    role: word({ title: 'Role', fallback: 'member' }),
  },
  draw(sketch, { points: given, pairs: listed, closed, parts, role }, { id, at, turn }) {
    const where = { step: id, field: listed ? 'pairs' : 'points' };
    const all: [number, number][] = listed ? [...listed] : given.slice(1).map((_, i) => [i, i + 1]);
    if (closed) all.push([given.length - 1, 0]);
    // What is named is where it is, whatever the origin of the step
    const places = given.map(({ at: p, named }) => (named ? turned(minus(p, at), -turn) : p));
    all.forEach(([from, to], k) => {
      for (const i of [from, to])
        if (i >= given.length)
          fail(
            'geometry',
            `Step "${id}": pair ${k + 1} names point ${i}, but the points are 0 to ${given.length - 1}.`,
            where,
          );
      const [a, b] = [places[from]!, places[to]!];
      if (distance(a, b) < 1e-4)
        fail(
          'geometry',
          `Step "${id}": the points ${from} and ${to} of line ${k + 1} are at the same place; move or remove one of them.`,
          where,
        );
      const nodes = [sketch.node('point', [from + 1], a), sketch.node('point', [to + 1], b)] as const;
      const through = [nodes[0]];
      for (let p = 1; p < parts; p++) {
        const s = p / parts;
        const place = [0, 1, 2].map((c) => a[c]! + s * (b[c]! - a[c]!)) as unknown as [
          number,
          number,
          number,
        ];
        through.push(sketch.node('division', [k + 1, p], place));
      }
      sketch.line(role, [k + 1], [...through, nodes[1]]);
    });
    given.forEach((p, i) => {
      if (!p.named && i > 0 && given.length <= 12 && !listed) {
        const [a, b] = [places[i - 1]!, places[i]!];
        if (Math.abs(b[0] - a[0]) > 1e-6 && !given[i - 1]!.named)
          sketch.dimension(
            `points/${i}/0`,
            [a[0], a[1], Math.min(a[2], b[2])],
            [b[0], a[1], Math.min(a[2], b[2])],
            [0, 0, -1],
            b[0],
          );
      }
    });
  },
  summary: ({ points: given }) => `${Array.isArray(given) ? given.length : 0} points`,
});
