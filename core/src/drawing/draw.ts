import { pointOn } from '../results/index.js';
import type { Analysed } from '../pipeline/index.js';
import type { MemberCheck } from '../capacity/index.js';
import type { BuiltFrame } from '../recipe/build.js';
import type { Dimension } from '../recipe/geometry/geometry.js';
import { Namer } from '../recipe/geometry/names.js';
import { add, type Point } from '../recipe/geometry/vector.js';
import { significant } from '../units/format.js';
import { prepareFrame, type Frame } from '../analysis/index.js';
import { drawDeformed, drawShape, greatestMove } from './deformed.js';
import { drawDiagram, greatestForce } from './diagram.js';
import { Draughtsman, type Drawing } from './drawing.js';
import { drawHinges, drawMembers, drawSupports, drawTapers } from './frame.js';
import { drawLoads, greatestLoad } from './loads.js';
import { inSlice, type DrawingOptions } from './options.js';
import { nodeAt } from './places.js';
import { drawReactions } from './reactions.js';

/** A drawing with what common scales are chosen by. */
export interface DrawnScene {
  readonly drawing: Drawing;
  /** Greatest magnitudes of what is drawn: N or N·m, m, N/m. */
  readonly most: { readonly diagram: number; readonly deformation: number; readonly load: number };
  /** Node coordinates, to fit the view by and for picking, m; and the nodes' ids. */
  readonly points: Float32Array;
  readonly nodes: readonly string[];
  /** Live dimension lines with what is written in their fields. */
  readonly dimensions: readonly (Dimension & { readonly written: unknown })[];
  readonly space: 'plane' | 'solid';
  /** Members by number: id of the piece, its ends, m. For picking. */
  readonly members: { readonly ids: readonly string[]; readonly ends: Float32Array };
}

/** What is known of an alternative when it is drawn. */
export interface DrawnSource {
  readonly built: BuiltFrame;
  readonly forces?: Analysed;
  readonly checks?: readonly MemberCheck[];
  /** Displacements of nodes that a mechanism allows, 6 a node by id. */
  readonly mechanism?: Readonly<Record<string, readonly number[]>>;
}

/** Draws an alternative: its frame always, forces and reactions as far as they are known. */
export function drawAlternative(source: DrawnSource, options: DrawingOptions): DrawnScene {
  const { built, forces } = source;
  const { model, geometry } = built;
  const frame = forces?.frame ?? prepareFrame(model);
  const pen = new Draughtsman();
  const namer = new Namer(geometry);
  const { slice, step, lit = [] } = options;
  const litSet = new Set(lit);
  const tagsOf = (m: number) => geometry.members.get(frame.memberIds[m]!)?.tags ?? {};
  const shown = (m: number) => !slice || inSlice(tagsOf(m), slice);
  const isFaint = (m: number) =>
    !shown(m) || (step !== undefined && tagsOf(m)['step'] !== step) || source.mechanism !== undefined;
  drawAxes(pen, built, frame);
  drawMembers(
    pen,
    frame,
    isFaint,
    (m) =>
      litSet.has(frame.memberIds[m]!) || litSet.has(geometry.members.get(frame.memberIds[m]!)?.line ?? ''),
  );
  for (const id of lit) {
    const n = frame.nodeIndex.get(id);
    if (n !== undefined) pen.disc('hinges', nodeAt(frame, n), 5, { colour: 'indigo' });
  }
  drawTapers(pen, frame);
  drawHinges(pen, frame, model);
  drawSupports(pen, frame, model);
  let most = { diagram: 0, deformation: 0, load: 0 };
  const selection = forces?.selections.find(({ id }) => id === options.result);
  const state = forces?.states.get(options.result);
  if (forces && selection && state) {
    const nodes =
      slice && new Set(frame.memberIds.flatMap((_, m) => (shown(m) ? [frame.start[m]!, frame.end[m]!] : [])));
    drawLoads(pen, frame, selection.factors, shown);
    drawDeformed(pen, frame, state);
    drawReactions(
      pen,
      frame,
      forces.model,
      state,
      (node) => namer.node(node),
      (node) => !nodes || nodes.has(frame.nodeIndex.get(node)!),
    );
    const { diagram } = options;
    if (diagram === 'utilisation')
      drawUtilisation(pen, frame, source.checks ?? [], shown, (m) => namer.member(frame.memberIds[m]!));
    const isForce = diagram !== 'none' && diagram !== 'utilisation';
    const greatest = isForce ? greatestForce(frame, state, diagram) : 0;
    if (isForce)
      drawDiagram(pen, frame, state, diagram, greatest, shown, (m) => namer.member(frame.memberIds[m]!));
    most = {
      diagram: greatest,
      deformation: greatestMove(state),
      load: greatestLoad(frame.loadCases, selection.factors),
    };
  }
  if (source.mechanism) {
    const { mechanism } = source;
    drawShape(pen, frame, (n) => movedBy(mechanism[frame.nodeIds[n]!]), 'vermilion');
    most = { ...most, deformation: 1 };
  }
  return {
    drawing: pen.finish(),
    most,
    points: Float32Array.from(frame.xyz),
    nodes: frame.nodeIds,
    dimensions: dimensionsOf(built),
    space: built.design.space,
    members: pickable(frame),
  };
}

/** The dimensions of the steps with what stands in their fields, which a screen can change. */
function dimensionsOf({ geometry, design }: BuiltFrame): DrawnScene['dimensions'] {
  return geometry.dimensions.map((dimension) => {
    let written: unknown = design.steps.find(({ id }) => id === dimension.step);
    for (const key of dimension.field.split('/')) {
      if (typeof written === 'string') break;
      written = (written as Record<string, unknown> | undefined)?.[key];
    }
    return { ...dimension, written };
  });
}

const movedBy = (shape: readonly number[] | undefined): Point =>
  shape ? [shape[0]!, shape[1]!, shape[2]!] : [0, 0, 0];

function pickable(frame: Frame): DrawnScene['members'] {
  const ends = new Float32Array(6 * frame.memberIds.length);
  frame.memberIds.forEach((_, m) => {
    ends.set(pointOn(frame, m, 0), 6 * m);
    ends.set(pointOn(frame, m, frame.length[m]!), 6 * m + 3);
  });
  return { ids: frame.memberIds, ends };
}

/** Grid lines with their names in a circle of px. */
function drawAxes(pen: Draughtsman, { axes }: BuiltFrame, frame: Frame): void {
  if (axes.length === 0) return;
  const low: number[] = [Infinity, Infinity, Infinity];
  const high: number[] = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < frame.xyz.length; i++) {
    low[i % 3] = Math.min(low[i % 3]!, frame.xyz[i]!);
    high[i % 3] = Math.max(high[i % 3]!, frame.xyz[i]!);
  }
  const over = 0.06 * Math.max(high[0]! - low[0]!, high[1]! - low[1]!, high[2]! - low[2]!, 1);
  for (const { along, name, at } of axes) {
    const k = 'xyz'.indexOf(along);
    const across = k === 0 ? (frame.plane ? 2 : 1) : 0;
    const from = [low[0]!, low[1]!, low[2]!];
    const to = [...from];
    from[k] = to[k] = at;
    from[across] = low[across]! - over;
    to[across] = high[across]! + over;
    pen.line('axes', from as unknown as Point, to as unknown as Point, { colour: 'inkFaint', width: 1 });
    pen.text({
      key: `axis ${along} ${name}`,
      text: name,
      at: from as unknown as Point,
      from: to as unknown as Point,
      beyond: 12,
      tone: 'inkSoft',
      layer: 'axes',
      priority: 4,
      title: `axis ${name}`,
    });
  }
}

/** Utilisation as a band along members: one hue that deepens up to the limit, above it vermilion and a hatch. */
function drawUtilisation(
  pen: Draughtsman,
  frame: Frame,
  checks: readonly MemberCheck[],
  shown: (m: number) => boolean,
  nameOf: (m: number) => string,
): void {
  for (const { of, utilisation, status, member } of checks)
    of.forEach((id, k) => {
      const m = frame.memberIndex.get(id)!;
      if (!shown(m)) return;
      const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
      const over = status === 'fail';
      const covered = status !== 'not covered';
      const colour = over || !covered ? 'vermilion' : 'indigo';
      pen.line('diagram', a, b, {
        colour,
        width: 11,
        alpha: over ? 0.75 : covered ? 0.12 + 0.6 * Math.min(1, utilisation ?? 0) : 0.25,
      });
      if (over || !covered)
        for (let i = 1; i < 8; i++)
          pen.aligned('hinges', along(a, b, i / 8), b, [-3, -7], [3, 7], { colour: 'sheet', width: 1.4 });
      if (k === Math.floor(of.length / 2))
        pen.text({
          key: `utilisation ${member}`,
          text:
            utilisation === undefined ? 'not covered' : `${significant(utilisation)}${over ? ' over' : ''}`,
          at: along(a, b, 0.5),
          from: add(along(a, b, 0.5), [0, 0, -1]),
          beyond: 14,
          tone: over || !covered ? 'vermilion' : 'ink',
          layer: 'diagram',
          priority: over || !covered ? 20 : 5 + (utilisation ?? 0),
          title: `${nameOf(m)}: ${utilisation === undefined ? 'not covered' : significant(utilisation, 4)}`,
        });
    });
}

const along = (a: Point, b: Point, s: number): Point => [
  a[0] + s * (b[0] - a[0]),
  a[1] + s * (b[1] - a[1]),
  a[2] + s * (b[2] - a[2]),
];
