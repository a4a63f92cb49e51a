import type { FrameState, VibrationMode } from '../../analysis/index.js';
import type { CalculationStep, MemberCheck, Stability } from '../../checks/index.js';
import type { Analysed } from '../stages/index.js';
import type { BuiltFrame } from '../../build/build.js';
import { conditionProgram } from '../../language/evaluate.js';
import { Tagged } from '../../geometry/select.js';
import type { FigureSpec } from '../../document/types.js';
import type { ResultSelection } from '../../results/index.js';
import type { QuantityName } from '../../units/quantities.js';
import type { MemberChecker } from '../../checks/index.js';

/** What a figure reads: one alternative built and analysed, and what came after as far as it is known. */
export interface FigureSource {
  readonly built: BuiltFrame;
  readonly forces: Analysed;
  readonly checker?: MemberChecker;
  readonly checks?: readonly MemberCheck[];
  readonly stability?: ReadonlyMap<string, Stability>;
  /** At least as many elastic modes as figures ask for. */
  readonly modes?: readonly VibrationMode[];
}

/** A figure's value, SI, with its sign, and where it was found. */
export interface FigureResult {
  readonly value: number;
  /** Load case or combination; absent for figures that no load changes. */
  readonly result?: string;
  readonly member?: string;
  /** m from the member's start. */
  readonly x?: number;
  /** Of the physical member, m, where the value reads as a share of it. */
  readonly length?: number;
  /** At a jump: the value just before x. */
  readonly before?: boolean;
  readonly node?: string;
  /** What else there is to say of it. */
  readonly note?: string;
}

/** What must be known before a figure can be: in the order in which an alternative is worked out. */
export type Needs = 'geometry' | 'forces' | 'checks' | 'stability' | 'modes';

/** A kind of figure: how to find it and how to show where it comes from. One a file, listed in `index.ts`. */
export interface FigureKind {
  readonly kind: string;
  readonly title: string;
  readonly needs: Needs;
  /** The sign says something beyond the drawing: which way it sways. */
  readonly signed: boolean;
  /** Which side of its limit is good. */
  readonly limitIs: 'most' | 'least';
  /** Combinations that judge it where the design does not say; `none` where loads do not matter. */
  readonly judgedBy: 'strength' | 'service' | 'none';
  /** What it is read from; a condition narrows it. */
  readonly of: 'members' | 'nodes' | 'frame';
  /** It can be the greatest magnitude, the greatest value or the least. */
  readonly hasSense?: boolean;
  /** It is counted: the first, the second … */
  readonly numbered?: boolean;
  /** It is reckoned by rates for families of sections. */
  readonly rated?: boolean;
  /** It also reads as a share: of a storey's height, as h/300, or of a member's length, as L/300. */
  readonly readsAs?: 'h' | 'L';
  /** Components it can be of, the first where the design does not say. */
  readonly components: readonly string[];
  quantity(spec: FigureSpec): QuantityName;
  /** The worst value over the selections; undefined where the frame has nothing to read it from. */
  compute(
    source: FigureSource,
    spec: FigureSpec,
    selections: readonly ResultSelection[],
  ): FigureResult | undefined;
  /** Of a force or a reaction: its value at the place of a result, in any state. */
  valueIn?(
    source: FigureSource,
    spec: FigureSpec,
    result: FigureResult,
  ): ((state: FrameState) => number) | undefined;
  /** The way to the value, line by line; the last line is the value. */
  trace(source: FigureSource, spec: FigureSpec, result: FigureResult): CalculationStep[];
}

/** The result of larger magnitude; the first where they are equal. */
export function worse(a: FigureResult | undefined, b: FigureResult): FigureResult {
  return a && Math.abs(a.value) >= Math.abs(b.value) * (1 - 1e-12) ? a : b;
}

/** Place of a figure's conditions, for messages. */
const placeOf = (spec: FigureSpec, field: string) => ({
  what: `figure "${spec.title}", ${field}`,
  where: { figure: spec.id, field },
});

/** Numbers of the frame's members that a figure is about. @throws ProblemError for a wrong condition */
export function membersOf({ built, forces }: FigureSource, spec: FigureSpec): number[] {
  const { memberIndex } = forces.frame;
  if (spec.members === undefined) return [...memberIndex.values()];
  const matches = conditionProgram(spec.members, built.names, placeOf(spec, 'members'));
  return Tagged.of(built.geometry)
    .selectMembers(matches)
    .flatMap(({ id }) => memberIndex.get(id) ?? []);
}

/** Numbers of the frame's nodes that a figure is about. @throws ProblemError for a wrong condition */
export function nodesOf({ built, forces }: FigureSource, spec: FigureSpec): number[] {
  const { nodeIndex } = forces.frame;
  if (spec.nodes === undefined) return [...nodeIndex.values()];
  const matches = conditionProgram(spec.nodes, built.names, placeOf(spec, 'nodes'));
  return Tagged.of(built.geometry)
    .selectNodes(matches)
    .flatMap(({ id }) => nodeIndex.get(id) ?? []);
}

/** The component that a figure is of; its kind's first one where it does not say, or says another. */
export const componentOf = (kind: Pick<FigureKind, 'components'>, spec: FigureSpec): string =>
  spec.component !== undefined && kind.components.includes(spec.component)
    ? spec.component
    : kind.components[0]!;
