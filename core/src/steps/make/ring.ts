import { roof } from '../../geometry/part.js';
import { fail } from '../../base/problem.js';
import { byArcLength } from '../../geometry/curves/curves.js';
import { closedSpline, crossesItself, doubleArea } from '../../geometry/curves/spline.js';
import type { Sketch, SketchNode } from '../../geometry/sketch.js';
import type { Point } from '../../geometry/vector.js';
import {
  count,
  custom,
  flag,
  length,
  lengths,
  oneOf,
  option,
  optional,
  planPoint,
  type Evaluated,
} from '../../fields/index.js';
import { quantityOf, type Written } from '../../language/evaluate.js';
import { generator } from '../step.js';

type Plan = readonly [number, number];

const through = custom<Plan[]>(
  {
    title: 'Through points',
    about: 'A smooth closed curve through [x, y] points.',
    initial: [
      ['6 m', '0 m'],
      ['0 m', '5 m'],
      ['-6 m', '0 m'],
      ['0 m', '-5 m'],
    ],
  },
  {
    type: 'array',
    minItems: 3,
    maxItems: 200,
    items: { type: 'array', minItems: 2, maxItems: 2, items: { type: ['string', 'number'] } },
  },
  (written, context, place) =>
    (written as Written[][]).map((p, i) => {
      const [x, y] = p.map((item) =>
        quantityOf(item, context, 'length', { ...place, what: `${place.what}, point ${i + 1}` }),
      );
      return [x!, y!];
    }),
  { kind: 'points', plane: 'xy', least: 3 },
);

const fields = {
  curve: oneOf(
    {
      circle: length({ title: 'Circle of radius', initial: '6 m', above0: true }),
      ellipse: lengths({ title: 'Ellipse of half axes', initial: ['8 m', '5 m'], above0: true }),
      through,
    },
    { title: 'Curve of the rim', initial: { circle: '6 m' } },
  ),
  count: count({ title: 'Points on the rim', initial: 12, least: 3 }),
  centre: planPoint({ title: 'Centre', fallback: ['0 m', '0 m'] }),
  rise: length({ title: 'Rise of the centre', fallback: '0 m' }),
  spokes: flag({ title: 'Spokes', fallback: false, initial: true }),
  rim: flag({ title: 'Rim', fallback: true }),
  ribs: optional(
    option(['straight', 'arched'], {
      title: 'Ribs',
      about: 'From the rim to the centre, in place of spokes.',
    }),
  ),
  hoops: count({
    title: 'Hoops',
    about: 'Rings between centre and rim, at equal shares of the ribs.',
    fallback: 0,
    least: 0,
    most: 100,
  }),
};
type Values = Evaluated<typeof fields>;

/** Straight members of an arched rib. */
const ribParts = 6;

/** A ring in plan with spokes or ribs to a centre. */
export const ring = generator({
  kind: 'ring',
  title: 'Ring',
  about:
    'Points at equal distances on a circle, an ellipse or a smooth closed curve; spokes or ribs to a centre that may stand higher, and hoops between. Circle and ellipse lie about the centre and start at angle 0; all run against the clock.',
  roles: ['spoke', 'rim', 'rib', 'hoop'],
  places: ['rim', 'centre', 'hoop', 'rib'],
  solidOnly: true,
  fields,
  draw(sketch, values, { id }) {
    const { centre, rise, ribs, spokes, hoops } = values;
    if (ribs && spokes)
      fail(
        'geometry',
        `Step "${id}": spokes and ribs both run from the rim to the centre; choose one of them.`,
        { step: id, field: 'ribs' },
      );
    if (hoops > 0 && !ribs && !spokes)
      fail('geometry', `Step "${id}": hoops need ribs or spokes to stand on.`, { step: id, field: 'hoops' });
    const rim = rimPoints(values, id).map(([x, y], k) => sketch.node('rim', [k + 1], [x, y, 0]));
    if (values.rim) joinRound(sketch, 'rim', [], rim);
    if (ribs || spokes) {
      const middle = sketch.node('centre', [], [centre[0], centre[1], rise]);
      const rings = rim.map((node, k) => drawRib(sketch, values, { node, k, middle }));
      for (let h = 0; h < hoops; h++)
        joinRound(
          sketch,
          'hoop',
          [h + 1],
          rings.map((nodes) => nodes[h]!),
        );
    }
    if (values.curve.kind === 'circle')
      sketch.dimension(
        'curve/circle',
        [centre[0], centre[1], 0],
        [centre[0] + values.curve.value, centre[1], 0],
        [0, -1, 0],
        values.curve.value,
      );
    if (rise !== 0)
      sketch.dimension('rise', [centre[0], centre[1], 0], [centre[0], centre[1], rise], [1, 0, 0], rise);
  },
  summary: ({ curve, count: n }) =>
    `${String(n)} points on ${Object.keys((curve as object | undefined) ?? { circle: 1 })[0] === 'through' ? 'a smooth curve' : `a ${Object.keys((curve as object | undefined) ?? { circle: 1 })[0]!}`}`,
});

function rimPoints({ curve, count: n, centre }: Values, id: string): Plan[] {
  const fractions = Array.from({ length: n }, (_, k) => k / n);
  const about = (x: number, y: number): Plan => [centre[0] + x, centre[1] + y];
  if (curve.kind === 'circle')
    return fractions.map((s) =>
      about(curve.value * Math.cos(2 * Math.PI * s), curve.value * Math.sin(2 * Math.PI * s)),
    );
  if (curve.kind === 'ellipse') {
    const [a, b = a] = curve.value;
    const ellipse = {
      at: (t: number): Plan => [a! * Math.cos(2 * Math.PI * t), b! * Math.sin(2 * Math.PI * t)],
      speed: (t: number) =>
        2 * Math.PI * Math.hypot(a! * Math.sin(2 * Math.PI * t), b! * Math.cos(2 * Math.PI * t)),
    };
    return byArcLength(ellipse, fractions).map((t) => about(...ellipse.at(t)));
  }
  return smoothRim(curve.value, fractions, id);
}

function smoothRim(given: readonly Plan[], fractions: readonly number[], id: string): Plan[] {
  const where = { step: id, field: 'curve/through' };
  given.forEach((p, i) => {
    const q = given[(i + 1) % given.length]!;
    if (Math.hypot(p[0] - q[0], p[1] - q[1]) < 1e-4)
      fail(
        'geometry',
        `Step "${id}": the points ${i + 1} and ${((i + 1) % given.length) + 1} of the ring are at the same place; move one of them.`,
        where,
      );
  });
  // Points given clockwise are turned round from the first
  const [first, ...rest] = given;
  const curve = closedSpline(doubleArea(given) < 0 ? [first!, ...rest.reverse()] : given);
  if (crossesItself(Array.from({ length: 40 * given.length }, (_, i) => curve.at(i / (40 * given.length)))))
    fail(
      'geometry',
      `Step "${id}": the ring crosses itself between its points; reorder or move them.`,
      where,
    );
  return byArcLength(curve, fractions).map((t) => curve.at(t));
}

/** Members from each node of a ring to the next, and from the last to the first. */
function joinRound(
  sketch: Sketch,
  role: string,
  index: readonly number[],
  nodes: readonly SketchNode[],
): void {
  nodes.forEach((node, k) =>
    sketch.line(role, [...index, k + 1], [node, nodes[(k + 1) % nodes.length]!], roof),
  );
}

/** A spoke or rib from the rim to the centre. Returns its hoop nodes from the centre outwards. */
function drawRib(
  sketch: Sketch,
  { ribs, hoops }: Values,
  { node, k, middle }: { node: SketchNode; k: number; middle: SketchNode },
): SketchNode[] {
  const hoopFractions = Array.from({ length: hoops }, (_, h) => (h + 1) / (hoops + 1));
  const hoopNode = (h: number, at: Point) => sketch.node('hoop', [h + 1, k + 1], at, { row: h + 1 });
  const place = ribPlace(middle.at, node.at, ribs === 'arched');
  const hoopNodes = hoopFractions.map((fraction, h) => hoopNode(h, place(fraction)));
  if (ribs !== 'arched') {
    sketch.line(ribs ? 'rib' : 'spoke', [k + 1], [middle, ...hoopNodes, node], roof);
    return hoopNodes;
  }
  const fractions = new Map<number, SketchNode>(
    hoopFractions.map((fraction, h) => [fraction, hoopNodes[h]!]),
  );
  for (let part = 1; part < ribParts; part++) {
    const fraction = part / ribParts;
    if ([...fractions.keys()].some((known) => Math.abs(known - fraction) < 1e-9)) continue;
    fractions.set(fraction, sketch.node('rib', [k + 1, part], place(fraction)));
  }
  const along = [middle, ...[...fractions].sort((a, b) => a[0] - b[0]).map(([, n]) => n), node];
  along.slice(1).forEach((end, p) => sketch.line('rib', [k + 1, p + 1], [along[p]!, end], roof));
  return hoopNodes;
}

/** Places along a rib by fractions of its length from the centre; an arched one is level at the centre. */
function ribPlace(centre: Point, rim: Point, arched: boolean): (fraction: number) => Point {
  const [dx, dy] = [rim[0] - centre[0], rim[1] - centre[1]];
  const R = Math.hypot(dx, dy);
  const h = centre[2] - rim[2];
  if (!arched || Math.abs(h) < 1e-9)
    return (s) => [centre[0] + s * dx, centre[1] + s * dy, centre[2] - s * h];
  // Radius of the circle over both rim points, and the angle from its crown to the rim
  const radius = (R * R + h * h) / (2 * h);
  const whole = 2 * Math.atan2(Math.abs(h), R);
  return (s) => {
    const angle = s * whole;
    const out = Math.abs(radius) * Math.sin(angle);
    return [
      centre[0] + (out / R) * dx,
      centre[1] + (out / R) * dy,
      centre[2] - radius * (1 - Math.cos(angle)),
    ];
  };
}
