import { pointOn } from '../results/index.js';
import type { Frame } from '../analysis/index.js';
import type { FrameModel, Support } from '../model/types.js';
import type { Point } from '../geometry/vector.js';
import type { Draughtsman } from './drawing.js';
import { nodeAt } from './places.js';

/** Members as lines along their axes, thin where something else stands in the foreground or their outlines are drawn; arms to their nodes. */
export function drawMembers(
  pen: Draughtsman,
  frame: Frame,
  isFaint: (member: number) => boolean,
  highlighted: (member: number) => boolean,
  axesOnly = false,
): void {
  const width = (m: number) => (axesOnly ? 1 : frame.axialOnly[m] ? 1.8 : 2.8);
  frame.memberIds.forEach((_, m) => {
    const faint = isFaint(m);
    const colour = highlighted(m) ? 'indigo' : faint ? 'inkFaint' : 'ink';
    const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
    pen.on('members').line(a, b, { colour, width: highlighted(m) ? 4.5 : faint ? 1.2 : width(m) });
    if (frame.armed[m]) {
      pen.on('members').line(nodeAt(frame, frame.start[m]!), a, { colour: 'inkSoft', width: 1 });
      pen.on('members').line(b, nodeAt(frame, frame.end[m]!), { colour: 'inkSoft', width: 1 });
    }
  });
}

/** Tapers and haunches: the line of the section's lower edge where it is deeper than elsewhere. */
export function drawTapers(
  pen: Draughtsman,
  frame: Frame,
  isFaint: (member: number) => boolean = () => false,
): void {
  for (const [m, taper] of frame.tapers) {
    const colour = isFaint(m) ? 'inkFaint' : 'ink';
    const L = frame.length[m]!;
    const depth = (share: number) => taper.at(share).h ?? 0;
    const [h0, h1] = [depth(0), depth(1)];
    const least = Math.min(h0, h1);
    const a = 9 * m + 6;
    const down = (share: number, h: number): Point => {
      const p = pointOn(frame, m, share * L);
      const d = h - least;
      return [p[0] - frame.axes[a]! * d, p[1] - frame.axes[a + 1]! * d, p[2] - frame.axes[a + 2]! * d];
    };
    pen.on('members').area([pointOn(frame, m, 0), pointOn(frame, m, L), down(1, h1), down(0, h0)], {
      colour,
      alpha: 0.16,
    });
    pen
      .on('members')
      .path(
        [
          pointOn(frame, m, h0 > h1 ? 0 : L),
          h0 > h1 ? down(0, h0) : down(1, h1),
          h0 > h1 ? down(1, h1) : down(0, h0),
        ],
        { colour, width: isFaint(m) ? 1 : 1.4 },
      );
  }
}

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

/** Supports as signs of px, as seen from the front. */
export function drawSupports(
  pen: Draughtsman,
  frame: Frame,
  model: FrameModel,
  isFaint: (node: number) => boolean = () => false,
): void {
  for (const support of model.supports ?? []) {
    const n = frame.nodeIndex.get(support.node);
    const alpha = n !== undefined && isFaint(n) ? 0.35 : 1;
    if (n !== undefined) drawSupport(pen, support, nodeAt(frame, n), { plane: frame.plane, alpha });
  }
}

function drawSupport(
  pen: Draughtsman,
  support: Support,
  at: Point,
  { plane, alpha }: { readonly plane: boolean; readonly alpha: number },
): void {
  const moss = { colour: 'moss', alpha } as const;
  const size = 10;
  const turning = plane ? support.ry : (support.ry ?? support.rx);
  const sliding = support.ux === undefined || (!plane && support.uy === undefined);
  const ground = (y: number) => {
    pen.on('supports').mark(at, [-size, y], [size, y], { ...moss, width: 1.6 });
    for (let k = -2; k <= 2; k++) {
      const from = (k * size) / 2;
      pen.on('supports').mark(at, [from, y], [from - 4, y + 5], moss);
    }
  };
  if (turning === 'fixed') {
    pen.on('supports').mark(at, [-size, 0], [size, 0], { ...moss, width: 3 });
    ground(1);
    return;
  }
  const foot = size;
  for (const [from, to] of [
    [
      [0, 0],
      [-7.5, foot],
    ],
    [
      [-7.5, foot],
      [7.5, foot],
    ],
    [
      [7.5, foot],
      [0, 0],
    ],
  ] as const)
    pen.on('supports').mark(at, from, to, { ...moss, width: 1.6 });
  if (sliding) pen.on('supports').mark(at, [-size, foot + 4], [size, foot + 4], { ...moss, width: 1.4 });
  else ground(foot);
  if (typeof turning === 'number') coil(pen, at, size);
}

/** A spring against turning. */
function coil(pen: Draughtsman, at: Point, size: number): void {
  const point = (i: number): readonly [number, number] => {
    const angle = (i / 24) * 3 * Math.PI;
    const radius = size * (0.25 + 0.55 * (i / 24));
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  };
  for (let i = 0; i < 24; i++)
    pen.on('supports').mark(at, point(i), point(i + 1), { colour: 'moss', width: 1.2 });
}

/** Supports and hinges of a frame that is drawn in another way than by its forces. */
export function drawHeld(pen: Draughtsman, frame: Frame, model: FrameModel): void {
  drawHinges(pen, frame, model);
  drawSupports(pen, frame, model);
}
