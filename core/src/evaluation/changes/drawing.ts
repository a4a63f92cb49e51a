import { Draughtsman, drawHeld, type DrawnScene, type LegendLine } from '../../drawing/index.js';
import { prepareFrame, type Frame } from '../../analysis/index.js';
import type { FrameModel } from '../../model/types.js';
import type { FrameChanges, Part } from './changes.js';
import { framed, type Framed, type Line, type Place } from './framed.js';

/** Parts into which a removed member is divided: every second one is drawn. */
const dashes = 13;
/** Half of the stroke through a removed member, as a fraction of the frame's size. */
const strike = 0.012;

/** Longest text beside a part. */
const longest = 40;

/** Ids of what stands out, as the lists of changes name it. */
const idOf = (part: Part): string => ('node' in part ? part.node : part.member);

/**
 * Both frames in one drawing: what was added solid in ochre, what was removed dashed and struck, what changed with old and new beside it,
 * what moved with its old place faint. The frames are looked at once; the drawing is made anew for what stands out.
 *
 * @returns draws them, with the ids of nodes and members that stand out
 */
export function drawingOfChanges(
  before: FrameModel,
  after: FrameModel,
  changes: FrameChanges,
): (highlighted?: readonly string[]) => DrawnScene {
  const [a, b] = [framed(before), framed(after)];
  const held = prepareFrame(after);
  return (highlighted = []) => drawn({ a, b, held, changes }, new Set(highlighted));
}

interface Compared {
  readonly a: Framed;
  readonly b: Framed;
  /** The frame after, for its supports and hinges. */
  readonly held: Frame;
  readonly changes: FrameChanges;
}

function drawn({ a, b, held, changes }: Compared, lit: ReadonlySet<string>): DrawnScene {
  const pen = new Draughtsman(b.model.members.length);
  const of = (list: readonly Part[]) => new Set(list.map(idOf));
  const [added, removed, changed] = [of(changes.added), of(changes.removed), of(changes.changed)];
  const moves = new Map(changes.moved.map(({ node, by }) => [node, by]));
  drawOldPlaces(pen, b, moves);
  for (const line of a.lines.values()) if (removed.has(line.id)) drawRemoved(pen, a, line, lit.has(line.id));
  for (const line of b.lines.values()) {
    const isLit = lit.has(line.id);
    const isAdded = added.has(line.id);
    const isChanged = changed.has(line.id);
    drawLine(pen, b, line, {
      colour: isLit ? 'indigo' : isAdded ? 'ochre' : isChanged ? 'ink' : 'inkSoft',
      width: isLit ? 5 : isAdded ? 3.4 : isChanged ? 2 : 1.4,
    });
    if (isChanged) dot(pen, b, line);
  }
  drawNodes(pen, { a, b, added, removed, changed, lit });
  writeChanges(pen, b, changes);
  drawHeld(pen, held, b.model);
  const points = [...a.nodes.values(), ...b.nodes.values()].flatMap(({ at }) => at);
  return {
    result: '',
    title: '',
    drawing: pen.finish(),
    most: { diagram: 0, deformation: 0, load: 0 },
    legend: legendOf(changes),
    points: Float32Array.from(points),
    nodes: [],
    dimensions: [],
    space: b.model.space,
    members: pickable(b),
  };
}

type Style = Parameters<ReturnType<Draughtsman['on']>['line']>[2];

function drawLine(pen: Draughtsman, { nodes }: Framed, { pieces }: Line, style: Style): void {
  for (const { start, end } of pieces)
    pen.on('members').line(nodes.get(start)!.at, nodes.get(end)!.at, style);
}

const between = (a: Place, b: Place, fraction: number): Place => [
  a[0] + fraction * (b[0] - a[0]),
  a[1] + fraction * (b[1] - a[1]),
  a[2] + fraction * (b[2] - a[2]),
];

/** Dots along a member that has something otherwise. */
function dot(pen: Draughtsman, { nodes }: Framed, { pieces }: Line): void {
  for (const { start, end } of pieces)
    for (const fraction of [0.25, 0.5, 0.75])
      pen
        .on('hinges')
        .disc(between(nodes.get(start)!.at, nodes.get(end)!.at, fraction), 2.6, { colour: 'ochre' });
}

/** Dashed, with a stroke through its middle. */
function drawRemoved(pen: Draughtsman, { nodes, size }: Framed, { pieces }: Line, isLit: boolean): void {
  const style: Style = { colour: isLit ? 'indigo' : 'inkSoft', width: isLit ? 3 : 1.6 };
  for (const { start, end } of pieces) {
    const [a, b] = [nodes.get(start)!.at, nodes.get(end)!.at];
    for (let i = 0; i < dashes; i += 2)
      pen.on('members').line(between(a, b, i / dashes), between(a, b, (i + 1) / dashes), style);
  }
  const { start, end } = pieces[Math.floor(pieces.length / 2)]!;
  const middle = between(nodes.get(start)!.at, nodes.get(end)!.at, 0.5);
  const d = strike * size;
  pen
    .on('members')
    .line([middle[0] - d, middle[1], middle[2] - d], [middle[0] + d, middle[1], middle[2] + d], style);
}

/** Members whose ends moved, faint where they were, and how far each node went. */
function drawOldPlaces(pen: Draughtsman, { nodes, lines }: Framed, moves: ReadonlyMap<string, Place>): void {
  const old = (id: string): Place => {
    const { at } = nodes.get(id)!;
    const by = moves.get(id) ?? [0, 0, 0];
    return [at[0] - by[0], at[1] - by[1], at[2] - by[2]];
  };
  for (const { pieces } of lines.values())
    for (const { start, end } of pieces)
      if (moves.has(start) || moves.has(end))
        pen.on('members').line(old(start), old(end), { colour: 'inkFaint', width: 1.4 });
  for (const id of moves.keys())
    pen.on('members').line(old(id), nodes.get(id)!.at, { colour: 'ochre', width: 1 });
}

interface MarkedNodes {
  readonly a: Framed;
  readonly b: Framed;
  readonly added: ReadonlySet<string>;
  readonly removed: ReadonlySet<string>;
  readonly changed: ReadonlySet<string>;
  readonly lit: ReadonlySet<string>;
}

function drawNodes(pen: Draughtsman, { a, b, added, removed, changed, lit }: MarkedNodes): void {
  for (const { id, at } of b.nodes.values())
    if (lit.has(id)) pen.on('hinges').disc(at, 6, { colour: 'indigo' });
    else if (added.has(id) || changed.has(id)) pen.on('hinges').disc(at, 3.5, { colour: 'ochre' });
  for (const { id, at } of a.nodes.values())
    if (removed.has(id)) pen.on('hinges').disc(at, 3, { colour: lit.has(id) ? 'indigo' : 'inkSoft' });
}

/** Old and new beside each part that has something otherwise. */
function writeChanges(pen: Draughtsman, { nodes, lines, size }: Framed, { changed }: FrameChanges): void {
  // A change of many parts is written at the first
  const told = new Set<string>();
  changed.forEach((part, i) => {
    const at = 'node' in part ? nodes.get(part.node)!.at : middleOf(nodes, lines.get(part.member)!);
    const text = `${part.before} → ${part.after}`;
    // Loads and what else is long are told in the list
    if (text.length > longest || told.has(text)) return;
    told.add(text);
    pen.text({
      key: `change ${i}`,
      text,
      at,
      from: [at[0], at[1], at[2] - 0.05 * size],
      beyond: 12,
      tone: 'ochre',
      layer: 'members',
      priority: 3,
      title: `${part.title}, ${part.what}: ${text}`,
    });
  });
}

function middleOf(nodes: Framed['nodes'], { pieces }: Line): Place {
  const { start, end } = pieces[Math.floor(pieces.length / 2)]!;
  return between(nodes.get(start)!.at, nodes.get(end)!.at, 0.5);
}

const legendOf = ({ added, removed, moved, changed }: FrameChanges): LegendLine[] => [
  ...(added.length > 0 ? [{ text: 'added', sample: { colour: 'ochre' } }] : []),
  ...(removed.length > 0 ? [{ text: 'removed', sample: { colour: 'inkSoft', dash: [4, 3] as const } }] : []),
  ...(changed.length > 0
    ? [{ text: 'changed: old → new', sample: { colour: 'ochre', dash: [2, 5] as const } }]
    : []),
  ...(moved.length > 0 ? [{ text: 'where it was', sample: { colour: 'inkFaint' } }] : []),
];

function pickable({ nodes, model }: Framed): DrawnScene['members'] {
  const ends = model.members.flatMap(({ start, end }) => [...nodes.get(start)!.at, ...nodes.get(end)!.at]);
  return { ids: model.members.map(({ id }) => id), ends: Float32Array.from(ends) };
}
