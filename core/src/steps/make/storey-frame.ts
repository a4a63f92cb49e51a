import { writtenText } from '../../fields/typed.js';
import { fail } from '../../base/problem.js';
import { mostMembers } from '../../geometry/geometry.js';
import { positions, type Sketch, type SketchNode } from '../../geometry/sketch.js';
import { along, turned, type Point } from '../../geometry/vector.js';
import { angle, length, lengths, option, type Evaluated } from '../../fields/index.js';
import { generator } from '../step.js';

const fields = {
  baysX: lengths({ title: 'Bays along x', initial: ['6 m', '6 m'], above0: true }),
  baysY: lengths({ title: 'Bays along y', initial: ['5 m'], above0: true }),
  storeys: lengths({
    title: 'Storeys',
    about: 'Heights from the bottom.',
    initial: '3 * 3.5 m',
    above0: true,
  }),
  twist: angle({
    title: 'Twist a storey',
    about: 'About the plan’s centre, against the clock.',
    fallback: '0 deg',
  }),
  setback: length({
    title: 'Setback a storey',
    about: 'How far the outer lines move in, each side.',
    fallback: '0 m',
  }),
  beams: option(['both', 'x', 'y', 'edge'], { title: 'Beams', fallback: 'both' }),
};

/** Columns and beams in storeys over a grid, the first column at the origin. */
export const storeyFrame = generator({
  kind: 'storey-frame',
  title: 'Storey frame',
  about:
    'Columns over a grid in plan and beams at every storey; a floor can be turned and set back against the one below. Columns are one member where they are straight.',
  roles: ['column', 'beam-x', 'beam-y'],
  places: ['base', 'joint'],
  solidOnly: true,
  fields,
  draw(sketch, values, { id }) {
    const xs = positions(values.baysX);
    const ys = positions(values.baysY);
    const zs = positions(values.storeys);
    const members = zs.length * xs.length * ys.length * 2;
    if (members > 3 * mostMembers)
      fail(
        'too-many',
        `Step "${id}" would make about ${members} members; a frame holds ${mostMembers} at most. Use fewer bays or storeys.`,
        { step: id },
      );
    const place = placing(values, xs, ys, id);
    const nodes = drawNodes(sketch, xs, ys, zs, place);
    drawColumns(sketch, nodes, xs.length, ys.length, zs.length - 1);
    for (let s = 1; s < zs.length; s++) drawBeams(sketch, values, nodes, s);
    values.baysX.forEach((w, i) =>
      sketch.dimension(`baysX/${i}`, [xs[i]!, 0, 0], [xs[i + 1]!, 0, 0], [0, -1, 0], w),
    );
    values.baysY.forEach((w, i) =>
      sketch.dimension(`baysY/${i}`, [0, ys[i]!, 0], [0, ys[i + 1]!, 0], [-1, 0, 0], w),
    );
    values.storeys.forEach((h, i) =>
      sketch.dimension(`storeys/${i}`, [0, 0, zs[i]!], [0, 0, zs[i + 1]!], [-1, -1, 0], h),
    );
  },
  summary: ({ baysX, baysY, storeys }) => `${list(baysX)} × ${list(baysY)}, storeys ${list(storeys)}`,
});

const list = (value: unknown): string =>
  (Array.isArray(value) ? value.map(String).join(' + ') : writtenText(value, { kind: 'text' })).replaceAll(
    ' * ',
    ' × ',
  );

type Nodes = readonly (readonly (readonly SketchNode[])[])[];

/** Where a point of the grid lies on a storey: shrunk and turned about the plan's centre. */
function placing(
  { twist, setback }: Evaluated<typeof fields>,
  xs: readonly number[],
  ys: readonly number[],
  id: string,
): (x: number, y: number, z: number, storey: number) => Point {
  const [W, D] = [xs.at(-1)!, ys.at(-1)!];
  return (x, y, z, storey) => {
    const inward = storey * setback;
    if (2 * inward >= Math.min(W, D) - 1e-6)
      fail(
        'geometry',
        `Step "${id}": a setback of ${setback.toFixed(3)} m a storey leaves nothing of the plan at storey ${storey}; make it smaller.`,
        { step: id, field: 'setback' },
      );
    const p: Point = [
      W / 2 + (x - W / 2) * (1 - (2 * inward) / W),
      D / 2 + (y - D / 2) * (1 - (2 * inward) / D),
      z,
    ];
    return turned(p, storey * twist, [W / 2, D / 2]);
  };
}

const side = (i: number, j: number, lastI: number, lastJ: number): string =>
  i === 0 ? 'left' : i === lastI ? 'right' : j === 0 ? 'front' : j === lastJ ? 'back' : 'middle';

function drawNodes(
  sketch: Sketch,
  xs: readonly number[],
  ys: readonly number[],
  zs: readonly number[],
  place: (x: number, y: number, z: number, storey: number) => Point,
): Nodes {
  return xs.map((x, i) =>
    ys.map((y, j) =>
      zs.map((z, s) => {
        const tags = { bay: i + 1, row: j + 1, storey: s, side: side(i, j, xs.length - 1, ys.length - 1) };
        const at = place(x, y, z, s);
        return s === 0
          ? sketch.node('base', [i + 1, j + 1], at, tags, [x, y, z])
          : sketch.node('joint', [i + 1, j + 1, s], at, tags, [x, y, z]);
      }),
    ),
  );
}

function drawColumns(sketch: Sketch, nodes: Nodes, nx: number, ny: number, storeys: number): void {
  for (let i = 0; i < nx; i++)
    for (let j = 0; j < ny; j++) {
      const stack = nodes[i]![j]!;
      const tags = { bay: i + 1, row: j + 1, side: side(i, j, nx - 1, ny - 1) };
      const [foot, head] = [stack[0]!.at, stack.at(-1)!.at];
      const straight = stack.every(({ at }) => along(at, foot, head).off < 1e-6);
      if (straight) sketch.line('column', [i + 1, j + 1], stack, (piece) => ({ ...tags, storey: piece + 1 }));
      else
        for (let s = 1; s <= storeys; s++)
          sketch.line('column', [i + 1, j + 1, s], [stack[s - 1]!, stack[s]!], { ...tags, storey: s });
    }
}

function drawBeams(sketch: Sketch, { beams }: Evaluated<typeof fields>, nodes: Nodes, storey: number): void {
  const [lastI, lastJ] = [nodes.length - 1, nodes[0]!.length - 1];
  for (let j = 0; j <= lastJ; j++)
    for (let i = 0; i < lastI; i++) {
      const edge = j === 0 || j === lastJ;
      if (beams === 'y' || (beams === 'edge' && !edge)) continue;
      sketch.line('beam-x', [i + 1, j + 1, storey], [nodes[i]![j]![storey]!, nodes[i + 1]![j]![storey]!], {
        bay: i + 1,
        row: j + 1,
        storey,
        side: j === 0 ? 'front' : j === lastJ ? 'back' : 'middle',
      });
    }
  for (let i = 0; i <= lastI; i++)
    for (let j = 0; j < lastJ; j++) {
      const edge = i === 0 || i === lastI;
      if (beams === 'x' || (beams === 'edge' && !edge)) continue;
      sketch.line('beam-y', [i + 1, j + 1, storey], [nodes[i]![j]![storey]!, nodes[i]![j + 1]![storey]!], {
        bay: i + 1,
        row: j + 1,
        storey,
        side: i === 0 ? 'left' : i === lastI ? 'right' : 'middle',
      });
    }
}
