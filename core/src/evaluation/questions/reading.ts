import type { FrameState } from '../../analysis/index.js';
import { envelopeStates } from '../../drawing/index.js';
import type { Analysed } from '../stages/index.js';
import type { Question } from './question.js';
import type { Namer } from '../../geometry/names.js';
import { forceAt, forceNames, globalDisplacementAt, type ForceName } from '../../results/index.js';

export type Forces = Readonly<Record<ForceName, number>>;

/** Values at one place of a member, in words and numbers; SI, local axes, displacements global. */
export interface Reading {
  readonly member: string;
  readonly title: string;
  readonly section: string;
  readonly x: number;
  readonly length: number;
  /** Of an envelope the greatest of each. */
  readonly forces: Forces;
  /** Of an envelope: the least of each. */
  readonly least?: Forces;
  /** Of a load case or combination. */
  readonly move?: readonly [number, number, number];
}

/** Values at a place of a member (a fraction of its piece) under what is shown; undefined where that has no forces. */
export function readingAt(
  forces: Analysed,
  namer: Namer,
  result: string,
  member: string,
  fraction: number,
): Reading | undefined {
  const { frame, states } = forces;
  const m = frame.memberIndex.get(member);
  if (m === undefined) return undefined;
  const x = Math.min(1, Math.max(0, fraction)) * frame.length[m]!;
  const about = {
    member,
    title: namer.member(member),
    section: frame.sections[m]!.title,
    x,
    length: frame.length[m]!,
  };
  const state = states.get(result);
  if (state)
    return {
      ...about,
      forces: forcesOf((name) => forceAt(state.field(m), name, x)),
      move: globalDisplacementAt(frame, state.field(m), m, x),
    };
  const all = envelopeStates(forces, result).map((one) => one.state);
  if (all.length === 0) return undefined;
  const extreme = (better: (...values: number[]) => number) =>
    forcesOf((name) => better(...all.map((one: FrameState) => forceAt(one.field(m), name, x))));
  return { ...about, forces: extreme(Math.max), least: extreme(Math.min) };
}

const forcesOf = (value: (name: ForceName) => number): Forces =>
  Object.fromEntries(forceNames.map((name) => [name, value(name)])) as Record<ForceName, number>;

/** Values at a place of a member, by its fraction of the piece, under what is shown. */
export const reading: Question<
  { readonly member: string; readonly fraction: number },
  Reading | undefined
> = ({ evaluation, namer }, { member, fraction }, shown) =>
  evaluation && namer && readingAt(evaluation.forces, namer, shown, member, fraction);
