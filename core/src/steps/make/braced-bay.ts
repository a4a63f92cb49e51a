import {
  bracesOf,
  bracingPatterns,
  complaintOf,
  type BraceEnd,
  type BracingPattern,
  type Panel,
} from '../../geometry/bracing.js';
import { positions, sideOf, type Sketch, type SketchLine, type SketchNode } from '../../geometry/sketch.js';
import { between, type Point } from '../../geometry/vector.js';
import { bracingFields } from '../bracing-fields.js';
import { condition, lengths, option, optional, type Evaluated } from '../../fields/index.js';
import { generator } from '../step.js';
import { words } from '../words.js';

const fields = {
  bays: lengths({ title: 'Bays', about: 'Widths from left to right.', initial: ['6 m'], above0: true }),
  storeys: lengths({
    title: 'Storeys',
    about: 'Heights from the bottom.',
    initial: ['4 m', '3.5 m'],
    above0: true,
  }),
  bracing: option(['none', ...bracingPatterns], {
    title: 'Bracing',
    drawn: true,
    initial: 'x',
    fallback: 'none',
  }),
  ...bracingFields('bracing'),
  panels: optional(
    condition('members', {
      title: 'Panels',
      about: 'Which panels are braced, by bay and storey; left out: all.',
    }),
  ),
};

/** Everything of the frame that braces meet. */
interface Grid {
  readonly columns: readonly (readonly SketchLine[])[];
  readonly beams: readonly (readonly SketchLine[])[];
  readonly nodes: readonly (readonly SketchNode[])[];
}

/** A frame of bays and storeys in one plane with bracing, from the first base at the origin. */
export const bracedBay = generator({
  kind: 'braced-bay',
  title: 'Braced bay',
  about:
    'Columns and beams in bays and storeys of one plane, with diagonals, crosses, chevrons, knees or other bracing in the panels that a condition names.',
  roles: ['column', 'beam', 'brace'],
  places: ['base', 'joint', 'brace'],
  fields,
  draw(sketch, values, { id }) {
    const xs = positions(values.bays);
    const zs = positions(values.storeys);
    const grid = drawGrid(sketch, xs, zs);
    if (values.bracing !== 'none')
      for (let storey = 1; storey < zs.length; storey++)
        for (let bay = 1; bay < xs.length; bay++)
          if (
            !values.panels ||
            values.panels({ bay, storey, role: 'panel', step: id, side: sideOf(bay - 1, xs.length - 2) })
          )
            bracePanel(sketch, values, grid, { bay, storey });
    values.bays.forEach((width, i) =>
      sketch.dimension(`bays/${i}`, [xs[i]!, 0, 0], [xs[i + 1]!, 0, 0], [0, 0, -1], width),
    );
    values.storeys.forEach((height, i) =>
      sketch.dimension(`storeys/${i}`, [0, 0, zs[i]!], [0, 0, zs[i + 1]!], [-1, 0, 0], height),
    );
  },
  summary: ({ bays, storeys, bracing }) =>
    `${words(bays)} by ${words(storeys)}, ${bracing === 'none' || !bracing ? 'rigid' : `${words(bracing)} bracing`}`,
});

function drawGrid(sketch: Sketch, xs: readonly number[], zs: readonly number[]): Grid {
  const last = xs.length - 1;
  const nodes = xs.map((x, i) =>
    zs.map((z, s) => {
      const tags = { bay: Math.max(1, i), side: sideOf(i, last), storey: s };
      return s === 0
        ? sketch.node('base', [i + 1], [x, 0, z], tags)
        : sketch.node('joint', [i + 1, s], [x, 0, z], tags);
    }),
  );
  const columns = nodes.map((line, i) =>
    line.slice(1).map((node, s) =>
      sketch.line('column', [i + 1, s + 1], [line[s]!, node], {
        bay: Math.max(1, i),
        side: sideOf(i, last),
        storey: s + 1,
      })!,
    ),
  );
  const beams = xs.slice(1).map((_, b) =>
    zs.slice(1).map((_z, s) =>
      sketch.line('beam', [b + 1, s + 1], [nodes[b]![s + 1]!, nodes[b + 1]![s + 1]!], {
        bay: b + 1,
        storey: s + 1,
        side: sideOf(b, last - 1),
      })!,
    ),
  );
  return { columns, beams, nodes };
}

function bracePanel(
  sketch: Sketch,
  values: Evaluated<typeof fields>,
  { columns, beams, nodes }: Grid,
  { bay, storey }: { bay: number; storey: number },
): void {
  const panel: Panel = {
    bay,
    storey,
    corners: {
      ll: nodes[bay - 1]![storey - 1]!.at,
      lr: nodes[bay]![storey - 1]!.at,
      ul: nodes[bay - 1]![storey]!.at,
      ur: nodes[bay]![storey]!.at,
    },
  };
  const sides = {
    above: beams[bay - 1]![storey - 1],
    below: storey > 1 ? beams[bay - 1]![storey - 2] : undefined,
    left: columns[bay - 1]![storey - 1],
    right: columns[bay]![storey - 1],
  };
  const options = {
    pattern: values.bracing as BracingPattern,
    lean: values.lean,
    ...(values.link === undefined ? {} : { link: values.link }),
    ...(values.knee ? { knee: values.knee } : {}),
  };
  const tags = { bay, storey };
  const nodeOf = ({ at, on }: BraceEnd, k: number): SketchNode => {
    const ground = on === 'below' && storey === 1;
    const level = on === 'below' ? storey - 1 : storey;
    const node =
      sketch.nodeAt(at) ??
      (ground
        ? sketch.node('base', ['brace', bay], at, { bay, side: 'middle', storey: 0 })
        : sketch.node('brace', [bay, level, on!, k], at, { bay, storey: level }));
    if (on && !ground) sides[on]?.through(node);
    return node;
  };
  const braces = bracesOf(panel, options, complaintOf(sketch.step, 'bracing'));
  const crossing = values.crossing === 'joined' && options.pattern === 'x' ? crossingOf(panel) : undefined;
  braces.forEach(([from, to], k) => {
    const ends = [nodeOf(from, k + 1), nodeOf(to, k + 1)] as const;
    const brace = sketch.line('brace', [bay, storey, k + 1], ends, {
      ...tags,
      side: braces.length > 1 ? (k === 0 ? 'left' : 'right') : 'middle',
    });
    if (crossing && brace) brace.through(sketch.node('brace', [bay, storey, 'crossing'], crossing, tags));
  });
}

function crossingOf({ corners }: Panel): Point {
  return between(corners.ll, corners.ur, 0.5);
}
