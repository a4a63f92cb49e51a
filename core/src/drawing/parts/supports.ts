import type { Frame } from '../../analysis/index.js';
import { add, type Point } from '../../geometry/vector.js';
import type { FrameModel, Support } from '../../model/types.js';
import type { Draughtsman } from '../drawing.js';
import { unitVectors } from '../../model/axes.js';
import { nodeAt } from '../places.js';

/** px: half the width of a sign, and how far it stands below its node. */
const size = 10;

type Offset = readonly [number, number];
type Held = 'fixed' | number | undefined;

/** Supports as signs of px: clamps, pins and rollers as they are known, all others by what they hold in each direction. */
export function drawSupports(
  pen: Draughtsman,
  frame: Frame,
  model: FrameModel,
  isFaint: (node: number) => boolean = () => false,
): void {
  for (const support of model.supports ?? []) {
    const n = frame.nodeIndex.get(support.node);
    if (n === undefined) continue;
    const own = frame.supportAxes.get(n);
    const axes = own
      ? [0, 3, 6].map((k): Point => [own[k]!, own[k + 1]!, own[k + 2]!])
      : [unitVectors.x, unitVectors.y, unitVectors.z];
    const alpha = isFaint(n) ? 0.35 : 1;
    new SupportSign(pen, nodeAt(frame, n), support, { plane: frame.plane, axes, alpha }).draw();
  }
}

class SupportSign {
  private readonly along: readonly Held[];
  private readonly about: readonly Held[];
  private readonly axes: readonly Point[];
  private readonly style;

  constructor(
    private readonly pen: Draughtsman,
    private readonly at: Point,
    support: Support,
    private readonly of: { readonly plane: boolean; readonly axes: readonly Point[]; readonly alpha: number },
  ) {
    this.along = of.plane ? [support.ux, support.uz] : [support.ux, support.uy, support.uz];
    this.about = of.plane ? [support.ry] : [support.rx, support.ry, support.rz];
    this.axes = of.plane ? [of.axes[0]!, of.axes[2]!] : of.axes;
    this.style = { colour: 'moss', alpha: of.alpha } as const;
  }

  draw(): void {
    const [isUp, sideways] = [this.along.at(-1) === 'fixed', this.along.slice(0, -1)];
    const allFixed = isUp && sideways.every((held) => held === 'fixed');
    const isRoller = isUp && sideways.every((held) => held === undefined);
    // Whether a foot is held against twisting about the vertical does not show
    const tilting = this.of.plane ? this.about : this.about.slice(0, 2);
    const tilts = tilting.every((held) => held !== 'fixed');
    if (allFixed && tilting.every((held) => held === 'fixed')) this.clamp();
    else if ((allFixed || isRoller) && tilts) {
      this.foot(allFixed);
      if (tilting.some((held) => typeof held === 'number')) this.coil();
    } else this.byDirection();
  }

  private clamp(): void {
    this.mark([-size, 0], [size, 0], 3);
    this.ground(1);
  }

  /** A triangle on the ground, or on a line along which it slides. */
  private foot(held: boolean): void {
    const corners: Offset[] = [
      [0, 0],
      [-7.5, size],
      [7.5, size],
      [0, 0],
    ];
    for (let i = 0; i < 3; i++) this.mark(corners[i]!, corners[i + 1]!, 1.6);
    if (held) this.ground(size);
    else this.mark([-size, size + 4], [size, size + 4], 1.4);
  }

  private ground(y: number): void {
    this.mark([-size, y], [size, y], 1.6);
    for (let k = -2; k <= 2; k++) this.mark([(k * size) / 2, y], [(k * size) / 2 - 4, y + 5]);
  }

  /** A bar for each direction that is held and a zigzag for each spring, from the node to the ground; a square for what cannot turn. */
  private byDirection(): void {
    this.along.forEach((held, k) => {
      if (held === undefined) return;
      const back = add(this.at, this.axes[k]!.map((c) => -c) as unknown as Point);
      if (held === 'fixed') this.toward(back, [0, 0], [14, 0], 1.8);
      else this.zigzag(back);
      this.toward(back, [14, -6], [14, 6], 2);
      for (const y of [-6, -1, 4]) this.toward(back, [14, y], [18, y + 4]);
    });
    if (this.about.includes('fixed'))
      for (const [from, to] of square(5)) this.mark(from, to, this.about.includes(undefined) ? 1 : 2);
    if (this.about.some((held) => typeof held === 'number')) this.coil();
  }

  private zigzag(back: Point): void {
    const points: Offset[] = [
      [0, 0],
      [3, 0],
      [4.5, 4],
      [7, -4],
      [9.5, 4],
      [11, 0],
      [14, 0],
    ];
    points.slice(1).forEach((to, i) => this.toward(back, points[i]!, to, 1.2));
  }

  /** A spring against turning. */
  private coil(): void {
    const point = (i: number): Offset => {
      const angle = (i / 24) * 3 * Math.PI;
      const radius = size * (0.25 + 0.55 * (i / 24));
      return [radius * Math.cos(angle), radius * Math.sin(angle)];
    };
    for (let i = 0; i < 24; i++) this.mark(point(i), point(i + 1), 1.2);
  }

  /** A line right and down on the sheet; in the plane it turns with the support's axes. */
  private mark(from: Offset, to: Offset, width = 1): void {
    const [cos, , sin] = this.of.plane ? this.axes[0]! : [1, 0, 0];
    const turned = ([x, y]: Offset): Offset => [x * cos + y * sin, y * cos - x * sin];
    this.pen.on('supports').mark(this.at, turned(from), turned(to), { ...this.style, width });
  }

  private toward(back: Point, from: Offset, to: Offset, width = 1): void {
    this.pen.on('supports').aligned(this.at, back, from, to, { ...this.style, width });
  }
}

/** The sides of a square about its middle. */
function square(half: number): [Offset, Offset][] {
  const corners: Offset[] = [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ];
  return corners.map((corner, i) => [corner, corners[(i + 1) % 4]!]);
}
