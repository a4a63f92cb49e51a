import { roof as partOfRoof } from '../../geometry/part.js';
import { fail } from '../../base/problem.js';
import { arcOf, byArcLength, circleThrough } from '../../geometry/curves/curves.js';
import { positions, sideOf, type Sketch, type SketchNode } from '../../geometry/sketch.js';
import {
  angle,
  count,
  flag,
  length,
  lengths,
  onlyWhen,
  option,
  optional,
  record,
  type Evaluated,
} from '../../fields/index.js';
import { generator } from '../step.js';
import { words } from '../words.js';

const fields = {
  bays: lengths({ title: 'Bays', about: 'Widths from left to right.', initial: ['12 m'], above0: true }),
  eaves: lengths({
    title: 'Eaves',
    about: 'One height for all, or one a column line.',
    initial: '5 m',
    above0: true,
  }),
  roof: option(['flat', 'mono', 'duo', 'curved'], {
    title: 'Roof',
    drawn: true,
    initial: 'duo',
    fallback: 'duo',
  }),
  pitch: onlyWhen(
    'roof',
    ['mono', 'duo'],
    optional(
      angle({
        title: 'Pitch',
        initial: '10 deg',
        least: 0,
        below: (80 * Math.PI) / 180,
        limits: 'from 0° to below 80°',
      }),
    ),
  ),
  rise: onlyWhen(
    'roof',
    ['mono', 'duo', 'curved'],
    optional(length({ title: 'Rise', about: 'In place of the pitch; of a mono-pitch the whole.' })),
  ),
  members: onlyWhen('roof', ['curved'], count({ title: 'Pieces of the curve', fallback: 8, least: 2 })),
  ridge: onlyWhen(
    'roof',
    ['duo', 'curved'],
    option(['each', 'one'], {
      title: 'Ridges',
      about: 'One over each bay, or one over all.',
      fallback: 'each',
    }),
  ),
  innerColumns: flag({ title: 'Inner columns', fallback: true }),
  bracket: optional(
    record(
      {
        height: length({ title: 'Height', initial: '3.5 m', above0: true }),
        reach: length({ title: 'Reach', initial: '0.6 m', above0: true }),
        side: option(['left', 'right'], { title: 'Side', fallback: 'left' }),
      },
      { title: 'Bracket', about: 'On the outer column of its side, pointing inwards.' },
    ),
  ),
};
type Values = Evaluated<typeof fields>;

/** A stretch of roof: from its left to its right end, with what stands between. */
interface RoofLine {
  readonly bay: number;
  readonly points: readonly { readonly x: number; readonly z: number; readonly place: 'roof' | 'apex' }[];
}

/** Portals side by side in one plane, from the first base at the origin to the right. */
export const portal = generator({
  kind: 'portal',
  title: 'Portal',
  about:
    'Columns and a roof in one or more bays: flat, mono-pitch, duo-pitch or curved, with a ridge over each bay or one over all.',
  roles: ['column', 'rafter', 'beam', 'bracket'],
  places: ['base', 'eaves', 'apex', 'valley', 'roof', 'bracket'],
  fields,
  draw(sketch, values, { id }) {
    const xs = positions(values.bays);
    const heads = headHeights(values, xs, id);
    const one = values.ridge === 'one' && (values.roof === 'duo' || values.roof === 'curved');
    if (!values.innerColumns && !one && values.bays.length > 1)
      complain(
        id,
        'innerColumns',
        'without inner columns the roof must span all bays; set "ridge" to "one".',
      );
    const roofs = one
      ? [roofLine(values, 1, [xs[0]!, heads[0]!], [xs.at(-1)!, heads.at(-1)!], id)]
      : values.bays.map((_, i) =>
          roofLine(values, i + 1, [xs[i]!, heads[i]!], [xs[i + 1]!, heads[i + 1]!], id),
        );
    const last = xs.length - 1;
    const columns = xs.flatMap((x, i) => {
      const outer = i === 0 || i === last;
      if (!outer && one && !values.innerColumns) return [];
      const z = outer || !one ? heads[i]! : heightOfRoof(roofs[0]!, x, xs, heads);
      const apex =
        !outer && one && roofs[0]!.points.some((p) => p.place === 'apex' && Math.abs(p.x - x) < 1e-4);
      const place = outer ? 'eaves' : apex ? 'apex' : one ? 'roof' : 'valley';
      return [{ i, head: drawColumn(sketch, values, { i, last, x, z, place }) }];
    });
    const headAt = new Map(columns.map(({ i, head }) => [i, head]));
    for (const roof of roofs) {
      const inner = one ? columns.filter(({ i }) => i > 0 && i < last).map(({ head }) => head) : [];
      const ends = one
        ? [headAt.get(0)!, headAt.get(last)!]
        : [headAt.get(roof.bay - 1)!, headAt.get(roof.bay)!];
      drawRoof(sketch, values, roof, { ends: ends as [SketchNode, SketchNode], inner, xs });
    }
    dimensions(sketch, values, xs, heads, roofs[0]!);
  },
  summary: ({ bays, eaves, roof, pitch, rise }) =>
    `${words(bays)} × ${words(eaves)}, ${roof === 'flat' ? 'flat' : `${roof === 'curved' ? 'curved' : `${words(roof, 'duo')}-pitch`} ${words(pitch ?? rise)}`}`,
});

function complain(step: string, field: string, message: string): never {
  return fail('geometry', `Step "${step}": ${message}`, { step, field });
}

/** Height of the roof at each column line, m. */
function headHeights(values: Values, xs: readonly number[], id: string): number[] {
  const { eaves, roof, pitch, rise, ridge } = values;
  if (eaves.length > 1) {
    if (eaves.length === 2 && ridge === 'one') return xs.map((_, i) => (i === 0 ? eaves[0]! : eaves[1]!));
    if (eaves.length !== xs.length)
      complain(
        id,
        'eaves',
        `there are ${eaves.length} eaves heights for ${xs.length} column lines; give one, or one a line.`,
      );
    return [...eaves];
  }
  const z = eaves[0]!;
  if (roof !== 'mono') return xs.map(() => z);
  const W = xs.at(-1)!;
  const whole = rise ?? (pitch === undefined ? undefined : Math.tan(pitch) * W);
  if (whole === undefined)
    return complain(
      id,
      'pitch',
      'a mono-pitch roof needs a pitch, a rise or an eaves height for each column line.',
    );
  if (whole < 0) complain(id, 'rise', 'the rise of the roof is below zero; mirror the portal instead.');
  return xs.map((x) => z + (whole * x) / W);
}

function roofLine(
  values: Values,
  bay: number,
  [x0, z0]: readonly [x: number, z: number],
  [x1, z1]: readonly [x: number, z: number],
  id: string,
): RoofLine {
  const { roof, pitch, rise, members } = values;
  if (roof === 'flat' || roof === 'mono') return { bay, points: [] };
  const W = x1 - x0;
  if (roof === 'duo') {
    const up = rise ?? (pitch === undefined ? undefined : (Math.tan(pitch) * W) / 2);
    if (up === undefined) return complain(id, 'pitch', 'a duo-pitch roof needs a pitch or a rise.');
    if (up < 0) complain(id, 'rise', 'the rise of the roof is below zero; give one of zero or more.');
    return { bay, points: [{ x: x0 + W / 2, z: (z0 + z1) / 2 + up, place: 'apex' }] };
  }
  if (rise === undefined) return complain(id, 'rise', 'a curved roof needs a rise.');
  if (rise <= 1e-6) complain(id, 'rise', 'the rise of a curved roof must be greater than zero.');
  const arc = arcOf(circleThrough(W, z1 - z0, rise));
  const fractions = Array.from({ length: members - 1 }, (_, k) => (k + 1) / members);
  return {
    bay,
    points: byArcLength(arc, fractions).map((t, k) => {
      const [x, z] = arc.at(t);
      return { x: x0 + x, z: z0 + z, place: 2 * (k + 1) === members ? 'apex' : 'roof' };
    }),
  };
}

/** Height of a roof that spans all bays at x, along its straight members. */
function heightOfRoof(roof: RoofLine, x: number, xs: readonly number[], heads: readonly number[]): number {
  const line = [{ x: xs[0]!, z: heads[0]! }, ...roof.points, { x: xs.at(-1)!, z: heads.at(-1)! }];
  const k = line.findIndex((p) => p.x >= x - 1e-9);
  const [a, b] = [line[Math.max(0, k - 1)]!, line[k]!];
  return b.x === a.x ? b.z : a.z + ((b.z - a.z) * (x - a.x)) / (b.x - a.x);
}

function drawColumn(
  sketch: Sketch,
  { bracket }: Values,
  { i, last, x, z, place }: { i: number; last: number; x: number; z: number; place: string },
): SketchNode {
  const tags = { bay: Math.max(1, i), side: sideOf(i, last) };
  const base = sketch.node('base', [i + 1], [x, 0, 0], tags);
  const index = place === 'apex' ? [1] : [i + 1];
  const head = sketch.node(place, index, [x, 0, z], tags);
  const column = sketch.line('column', [i + 1], [base, head], tags)!;
  if (bracket && i === (bracket.side === 'left' ? 0 : last)) {
    if (bracket.height >= z - 1e-4)
      complain(
        sketch.step,
        'bracket/height',
        `the bracket at ${bracket.height.toFixed(2)} m stands above its column of ${z.toFixed(2)} m; lower it.`,
      );
    const root = sketch.node('column', [i + 1], [x, 0, bracket.height], tags);
    const out = bracket.side === 'left' ? bracket.reach : -bracket.reach;
    const tip = sketch.node('bracket', [bracket.side], [x + out, 0, bracket.height], tags);
    column.through(root);
    sketch.line('bracket', [bracket.side], [root, tip], tags);
  }
  return head;
}

/** What a roof line rests on: the heads at its ends and of inner columns; and where all columns stand, m. */
interface RoofHold {
  readonly ends: readonly [SketchNode, SketchNode];
  readonly inner: readonly SketchNode[];
  readonly xs: readonly number[];
}

/** The rafters of one roof line between its ends, divided where inner columns meet it. */
function drawRoof(sketch: Sketch, values: Values, roof: RoofLine, { ends, inner, xs }: RoofHold): void {
  const role = values.roof === 'flat' ? 'beam' : 'rafter';
  const bayAt = (x: number) => {
    if (xs.length === 2 || inner.length === 0) return roof.bay;
    const k = xs.findIndex((end) => end > x);
    return k < 0 ? xs.length - 1 : Math.max(1, k);
  };
  const drawn = roof.points.map((p, k) => {
    const tags = {
      bay: bayAt(p.x),
      side: p.place === 'apex' ? 'middle' : 2 * (k + 1) < roof.points.length + 1 ? 'left' : 'right',
    };
    return sketch.node(
      p.place,
      p.place === 'apex' ? [roof.bay] : [roof.bay, 'part', k + 1],
      [p.x, 0, p.z],
      tags,
    );
  });
  const nodes = [...new Set([ends[0], ...drawn, ...inner, ends[1]])].sort((a, b) => a.at[0] - b.at[0]);
  const middle = (ends[0].at[0] + ends[1].at[0]) / 2;
  const sided = roof.points.length > 0;
  const [simple, duo] = [nodes.length === 2, nodes.length === 3 && values.roof === 'duo'];
  nodes.slice(1).forEach((node, k) => {
    const before = nodes[k]!;
    const centre = (before.at[0] + node.at[0]) / 2;
    const side = !sided || Math.abs(centre - middle) < 1e-6 ? 'middle' : centre < middle ? 'left' : 'right';
    const index = simple ? [roof.bay] : duo ? [roof.bay, side] : [roof.bay, k + 1];
    sketch.line(role, index, [before, node], { ...partOfRoof, bay: bayAt(centre), side });
  });
}

function dimensions(
  sketch: Sketch,
  values: Values,
  xs: readonly number[],
  heads: readonly number[],
  roof: RoofLine,
): void {
  values.bays.forEach((width, i) =>
    sketch.dimension(`bays/${i}`, [xs[i]!, 0, 0], [xs[i + 1]!, 0, 0], [0, 0, -1], width),
  );
  if (values.eaves.length === 1)
    sketch.dimension('eaves', [0, 0, 0], [0, 0, heads[0]!], [-1, 0, 0], heads[0]!);
  else heads.forEach((z, i) => sketch.dimension(`eaves/${i}`, [xs[i]!, 0, 0], [xs[i]!, 0, z], [-1, 0, 0], z));
  const apex = roof.points.find((p) => p.place === 'apex');
  if (values.rise !== undefined && apex)
    sketch.dimension('rise', [apex.x, 0, heads[0]!], [apex.x, 0, apex.z], [1, 0, 0], values.rise);
  else if (values.pitch !== undefined && values.rise === undefined && values.roof !== 'flat')
    sketch.angle('pitch', [xs[0]!, 0, heads[0]!], [apex?.x ?? xs[1]!, 0, heads[0]!], [0, 0, 1], values.pitch);
}
