import type { Shape } from '../../model/types.js';
import type { Point } from '../../geometry/vector.js';
import { cutTurn, type EndPlane } from './cuts.js';

/** Turns by which a section falls onto itself, as what they do to local x, y and z. */
type Turn = (p: Point) => Point;
const same: Turn = (p) => p;
const aboutX: Turn = ([x, y, z]) => [x, -y, -z];
const aboutY: Turn = ([x, y, z]) => [-x, y, -z];
const aboutZ: Turn = ([x, y, z]) => [-x, -y, z];
const quarter: Turn = ([x, y, z]) => [x, -z, y];

const twofold: readonly Turn[] = [same, aboutX, aboutY, aboutZ];
const fourfold: readonly Turn[] = [
  ...twofold,
  ...twofold.map(
    (turn): Turn =>
      (p) =>
        quarter(turn(p)),
  ),
];

/** Turns of a piece of steel, end for end or about its axis, after which it looks the same apart from its cuts. */
function turnsOf(shape: Shape | undefined): readonly Turn[] {
  if (!shape) return [same];
  switch (shape.type) {
    case 'i':
      return 'bTop' in shape ? [same, aboutZ] : twofold;
    case 'plated-i':
    case 'double-channel':
      return twofold;
    case 'plate-box':
      return twofold;
    case 'rectangular-hollow':
    case 'rectangle':
      return Math.abs(shape.h - shape.b) < 1e-9 ? fourfold : twofold;
    case 'circular-hollow':
    case 'round':
      return twofold;
    case 'channel':
      return [same, aboutY];
    case 'tee':
      return [same, aboutZ];
    case 'angle':
    case 'outline':
      return [same];
  }
}

const isRound = (shape: Shape | undefined) => shape?.type === 'circular-hollow' || shape?.type === 'round';

/** Cuts that differ by less than 1e-4 in direction are one. */
const told = (normal: Point) => normal.map((c) => (Math.round(c * 1e4) / 1e4 + 0).toFixed(4)).join(',');

/** A text that is the same for two pieces of one section and length whose cuts fall together when one is turned. */
export function cutsKey(shape: Shape | undefined, start: EndPlane, end: EndPlane): string {
  const keys = turnsOf(shape).flatMap((turn) => {
    const [a, b] = [turn(start.normal), turn(end.normal)];
    const [first, last] = a[0] < 0 ? [a, b] : [b, a];
    if (!isRound(shape)) return [`${told(first)} ${told(last)}`];
    // A round section may be turned by any angle: its first sloping cut leans towards z
    const sloping = Math.hypot(first[1], first[2]) > 1e-6 ? first : last;
    const about = -cutTurn({ shorter: 0, normal: sloping });
    return [`${told(turnedAboutX(first, about))} ${told(turnedAboutX(last, about))}`];
  });
  return keys.sort()[0]!;
}

function turnedAboutX([x, y, z]: Point, angle: number): Point {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [x, c * y - s * z, s * y + c * z];
}
