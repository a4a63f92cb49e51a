import { pointOn } from '../results/index.js';
import type { Frame } from '../analysis/index.js';
import type { FrameModel } from '../model/types.js';
import type { Taper } from '../geometry/geometry.js';
import { add, between, times, type Point } from '../geometry/vector.js';
import type { Draughtsman, LayerPen } from './drawing.js';
import { drawSupports } from './parts/supports.js';
import { axisOf, nodeAt } from './places.js';

/** How members are drawn. */
export interface MemberLook {
  readonly isFaint?: (member: number) => boolean;
  readonly isHighlighted?: (member: number) => boolean;
  /** Members that do not act: dashed. */
  readonly isSlack?: (member: number) => boolean;
  /** Thin, where their outlines are drawn. */
  readonly axesOnly?: boolean;
}

const never = (): boolean => false;

/** Members as lines along their axes; arms to their nodes. */
export function drawMembers(
  pen: Draughtsman,
  frame: Frame,
  { isFaint = never, isHighlighted = never, isSlack = never, axesOnly = false }: MemberLook = {},
): void {
  const width = (m: number) => (axesOnly ? 1 : frame.axialOnly[m] ? 1.8 : 2.8);
  frame.memberIds.forEach((_, m) => {
    const faint = isFaint(m);
    const lit = isHighlighted(m);
    const colour = lit ? 'indigo' : faint ? 'inkFaint' : isSlack(m) ? 'inkSoft' : 'ink';
    const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
    const style = { colour, width: lit ? 4.5 : faint ? 1.2 : width(m) } as const;
    if (isSlack(m) && !lit) drawSlack(pen, a, b, { ...style, width: 1.2 });
    else pen.on('members').line(a, b, style);
    if (frame.armed[m]) {
      pen.on('members').line(nodeAt(frame, frame.start[m]!), a, { colour: 'inkSoft', width: 1 });
      pen.on('members').line(b, nodeAt(frame, frame.end[m]!), { colour: 'inkSoft', width: 1 });
    }
  });
}

/** Dashes of a slack member. */
const slackDashes = 11;

function drawSlack(pen: Draughtsman, a: Point, b: Point, style: Parameters<LayerPen['line']>[2]): void {
  for (let i = 0; i < slackDashes; i++)
    pen.on('members').line(between(a, b, i / slackDashes), between(a, b, (i + 0.55) / slackDashes), style);
}

/** How a member's taper was made; undefined where it has none. */
export type TaperOf = (member: string) => Pick<Taper, 'flush' | 'fractions'> | undefined;

/**
 * Tapers and haunches: what a section is deeper than the one that it grows from, true to scale on the sides that do not stay in line.
 * Pieces of one haunch have fractions of its growth, so that they go on from one another.
 */
export function drawTapers(
  pen: Draughtsman,
  frame: Frame,
  taperOf: TaperOf,
  isFaint: (member: number) => boolean = never,
): void {
  for (const [m, taper] of frame.tapers) {
    const { flush, fractions } = taperOf(frame.memberIds[m]!) ?? { flush: 'top', fractions: [0, 1] };
    const [h0, h1] = [taper.at(0).h ?? 0, taper.at(1).h ?? 0];
    const growth = fractions[1] === fractions[0] ? 0 : (h1 - h0) / (fractions[1] - fractions[0]);
    const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
    const up = axisOf(frame, m, 2);
    const colour = isFaint(m) ? 'inkFaint' : 'ink';
    for (const [side, part] of sidesOf(flush)) {
      const off = (p: Point, fraction: number): Point => add(p, times(up, side * part * growth * fraction));
      const edge = [a, off(a, fractions[0]), off(b, fractions[1]), b];
      pen.on('members').area(edge, { colour, alpha: 0.16 });
      pen.on('members').path(edge, { colour, width: isFaint(m) ? 1 : 1.4 });
    }
  }
}

/** Sides of the axis, 1 above and −1 below, on which a taper grows, with the fraction of its growth there. */
const sidesOf = (flush: Taper['flush']): readonly (readonly [side: number, fraction: number])[] =>
  flush === 'centre'
    ? [
        [1, 0.5],
        [-1, 0.5],
      ]
    : [[flush === 'top' ? -1 : 1, 1]];

/** All members in ink, where some of them are faint. */
export function drawWhole(pen: Draughtsman, frame: Frame): void {
  frame.memberIds.forEach((_, m) => {
    const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
    pen.on('whole').line(a, b, { colour: 'ink', width: frame.axialOnly[m] ? 1.8 : 2.8 });
  });
}

/** Open circles beside the node where a member's end is released. */
export function drawHinges(
  pen: Draughtsman,
  frame: Frame,
  model: FrameModel,
  isFaint: (member: number) => boolean = () => false,
): void {
  // Solid frames have many, close together
  const [along, radius, width] = model.space === 'solid' ? [5, 2, 1] : [8, 3.8, 1.4];
  model.members.forEach(({ hinges }, m) => {
    if (!hinges || isFaint(m)) return;
    const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
    const turns = (end: NonNullable<typeof hinges>['start']) =>
      end?.My !== undefined || end?.Mz !== undefined;
    if (turns(hinges.start))
      pen.on('hinges').ring(a, b, { along, radius, fill: 'sheet' }, { colour: 'ink', width });
    if (turns(hinges.end))
      pen.on('hinges').ring(b, a, { along, radius, fill: 'sheet' }, { colour: 'ink', width });
  });
}

/** Supports and hinges of a frame that is drawn in another way than by its forces. */
export function drawHeld(pen: Draughtsman, frame: Frame, model: FrameModel): void {
  drawHinges(pen, frame, model);
  drawSupports(pen, frame, model);
}
