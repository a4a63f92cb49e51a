import {
  bucklingModes,
  prepareEquations,
  vibrationModes,
  type BucklingMode,
  type VibrationMode,
} from '../analysis/index.js';
import type { Shapes } from '../drawing/index.js';
import { isFree, rigidMotions } from '../model/free.js';
import type { Analysed } from './stages/index.js';

/** Buckling shapes and modes beyond the first that are worked out together. */
const together = { buckling: 4, modes: 6 };

/** What was found while the alternative was worked out, by strength combination, and its modes. */
export interface KnownShapes {
  readonly buckling: ReadonlyMap<string, readonly BucklingMode[]> | undefined;
  readonly modes: readonly VibrationMode[] | undefined;
}

/** Shapes of an alternative: those that were found on the way, others worked out when they are asked for, each once. */
export class ShapesOnDemand implements Shapes {
  private readonly buckled = new Map<string, readonly BucklingMode[]>();
  private vibrating: readonly VibrationMode[] | undefined;
  private searched = 0;

  private known: KnownShapes = { buckling: undefined, modes: undefined };

  constructor(private readonly forces: Analysed) {}

  /** Takes what a stage found. */
  learn(known: KnownShapes): void {
    this.known = known;
  }

  buckling(combination: string, number: number): BucklingMode | undefined {
    const known = this.buckled.get(combination) ?? this.known.buckling?.get(combination);
    // What was worked out here is all there is
    if (known && (number <= known.length || this.buckled.has(combination))) return known[number - 1];
    const first = this.forces.first();
    const state = first.states.get(combination);
    if (!state) return undefined;
    const found = bucklingModes(first.prepared, state, Math.max(number, together.buckling));
    this.buckled.set(combination, found);
    return found[number - 1];
  }

  /** Elastic modes alone count: the motions of a free body as a whole are left out. */
  mode(number: number): VibrationMode | undefined {
    const known = elastic(this.vibrating ?? this.known.modes ?? []);
    if (number <= known.length) return known[number - 1];
    const count = Math.max(number, together.modes);
    const { given, frame } = this.forces;
    // Searched again only where more are asked for
    if (this.searched < count) {
      this.searched = count;
      const left = isFree(given) ? rigidMotions[given.space] : 0;
      this.vibrating = vibrationModes(prepareEquations(frame), count + left);
    }
    return elastic(this.vibrating ?? [])[number - 1];
  }
}

const elastic = (modes: readonly VibrationMode[]): VibrationMode[] =>
  modes.filter(({ frequency }) => frequency > 0);
