import { fail } from '../../base/problem.js';
import { listItems, quantityOf, type WrittenList } from '../../language/evaluate.js';
import {
  bracesOf,
  complaintOf,
  type BraceEnd,
  type BracingPattern,
  type PanelSide,
} from '../../geometry/bracing.js';
import type { Sketch, SketchLine, SketchNode } from '../../geometry/sketch.js';
import type { Point } from '../../geometry/vector.js';
import { custom, length, lengths, option, optional, record, type Evaluated } from '../../fields/index.js';
import { generator } from '../step.js';

const faces = ['open', 'diagonal', 'cross', 'k'] as const;
type Face = (typeof faces)[number];

const crossMembers = custom<ReadonlyMap<number, readonly number[]>>(
  {
    title: 'Cross members',
    about:
      'Their positions along the length, by the number of the level from the bottom; beside those at the legs.',
  },
  {
    type: 'object',
    propertyNames: { pattern: '^[1-9][0-9]*$' },
    additionalProperties: { anyOf: [{ type: 'string' }, { type: 'array' }] },
    maxProperties: 100,
  },
  (written, context, place) =>
    new Map(
      Object.entries(written as Record<string, WrittenList>).map(([level, list]) => [
        Number(level),
        listItems(list, context, place).map((item) =>
          quantityOf(item, context, 'length', { ...place, what: `${place.what}, level ${level}` }),
        ),
      ]),
    ),
);

const fields = {
  length: length({ title: 'Length', initial: '2.8 m', above0: true }),
  width: length({ title: 'Width', initial: '1.1 m', above0: true }),
  levels: lengths({
    title: 'Levels',
    about: 'Heights above the floor, bottom to top; 0 m is a ring of rails on the floor.',
    initial: ['0.2 m', '0.75 m'],
    least: 0,
    limits: 'at least 0, on the floor',
  }),
  legs: optional(lengths({ title: 'Legs', about: 'Positions along the length; left out: at both ends.' })),
  crossMembers: optional(crossMembers),
  inset: length({
    title: 'Inset',
    about: 'Of the legs from the corners, along and across.',
    fallback: '0 m',
    least: 0,
  }),
  bracing: optional(
    record(
      {
        long: option(faces, { title: 'Long faces', drawn: true, fallback: 'open' }),
        short: option(faces, { title: 'Short faces', drawn: true, fallback: 'open' }),
        top: option(faces, { title: 'Top', drawn: true, fallback: 'open' }),
      },
      { title: 'Bracing' },
    ),
  ),
};
type Values = Evaluated<typeof fields>;

/** A welded frame on legs: x along, y across, from the floor up. */
export const machineFrame = generator({
  kind: 'machine-frame',
  title: 'Machine frame',
  about:
    'Legs, rails along and cross members across in levels, with open, diagonal, crossed or K-braced faces. The first corner stands at the origin, x runs along the length.',
  roles: ['leg', 'rail', 'cross', 'brace'],
  places: ['foot', 'corner', 'joint'],
  solidOnly: true,
  fields,
  draw(sketch, values, { id }) {
    const layout = layOut(values, id);
    const drawn = drawFrame(sketch, layout);
    const { long, short, top } = values.bracing ?? { long: 'open', short: 'open', top: 'open' };
    if (long !== 'open') braceLong(sketch, layout, drawn, long);
    if (short !== 'open') braceShort(sketch, layout, drawn, short);
    if (top !== 'open') braceTop(sketch, layout, drawn, top);
    sketch.dimension('length', [0, 0, 0], [values.length, 0, 0], [0, -1, 0], values.length);
    sketch.dimension(
      'width',
      [values.length, 0, 0],
      [values.length, values.width, 0],
      [1, 0, 0],
      values.width,
    );
    values.levels.forEach((z, i) => {
      if (!isOnFloor(z)) sketch.dimension(`levels/${i}`, [0, 0, 0], [0, 0, z], [-1, -1, 0], z);
    });
  },
  summary: ({ length: l, width, levels }) =>
    `${String(l)} × ${String(width)}, levels ${Array.isArray(levels) ? levels.join(', ') : String(levels)}`,
});

/** Where everything stands, m. */
interface Layout {
  readonly levels: readonly number[];
  /** Legs along the length; rails from the first to the last of `ends`. */
  readonly legs: readonly number[];
  readonly legRows: readonly [number, number];
  readonly ends: readonly [number, number];
  readonly width: number;
  /** Cross members along the length, by level. */
  readonly crosses: readonly (readonly number[])[];
}

function layOut(values: Values, id: string): Layout {
  const { length: L, width, levels, inset } = values;
  const complain = (field: string, message: string): never =>
    fail('geometry', `Step "${id}": ${message}`, { step: id, field });
  levels.forEach((z, i) => {
    if (i > 0 && z <= levels[i - 1]! + 1e-4)
      complain(
        'levels',
        `level ${i + 1} at ${z.toFixed(3)} m is not above level ${i}; give heights above the floor, bottom to top.`,
      );
  });
  const given = [...(values.legs ?? [0, L])].sort((a, b) => a - b);
  for (const x of given)
    if (x < -1e-9 || x > L + 1e-9)
      complain('legs', `a leg at ${x.toFixed(3)} m stands outside the length of ${L.toFixed(3)} m.`);
  if (given.length < 2) complain('legs', 'a frame needs legs at two positions at least.');
  if (2 * inset >= Math.min(L, width) - 1e-4)
    complain('inset', `an inset of ${inset.toFixed(3)} m leaves no room between the legs; make it smaller.`);
  const legs = [...new Set(given.map((x) => Math.min(Math.max(x, inset), L - inset)))];
  for (const level of values.crossMembers?.keys() ?? [])
    if (level > levels.length)
      complain('crossMembers', `there is no level ${level}; the levels are 1 to ${levels.length}.`);
  const ends: [number, number] = [given[0]!, given.at(-1)!];
  const crosses = levels.map((_, i) => {
    const own = values.crossMembers?.get(i + 1) ?? [];
    for (const x of own)
      if (x < ends[0] - 1e-9 || x > ends[1] + 1e-9)
        complain(
          'crossMembers',
          `a cross member at ${x.toFixed(3)} m lies beyond the rails of level ${i + 1}.`,
        );
    return [...legs, ...own].sort((a, b) => a - b).filter((x, k, all) => k === 0 || x - all[k - 1]! > 1e-4);
  });
  return { levels, legs, legRows: [inset, width - inset], ends, width, crosses };
}

interface Drawn {
  /** By leg, row. */
  readonly legs: readonly (readonly SketchLine[])[];
  /** By level, in the order of `crosses`. */
  readonly crosses: readonly (readonly SketchLine[])[];
}

/** A level of rails that lie on the floor, at the feet of the legs. */
const isOnFloor = (z: number): boolean => z < 1e-4;

function drawFrame(sketch: Sketch, layout: Layout): Drawn {
  const { levels, legs, legRows, ends, width, crosses } = layout;
  const rowName = ['front', 'back'] as const;
  const sideAlong = (i: number, last: number) => (i === 0 ? 'left' : i === last ? 'right' : 'middle');
  const rails = levels.map((z, l) =>
    [0, width].map((y, r) => {
      const tags = { storey: l + 1, row: r + 1, side: rowName[r]! };
      const nodes = ends.map((x, e) => sketch.node('corner', [e + 1, r + 1, l + 1], [x, y, z], tags));
      return sketch.line('rail', [r + 1, l + 1], nodes, tags)!;
    }),
  );
  const crossLines = levels.map((z, l) =>
    crosses[l]!.map((x, k) => {
      const nodes = [0, width].map((y, r) => {
        const node = sketch.node('joint', ['rail', k + 1, r + 1, l + 1], [x, y, z], {
          storey: l + 1,
          bay: k + 1,
          row: r + 1,
        });
        rails[l]![r]!.through(node);
        return node;
      });
      return sketch.line('cross', [k + 1, l + 1], nodes, {
        storey: l + 1,
        bay: k + 1,
        side: sideAlong(k, crosses[l]!.length - 1),
      })!;
    }),
  );
  const legLines = legs.map((x, i) =>
    legRows.map((y, r) => {
      const tags = { bay: i + 1, row: r + 1, side: sideAlong(i, legs.length - 1) };
      const foot = sketch.node('foot', [i + 1, r + 1], [x, y, 0], { ...tags, storey: 0 });
      const nodes = levels.map((z, l) => {
        const node = isOnFloor(z)
          ? foot
          : sketch.node('joint', ['leg', i + 1, r + 1, l + 1], [x, y, z], { ...tags, storey: l + 1 });
        crossLines[l]!.find((line) => Math.abs(line.nodes[0]!.at[0] - x) < 1e-4)?.through(node);
        return node;
      });
      const above = nodes.filter((node) => node !== foot);
      return sketch.line('leg', [i + 1, r + 1], [foot, ...above], (piece) => ({
        ...tags,
        // As the level that it reaches
        storey: piece + 1 + levels.length - above.length,
      }))!;
    }),
  );
  return { legs: legLines, crosses: crossLines };
}

/** A panel by its corners: lower and upper, left and right; and the line that is its left side. */
interface BracedPanel {
  readonly corners: { readonly ll: Point; readonly lr: Point; readonly ul: Point; readonly ur: Point };
  readonly left: SketchLine | undefined;
}

/** Braces one panel. */
function brace(
  sketch: Sketch,
  face: Face,
  { corners, left }: BracedPanel,
  index: readonly (string | number)[],
  tags: Record<string, string | number>,
): void {
  const patterns: Record<Exclude<Face, 'open'>, BracingPattern> = {
    diagonal: 'diagonal',
    cross: 'x',
    k: 'k',
  };
  const pattern = patterns[face as Exclude<Face, 'open'>];
  const ends = bracesOf(
    { corners, bay: 1, storey: 1 },
    { pattern, lean: 'right' },
    complaintOf(sketch.step, 'bracing'),
  );
  const sides: Partial<Record<PanelSide, SketchLine>> = left ? { left } : {};
  const nodeOf = ({ at, on }: BraceEnd): SketchNode => {
    const node = sketch.nodeAt(at) ?? sketch.node('joint', ['brace', ...index], at, tags);
    if (on) sides[on]?.through(node);
    return node;
  };
  ends.forEach(([a, b], k) => {
    const nodes = [nodeOf(a), nodeOf(b)];
    sketch.line('brace', [...index, k + 1], nodes, tags);
  });
}

function braceLong(
  sketch: Sketch,
  { levels, legs, legRows }: Layout,
  { legs: lines }: Drawn,
  face: Face,
): void {
  legRows.forEach((y, r) => {
    for (let i = 0; i + 1 < legs.length; i++)
      levels.forEach((z1, l) => {
        const z0 = l === 0 ? 0 : levels[l - 1]!;
        if (isOnFloor(z1)) return;
        const [x0, x1] = [legs[i]!, legs[i + 1]!];
        const corners = { ll: [x0, y, z0], lr: [x1, y, z0], ul: [x0, y, z1], ur: [x1, y, z1] } as const;
        const side = r === 0 ? 'front' : 'back';
        brace(sketch, face, { corners, left: lines[i]![r] }, [side, i + 1, l + 1], {
          face: 'long',
          side,
          bay: i + 1,
          row: r + 1,
          storey: l + 1,
        });
      });
  });
}

function braceShort(
  sketch: Sketch,
  { levels, legs, legRows }: Layout,
  { legs: lines }: Drawn,
  face: Face,
): void {
  for (const i of [0, legs.length - 1])
    levels.forEach((z1, l) => {
      const z0 = l === 0 ? 0 : levels[l - 1]!;
      if (isOnFloor(z1)) return;
      const x = legs[i]!;
      const [y0, y1] = legRows;
      const corners = { ll: [x, y0, z0], lr: [x, y1, z0], ul: [x, y0, z1], ur: [x, y1, z1] } as const;
      const side = i === 0 ? 'left' : 'right';
      brace(sketch, face, { corners, left: lines[i]![0] }, [side, 1, l + 1], {
        face: 'short',
        side,
        bay: i + 1,
        storey: l + 1,
      });
    });
}

function braceTop(
  sketch: Sketch,
  { levels, crosses, width }: Layout,
  { crosses: lines }: Drawn,
  face: Face,
): void {
  const level = levels.length - 1;
  const z = levels[level]!;
  const xs = crosses[level]!;
  for (let k = 0; k + 1 < xs.length; k++) {
    const [x0, x1] = [xs[k]!, xs[k + 1]!];
    const corners = { ll: [x0, 0, z], lr: [x1, 0, z], ul: [x0, width, z], ur: [x1, width, z] } as const;
    brace(sketch, face, { corners, left: lines[level]![k] }, ['top', k + 1, level + 1], {
      face: 'top',
      bay: k + 1,
      storey: level + 1,
    });
  }
}
