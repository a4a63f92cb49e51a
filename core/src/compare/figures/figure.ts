import type { Frame, StaticResults } from '../../analysis/index.js';
import type { CalculationStep, MemberCheck } from '../../capacity/index.js';
import type { BuiltFrame } from '../../recipe/build.js';
import type { ResultSelection } from '../../results/index.js';
import type { QuantityName } from '../../units/quantities.js';

/** Names of the figures that alternatives are compared by. */
export type FigureId =
  | 'mass'
  | 'sway'
  | 'deflection'
  | 'column-moment'
  | 'rafter-moment'
  | 'base-moment'
  | 'horizontal-reaction'
  | 'vertical-reaction'
  | 'utilisation';

/** What a figure reads: one alternative built, analysed and checked. */
export interface FigureSource {
  readonly built: BuiltFrame;
  readonly frame: Frame;
  readonly results: StaticResults;
  /** Resultant of each load case about the origin, 6 each. */
  readonly resultants: readonly Float64Array[];
  readonly selections: readonly ResultSelection[];
  readonly checks: readonly MemberCheck[];
}

/** A figure's value, SI, with its sign, and where it was found. */
export interface FigureResult {
  readonly value: number;
  /** Load case or combination; absent for figures that no load changes. */
  readonly result?: string;
  readonly member?: string;
  /** m from the member's start. */
  readonly x?: number;
  /** At a jump: the value just before x. */
  readonly before?: boolean;
  readonly node?: string;
}

/** One figure: how to find it and how to show where it comes from. One a file, listed in `index.ts`. */
export interface Figure {
  readonly id: FigureId;
  readonly title: string;
  readonly quantity: QuantityName;
  /** The sign says something beyond the drawing: which way it sways. */
  readonly signed: boolean;
  /** Combinations that judge it; `none` where loads do not matter. */
  readonly judgedBy: 'strength' | 'service' | 'none';
  /** The worst value over the selections; undefined where the frame has nothing to read it from. */
  compute(source: FigureSource, selections: readonly ResultSelection[]): FigureResult | undefined;
  /** The way from loads and stiffness to the value, line by line. */
  trace(source: FigureSource, result: FigureResult): CalculationStep[];
}

/** The result of larger magnitude; the first where they are equal. */
export function worse(a: FigureResult | undefined, b: FigureResult): FigureResult {
  return a && Math.abs(a.value) >= Math.abs(b.value) * (1 - 1e-12) ? a : b;
}
