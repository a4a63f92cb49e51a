import { pointOn } from '../results/index.js';
import type { BuiltFrame } from '../build/build.js';
import type { Step } from '../document/types.js';
import type { Dimension } from '../geometry/geometry.js';
import { namerOf } from '../build/namer.js';
import type { Point } from '../geometry/vector.js';
import { prepareFrame, type Frame } from '../analysis/index.js';
import { kindOf } from '../steps/index.js';
import { Draughtsman, type Drawing } from './drawing.js';
import { drawHinges, drawMembers, drawTapers, drawWhole } from './frame.js';
import { drawSupports } from './parts/supports.js';
import { drawAxes } from './parts/axes.js';
import { drawTied } from './parts/tied.js';
import { inSlice, type DrawingOptions, type Slice } from './options.js';
import { signaturesOf, type Signatures } from './signatures.js';
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
  /** Live dimension lines with what is written in their fields, and what they are called. */
  readonly dimensions: readonly (Dimension & { readonly written: unknown; readonly title: string })[];
  readonly space: 'plane' | 'solid';
  /** The slice that stands in ink, where not all of the frame does. */
  readonly slice?: Slice;
  /** Members by number: id of the piece, its ends, m. For picking. */
  readonly members: { readonly ids: readonly string[]; readonly ends: Float32Array };
  /** By which what differs from another alternative is found; absent where none is drawn. */
  readonly signatures?: Signatures;
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
  drawAxes(pen, built.axes, frame.xyz, frame.plane);
  const inInk = new Set(
    frame.memberIds.flatMap((_, m) => (shown(m) ? [frame.start[m]!, frame.end[m]!] : [])),
  );
  const isFaintNode = (n: number) => !inInk.has(n);
  drawFloors(pen, frame, built, isFaintNode);
  const slack = forces?.states.get(options.result)?.slack;
  drawParts(pen, frame, source, options, { isFaint, isFaintNode, isSlack: (m) => slack?.[m] === 1 });
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
      units: source.units,
      namer: source.namer ?? namerOf(built),
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
    signatures: signaturesOf(model, frame),
  };
}

function titleOf({ design, combinations }: BuiltFrame, id: string): string {
  const one = design.loadCases.find((c) => c.id === id) ?? combinations.find((c) => c.id === id);
  return one ? `${id} ${one.title ?? ''}`.trim() : '';
}

/** Which members and nodes are faint, and which members slack. */
interface PartLook {
  readonly isFaint: (member: number) => boolean;
  readonly isFaintNode: (node: number) => boolean;
  readonly isSlack: (member: number) => boolean;
}

/** Members, hinges and supports; what is highlighted stands out. */
function drawParts(
  pen: Draughtsman,
  frame: Frame,
  { built: { model, geometry } }: DrawnSource,
  { highlighted = [], sections = false, diagram }: DrawingOptions,
  { isFaint, isFaintNode, isSlack }: PartLook,
): void {
  const highlightedSet = new Set(highlighted);
  const isLit = (id: string) =>
    highlightedSet.has(id) || highlightedSet.has(geometry.members.get(id)?.line ?? '');
  drawMembers(pen, frame, {
    isFaint,
    isHighlighted: (m) => isLit(frame.memberIds[m]!),
    isSlack,
    axesOnly: sections || diagram === 'stress',
  });
  for (const id of highlighted) {
    const n = frame.nodeIndex.get(id);
    if (n !== undefined) pen.on('hinges').disc(nodeAt(frame, n), 5, { colour: 'indigo' });
  }
  drawTapers(pen, frame, (id) => geometry.members.get(id)?.taper, isFaint);
  drawHinges(pen, frame, model, isFaint);
  drawSupports(pen, frame, model, isFaintNode);
}

/** Nodes that floors and rigid links tie; faint where none of them is in ink. */
function drawFloors(
  pen: Draughtsman,
  frame: Frame,
  { geometry }: BuiltFrame,
  isFaintNode: (node: number) => boolean,
): void {
  for (const floor of geometry.floors) {
    const inInk = floor.nodes.some((id) => !isFaintNode(frame.nodeIndex.get(id) ?? -1));
    drawTied(pen, floor.nodes, (id) => geometry.nodes.get(id)?.at, inInk ? 'inkSoft' : 'inkFaint');
  }
}

/** The dimensions of the steps with what stands in their fields, which a screen can change, and what they are called. */
function dimensionsOf({ geometry, design }: BuiltFrame): DrawnScene['dimensions'] {
  return geometry.dimensions.map((dimension) => {
    const step = design.steps.find(({ id }) => id === dimension.step);
    let written: unknown = step;
    for (const key of dimension.field.split('/')) {
      if (typeof written === 'string') break;
      written = (written as Record<string, unknown> | undefined)?.[key];
    }
    const parameter = design.parameters.find(({ name }) => name === written);
    return { ...dimension, written, title: parameter?.title ?? titleOfField(step, dimension.field) };
  });
}

/** A field of a step in words: "Span", "Bays 2". */
function titleOfField(step: Step | undefined, field: string): string {
  const [name = field, ...rest] = field.split('/');
  const title = (step && kindOf(step)?.fields[name]?.title) ?? name;
  return [title, ...rest.map((part) => (/^\d+$/.test(part) ? Number(part) + 1 : part))].join(' ');
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
