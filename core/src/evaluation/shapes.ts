import {
  bucklingModes,
  prepareEquations,
  vibrationModes,
  type BucklingMode,
  type VibrationMode,
} from '../analysis/index.js';
import type { Shapes } from '../drawing/index.js';
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

  mode(number: number): VibrationMode | undefined {
    const known = this.vibrating ?? this.known.modes;
    if (known && number <= known.length) return known[number - 1];
    this.vibrating ??= vibrationModes(prepareEquations(this.forces.frame), Math.max(number, together.modes));
    return this.vibrating[number - 1];
  }
}
