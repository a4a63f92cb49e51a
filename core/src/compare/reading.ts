import type { Analysed } from '../pipeline/index.js';
import type { Namer } from '../recipe/geometry/names.js';
import { forceAt, forceNames, globalDisplacementAt, type ForceName } from '../results/index.js';

/** Values at one place of a member, in words and numbers; SI, local axes, displacements global. */
export interface Reading {
  readonly member: string;
  readonly title: string;
  readonly section: string;
  readonly x: number;
  readonly length: number;
  readonly forces: Readonly<Record<ForceName, number>>;
  readonly move: readonly [number, number, number];
}

/** Values at a place of a member (a share of its piece) under a load case or combination; undefined where there is none. */
export function readingAt(
  { frame, states }: Analysed,
  namer: Namer,
  result: string,
  member: string,
  share: number,
): Reading | undefined {
  const m = frame.memberIndex.get(member);
  const state = states.get(result);
  if (m === undefined || !state) return undefined;
  const field = state.field(m);
  const x = Math.min(1, Math.max(0, share)) * frame.length[m]!;
  return {
    member,
    title: namer.member(member),
    section: frame.sections[m]!.title,
    x,
    length: frame.length[m]!,
    forces: Object.fromEntries(forceNames.map((name) => [name, forceAt(field, name, x)])) as Record<
      ForceName,
      number
    >,
    move: globalDisplacementAt(frame, field, m, x),
  };
}
