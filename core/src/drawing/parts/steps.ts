import { attempt, fail } from '../../base/problem.js';
import { applyingFields } from '../../fields/applying.js';
import type { Geometry, GeometryMember } from '../../geometry/geometry.js';
import { add, cross, distance, minus, times, unit, type Point } from '../../geometry/vector.js';
import { runSteps, type StepResult } from '../../build/run-steps.js';
import { initialStep } from '../../steps/initial.js';
import type { StepKind } from '../../steps/index.js';
import type { Step } from '../../document/types.js';
import { Draughtsman, type Drawing } from '../drawing.js';
import type { DrawnScene } from '../draw.js';
import { toSvg } from '../view/svg.js';
import { fitView, standardViews } from '../view/view.js';
import { drawTied } from './tied.js';
import { metric } from '../../units/units.js';

interface Bare {
  readonly drawing: Drawing;
  readonly points: Float32Array;
}

/** How a bare geometry is drawn beside its members in ink. */
interface BareOptions {
  readonly isFaint?: (member: string) => boolean;
  /** Nodes that are marked. */
  readonly marked?: readonly string[];
  /** What was there before, drawn under it. */
  readonly under?: Geometry;
  /** Factor on the width of lines: small pictures have thin ones. */
  readonly weight?: number;
}

/** A bare geometry, such as what steps make: members in ink or faint, tapers, set-out, cuts and floors as signs. */
function drawGeometry(
  geometry: Geometry,
  { isFaint = () => false, marked = [], under, weight = 1 }: BareOptions = {},
): Bare {
  const pen = new Draughtsman();
  for (const { start, end } of under?.members.values() ?? [])
    pen.on('members').line(under!.nodes.get(start)!.at, under!.nodes.get(end)!.at, {
      colour: 'inkFaint',
      width: 1,
    });
  for (const floor of geometry.floors) drawTied(pen, floor.nodes, (id) => geometry.nodes.get(id)?.at, 'ink');
  for (const member of geometry.members.values())
    drawMember(pen, geometry, member, isFaint(member.id), weight);
  for (const id of marked)
    pen.on('hinges').disc(geometry.nodes.get(id)!.at, 2.6 * weight, { colour: 'indigo' });
  return {
    drawing: pen.finish(),
    points: Float32Array.from([...geometry.nodes.values()].flatMap(({ at }) => [...at])),
  };
}

function drawMember(
  pen: Draughtsman,
  geometry: Geometry,
  member: GeometryMember,
  faint: boolean,
  weight: number,
): void {
  const [a, b] = [geometry.nodes.get(member.start)!.at, geometry.nodes.get(member.end)!.at];
  pen
    .on('members')
    .line(a, b, faint ? { colour: 'inkFaint', width: weight } : { colour: 'ink', width: 1.6 * weight });
  const below = downOf(a, b);
  if (member.taper) drawTaper(pen, a, b, member.taper, below);
  if (member.setOut) {
    // The section stands off the line, on the other side of the point that lies on it
    const off = times(below, 0.06 * Math.hypot(...minus(b, a)) * (member.setOut.up === -1 ? -1 : 1));
    pen.on('members').line(add(a, off), add(b, off), { colour: 'indigo', width: 1.2 });
  }
  for (const [end, other, cut] of [
    [a, b, member.cuts?.start],
    [b, a, member.cuts?.end],
  ] as const)
    if (cut)
      pen.on('members').aligned(end, other, [2, -5], cut.corner === 'mitre' ? [10, 5] : [2, 5], {
        colour: 'indigo',
        width: 1.4,
      });
}

function drawTaper(
  pen: Draughtsman,
  a: Point,
  b: Point,
  { target, fractions, flush }: NonNullable<GeometryMember['taper']>,
  below: Point,
): void {
  const most = 'added' in target ? target.added : 'depth' in target ? target.depth : 0.4;
  const side = (fraction: number, up: boolean): Point => {
    const depth = most * fraction;
    const part = flush === 'centre' ? depth / 2 : (flush === 'top') === up ? 0 : depth;
    return times(below, up ? -part : part);
  };
  pen
    .on('members')
    .area(
      [
        add(a, side(fractions[0], true)),
        add(b, side(fractions[1], true)),
        add(b, side(fractions[1], false)),
        add(a, side(fractions[0], false)),
      ],
      { colour: 'indigo', alpha: 0.35 },
    );
}

/** Square to a line and downwards; of a vertical one towards +x. */
function downOf(a: Point, b: Point): Point {
  const along = minus(b, a);
  const horizontal: Point = Math.hypot(along[0], along[1]) < 1e-9 ? [0, 1, 0] : [along[1], -along[0], 0];
  const down = cross(along, horizontal);
  return unit(down[2] > 0 ? times(down, -1) : down);
}

/** How large a picture is, px. */
export interface PictureSize {
  readonly width: number;
  readonly height: number;
}

/** A geometry as SVG, from the front where it is plane, obliquely else. */
export function geometryPicture(geometry: Geometry, size: PictureSize, options: BareOptions = {}): string {
  const weight = Math.min(1, size.height / 90);
  const { drawing, points } = drawGeometry(geometry, { weight, ...options });
  const plane = [...geometry.nodes.values()].every(({ at }) => Math.abs(at[1]) < 1e-9);
  const margin = Math.round(size.height / 9);
  const view = fitView(points, plane ? standardViews.front : standardViews.oblique, size, {
    left: margin,
    right: margin,
    top: margin,
    bottom: margin,
  });
  return toSvg(drawing, { view, size });
}

/** A step that is not accepted yet, drawn large: what it makes or changes in ink, the rest faint; what it is for is picked in it. */
export function drawPreview(
  result: Pick<StepResult, 'before' | 'after'>,
  space: 'plane' | 'solid',
): DrawnScene {
  const { shown, options } = difference(result);
  const { drawing, points } = drawGeometry(shown, options);
  // What is there before the step is what it can be for
  const { nodes, members } = result.before;
  const known = [...nodes.values()];
  return {
    drawing,
    points: Float32Array.from([...known.flatMap(({ at }) => [...at]), ...points]),
    space,
    result: '',
    title: '',
    most: { diagram: 0, deformation: 0, load: 0 },
    legend: [],
    nodes: known.map(({ id }) => id),
    dimensions: [],
    members: {
      ids: [...members.keys()],
      ends: Float32Array.from(
        [...members.values()].flatMap(({ start, end }) => [...nodes.get(start)!.at, ...nodes.get(end)!.at]),
      ),
    },
  };
}

/** What a step did: in ink what it made or changed, the rest faint. */
export function stepPicture(result: Pick<StepResult, 'before' | 'after'>, size: PictureSize): string {
  const { shown, options } = difference(result);
  return geometryPicture(shown, size, options);
}

function difference({ before, after }: Pick<StepResult, 'before' | 'after'>): {
  shown: Geometry;
  options: BareOptions;
} {
  // A step that takes away shows what is gone in the place of what is left
  const removes = after.members.size < before.members.size;
  const shown = removes ? before : after;
  const other = removes ? after : before;
  const options: BareOptions = {
    isFaint: (id) => isAsBefore(shown, other, id),
    // Where nothing was made, what was divided or joined shows by its new nodes
    marked: after.lines.size > before.lines.size ? [] : nodesBeside(after, before),
    ...(movedFrom(before, after) ? { under: before } : {}),
  };
  return { shown, options };
}

const nodesBeside = (after: Geometry, before: Geometry): string[] =>
  [...after.nodes.keys()].filter((id) => !before.nodes.has(id));

const movedFrom = (before: Geometry, after: Geometry): boolean =>
  [...after.nodes.values()].some(({ id, at }) => {
    const was = before.nodes.get(id);
    return was !== undefined && distance(was.at, at) > 1e-9;
  });

function isAsBefore(shown: Geometry, other: Geometry, id: string): boolean {
  const [now, then] = [shown.members.get(id)!, other.members.get(id)];
  if (!then || now.taper !== then.taper || now.setOut !== then.setOut || now.cuts !== then.cuts) return false;
  const still = (node: string, was: string) => {
    const before = other.nodes.get(was);
    return before !== undefined && distance(shown.nodes.get(node)!.at, before.at) < 1e-9;
  };
  return still(now.start, then.start) && still(now.end, then.end);
}

/** What a kind of step does, on its example, as SVG. @throws Error where the example does not run */
export const kindPicture = (kind: StepKind, size: PictureSize): string =>
  pictureOf(kind, exampleOf(kind), size);

/**
 * The same with another value in one of its fields: how an option looks. Undefined where the example does not run with it.
 *
 * @param field path of the field, "pattern" or "faces/top"
 */
export function optionPicture(
  kind: StepKind,
  field: string,
  value: unknown,
  size: PictureSize,
): string | undefined {
  const [name = field, part] = field.split('/');
  const example = exampleOf(kind);
  const before = example[name] ?? kind.fields[name]?.initial ?? {};
  const written = part === undefined ? value : { ...before, [part]: value };
  const drawn = attempt(() => {
    const step = { ...example, [name]: written };
    // Fields that the option asks for begin as they would in a form
    const begun = applyingFields(kind.fields, step).flatMap((one) =>
      step[one.name] === undefined && one.field.initial !== undefined ? [[one.name, one.field.initial]] : [],
    );
    return pictureOf(kind, { ...step, ...Object.fromEntries(begun) } as Step, size);
  });
  return drawn.ok ? drawn.value : undefined;
}

const exampleOf = (kind: StepKind): Step =>
  kind.example ? { id: 'step', [kind.verb]: kind.kind, ...kind.example.fields } : initialStep(kind, 'step');

/** @throws ProblemError where the step does not run */
function pictureOf(kind: StepKind, step: Step, size: PictureSize): string {
  const { results, problems } = runSteps(
    { steps: [...(kind.example?.before ?? []), step], space: 'solid' },
    { parameters: new Map(), units: metric },
  );
  const made = results.at(-1);
  if (problems.length > 0 || made?.step !== 'step')
    fail('geometry', `The example of "${kind.kind}": ${problems[0]?.message ?? 'it was not run'}`);
  return stepPicture(made, size);
}
