import type { Frame } from '../../analysis/index.js';
import type { Load } from '../../model/types.js';

/** Horizontal directions, and how they are told. */
export interface Sense {
  readonly direction: readonly [number, number];
  readonly words: string;
}

/** Both senses of every direction in which a frame can sway: in the plane, or along and across its longest level member. */
export function allSenses(frame: Frame): readonly Sense[] {
  if (frame.plane) return [sense(1, 0), sense(-1, 0)];
  const [x, y] = longestInPlan(frame);
  return [sense(x, y), sense(-x, -y), sense(-y, x), sense(y, -x)];
}

/** A horizontal direction, in words along an axis where it is. */
export function sense(x: number, y: number): Sense {
  const near = (value: number) => (Math.abs(value) < 1e-9 ? 0 : value);
  const direction = [near(x), near(y)] as const;
  const along =
    direction[1] === 0 ? `${x > 0 ? '+' : '−'}x` : direction[0] === 0 ? `${y > 0 ? '+' : '−'}y` : '';
  const both = () => `(${direction.map((v) => v.toFixed(2).replace('-', '−')).join(', ')})`;
  return { direction, words: `towards ${along || both()}` };
}

/** Direction in plan of the member that reaches furthest there; along x where all stand. */
function longestInPlan({ axes, length, axialOnly }: Frame): [number, number] {
  let found: [number, number] = [1, 0];
  let most = 0;
  length.forEach((L, m) => {
    // Bars brace the frame: they run across its directions
    if (axialOnly[m]) return;
    const [x, y] = [axes[9 * m]!, axes[9 * m + 1]!];
    const size = Math.hypot(x, y);
    if (!(size * L > most * (1 + 1e-6)) || size < 1e-3) return;
    most = size * L;
    found = [x / size, y / size];
  });
  return found;
}

/** Sway below which a frame hardly sways, as a share of the initial sway that is taken. */
export const hardly = 0.1;

/** Loads of a combination in one sense. */
export type SenseLoads = Sense & { readonly loads: readonly Load[] };

/** What was taken, at length and in short. */
export interface Told {
  readonly long: string;
  readonly short: string;
}
