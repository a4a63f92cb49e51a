import { pointOn } from '../results/index.js';
import type { BuiltFrame } from '../build/build.js';
import type { Dimension } from '../geometry/geometry.js';
import { Namer } from '../geometry/names.js';
import type { Point } from '../geometry/vector.js';
import { prepareFrame, type Frame } from '../analysis/index.js';
import { Draughtsman, type Drawing } from './drawing.js';
import { drawHinges, drawMembers, drawSupports, drawTapers, drawWhole } from './frame.js';
import { inSlice, type DrawingOptions, type Slice } from './options.js';
import { drawnSlice } from './slices.js';
import { nodeAt } from './places.js';
import { drawSections } from './parts/sections.js';
import { drawMotion } from './parts/shape.js';
import { drawShown, isShape, type DrawnSource, type Greatest, type LegendLine } from './shown/index.js';
import { drawGrouped } from './parts/group-by.js';

/** A drawing with what common scales are chosen by. */
export interface DrawnScene {
  /** Id of the load case, combination or other result that it shows; empty while there are no forces. */
  readonly result: string;
  /** Its name in words, of a load case or combination. */
  readonly title: string;
  readonly drawing: Drawing;
  /** Greatest magnitudes of what is drawn. */
  readonly most: Greatest;
  /** What is drawn, in words. */
  readonly legend: readonly LegendLine[];
  /** Node coordinates, to fit the view by and for picking, m; and the nodes' ids. */
  readonly points: Float32Array;
  readonly nodes: readonly string[];
  /** Live dimension lines with what is written in their fields. */
  readonly dimensions: readonly (Dimension & { readonly written: unknown })[];
  readonly space: 'plane' | 'solid';
  /** The slice that stands in ink, where not all of the frame does. */
  readonly slice?: Slice;
  /** Members by number: id of the piece, its ends, m. For picking. */
  readonly members: { readonly ids: readonly string[]; readonly ends: Float32Array };
  /** Why the result that was asked for is not drawn, in words. */
  readonly problem?: string;
}

/** Draws an alternative: its frame always, the result that is asked for as far as it is known. */
export function drawAlternative(source: DrawnSource, options: DrawingOptions): DrawnScene {
  const { built, forces } = source;
  const { model, geometry } = built;
  const frame = forces?.frame ?? prepareFrame(model);
  const pen = new Draughtsman(frame.memberIds.length);
  const tagsOf = (m: number) => geometry.members.get(frame.memberIds[m]!)?.tags ?? {};
  const slice = drawnSlice(source, frame, options, tagsOf);
  const shown = (m: number) => !slice || inSlice(tagsOf(m), slice);
  const isFaint = (m: number) =>
    !shown(m) ||
    (options.step !== undefined && tagsOf(m)['step'] !== options.step) ||
    source.mechanism !== undefined ||
    options.groupBy !== undefined ||
    isShape(options.result);
  drawAxes(pen, built, frame);
  const inInk = new Set(
    frame.memberIds.flatMap((_, m) => (shown(m) ? [frame.start[m]!, frame.end[m]!] : [])),
  );
  drawParts(pen, frame, source, options, { isFaint, isFaintNode: (n) => !inInk.has(n) });
  if (slice) drawWhole(pen, frame);
  const legend: LegendLine[] = [];
  if (options.groupBy) legend.push(...drawGrouped(pen, frame, built, options.groupBy, shown));
  if (options.sections) {
    const flushOf = (id: string) => geometry.members.get(id)?.taper?.flush;
    drawSections(pen, frame, model, flushOf, (m) => !shown(m));
  }
  let most: Greatest = { diagram: 0, deformation: 0, load: 0 };
  if (forces) {
    const context = {
      pen,
      source,
      forces,
      frame,
      options,
      namer: source.namer ?? new Namer(geometry),
      shown,
      ...(slice ? { slice } : {}),
    };
    const drawn = drawShown(context);
    most = { ...most, ...drawn?.greatest };
    legend.push(...(drawn?.legend ?? []));
  }
  if (source.mechanism) {
    const { mechanism } = source;
    drawMotion(pen, frame, (n) => movedBy(mechanism[frame.nodeIds[n]!]));
    most = { ...most, deformation: 1 };
  }
  return {
    result: forces ? options.result : '',
    title: forces ? titleOf(built, options.result) : '',
    drawing: pen.finish(),
    most,
    legend,
    points: Float32Array.from(frame.xyz),
    nodes: frame.nodeIds,
    dimensions: dimensionsOf(built),
    space: built.design.space,
    ...(slice ? { slice } : {}),
    members: pickable(frame),
  };
}

function titleOf({ design, combinations }: BuiltFrame, id: string): string {
  const one = design.loadCases.find((c) => c.id === id) ?? combinations.find((c) => c.id === id);
  return one ? `${id} ${one.title ?? ''}`.trim() : '';
}

/** Which members and nodes are faint. */
interface Faintness {
  readonly isFaint: (member: number) => boolean;
  readonly isFaintNode: (node: number) => boolean;
}

/** Members, hinges and supports; what is highlighted stands out. */
function drawParts(
  pen: Draughtsman,
  frame: Frame,
  { built: { model, geometry } }: DrawnSource,
  { highlighted = [], sections = false, diagram }: DrawingOptions,
  { isFaint, isFaintNode }: Faintness,
): void {
  const highlightedSet = new Set(highlighted);
  const isLit = (id: string) =>
    highlightedSet.has(id) || highlightedSet.has(geometry.members.get(id)?.line ?? '');
  drawMembers(pen, frame, isFaint, (m) => isLit(frame.memberIds[m]!), sections || diagram === 'stress');
  for (const id of highlighted) {
    const n = frame.nodeIndex.get(id);
    if (n !== undefined) pen.on('hinges').disc(nodeAt(frame, n), 5, { colour: 'indigo' });
  }
  drawTapers(pen, frame, isFaint);
  drawHinges(pen, frame, model, isFaint);
  drawSupports(pen, frame, model, isFaintNode);
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
    pen.on('axes').line(from as unknown as Point, to as unknown as Point, { colour: 'inkFaint', width: 1 });
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
