import type { PlacedShape, PlacedShapes } from './placed-shapes.js';

/** From this share of the mass on a frame moves as a whole that way, or turns as a whole. */
const asAWhole = 0.2;
const turnsAsAWhole = 0.4;
/** From this share of the motion on a member moves by itself. */
const alone = 0.7;
/** Members from which on one can move by itself. */
const fewMembers = 4;

/**
 * What each shape is in words, by its effective masses: sway, up and down or twisting where the frame moves as a whole, else bending the
 * way in which most of the motion goes. "Along" is the longer side of the plan; a shape of the same words as one before is counted.
 *
 * @param titleOf a physical member's name
 */
export function shapeWords(
  placed: PlacedShapes,
  plane: boolean,
  titleOf: (line: string) => string,
): string[] {
  const counts = new Map<string, number>();
  return placed.shapes.map((shape) => {
    const words = wordsOf(placed, shape, plane, titleOf);
    const count = (counts.get(words) ?? 0) + 1;
    counts.set(words, count);
    return count === 1 ? words : `${ordinals[count - 2] ?? `${count}th`} ${words}`;
  });
}

const ordinals = ['second', 'third', 'fourth', 'fifth', 'sixth'];

function wordsOf(
  placed: PlacedShapes,
  { moves }: PlacedShape,
  plane: boolean,
  titleOf: (line: string) => string,
): string {
  const energy = energies(placed, moves);
  const total = energy.x + energy.y + energy.z;
  if (!(total > 0)) return 'no motion';
  let [worst, most] = ['', 0];
  for (const [line, own] of energy.byLine) if (own > most) [worst, most] = [line, own];
  if (energy.byLine.size >= fewMembers && worst !== '' && most > alone * total)
    return `${titleOf(worst)} by itself`;
  const share = effectiveShares(placed, moves, total);
  const { x: xWords, y: yWords } = sideWords(placed, plane);
  const whole = [
    { words: `sway${xWords}`, share: share.x, least: asAWhole },
    { words: `sway${yWords}`, share: share.y, least: asAWhole },
    { words: 'up and down', share: share.z, least: asAWhole },
    { words: 'twisting', share: share.turn, least: turnsAsAWhole },
  ].filter((one) => one.share >= one.least);
  if (whole.length > 0) return whole.reduce((a, b) => (b.share > a.share ? b : a)).words;
  if (energy.z >= energy.x && energy.z >= energy.y) return 'bending up and down';
  return `bending${energy.x >= energy.y ? xWords : yWords}`;
}

/** What motion along X and along Y is called: along and across the longer side of the plan. */
function sideWords({ points }: PlacedShapes, plane: boolean): { x: string; y: string } {
  if (plane) return { x: '', y: ' out of the plane' };
  const side = (axis: number): number => {
    let [low, high] = [Infinity, -Infinity];
    for (let i = axis; i < points.length; i += 3) {
      low = Math.min(low, points[i]!);
      high = Math.max(high, points[i]!);
    }
    return high - low;
  };
  return side(0) >= side(1) ? { x: ' along', y: ' across' } : { x: ' across', y: ' along' };
}

/** Σ m·u² by direction, and by physical member. */
function energies({ masses, lines }: PlacedShapes, moves: Float64Array) {
  const sums = [0, 0, 0];
  const byLine = new Map<string, number>();
  masses.forEach((mass, i) => {
    let own = 0;
    for (let k = 0; k < 3; k++) {
      const part = mass * moves[3 * i + k]! ** 2;
      sums[k]! += part;
      own += part;
    }
    byLine.set(lines[i]!, (byLine.get(lines[i]!) ?? 0) + own);
  });
  return { x: sums[0]!, y: sums[1]!, z: sums[2]!, byLine };
}

/** Shares of the mass that move along each axis as a whole, and of the rotary mass about the upright through the centre: (φᵀ·M·r)² / (φᵀ·M·φ · rᵀ·M·r). */
function effectiveShares({ masses, points }: PlacedShapes, moves: Float64Array, size: number) {
  const mass = masses.reduce((sum, one) => sum + one, 0);
  const centre = [0, 1].map((k) => masses.reduce((sum, one, i) => sum + one * points[3 * i + k]!, 0) / mass);
  let turn = 0;
  let rotary = 0;
  const sums = [0, 0, 0];
  masses.forEach((one, i) => {
    const [u, v, w] = [0, 1, 2].map((k) => moves[3 * i + k]!) as [number, number, number];
    const [x, y] = [points[3 * i]! - centre[0]!, points[3 * i + 1]! - centre[1]!];
    [u, v, w].forEach((value, k) => (sums[k]! += one * value));
    turn += one * (x * v - y * u);
    rotary += one * (x * x + y * y);
  });
  const [x, y, z] = sums.map((sum) => sum ** 2 / (mass * size)) as [number, number, number];
  return { x, y, z, turn: rotary > 0 ? turn ** 2 / (rotary * size) : 0 };
}
