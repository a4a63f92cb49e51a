import type { BuiltFrame } from '../../build/build.js';
import type { MemberCheck, MemberChecker } from '../../checks/index.js';
import { bucklingLength, longestStretch, torsionalLength, type PhysicalMember } from '../../checks/index.js';
import type { Namer } from '../../geometry/names.js';
import type { Analysed } from '../stages/index.js';

/** A place along a physical member that is held. */
export interface RestraintAlong {
  /** m from the member's start. */
  readonly x: number;
  /** The node there, in words. */
  readonly title: string;
  readonly node: string;
  /** Across y or z, against turning (T), or a flange sideways. */
  readonly holds: readonly ('y' | 'z' | 'T' | 'flange' | 'top flange' | 'bottom flange')[];
  /** What gives it: its end, or a rule. */
  readonly from: string;
}

/** Where a physical member is held: at its ends, and where rules say so. */
export function restraintsAlong(
  member: PhysicalMember,
  { assignment, design }: BuiltFrame,
  { frame }: Analysed,
  namer: Namer,
): RestraintAlong[] {
  const nodeAt = (x: number): string => {
    const piece = member.pieces.find(({ from }) => Math.abs(from - x) <= 1e-9 * member.length);
    const node = piece
      ? frame.start[piece.member]!
      : frame.end[member.pieces[member.pieces.length - 1]!.member]!;
    return frame.nodeIds[node]!;
  };
  const places = new Set([...member.held.top, ...member.held.bottom]);
  const given = new Set(
    (member.design.restraints ?? []).map((one) => (typeof one === 'string' ? one : one.node)),
  );
  const rule = member.of
    .map((piece) => assignment.givenTo(piece).get('restraints'))
    .find((id) => id !== undefined);
  const ruleTitle = design.rules.find(({ id }) => id === rule)?.title ?? rule;
  return [...places]
    .sort((a, b) => a - b)
    .flatMap((x): RestraintAlong[] => {
      const node = nodeAt(x);
      const head = { x, title: namer.node(node), node };
      const end = x === 0 ? 'start' : x === member.length ? 'end' : undefined;
      if (given.has(node)) {
        const [top, bottom] = [member.held.top.includes(x), member.held.bottom.includes(x)];
        const holds = top && bottom ? 'flange' : top ? 'top flange' : 'bottom flange';
        return [{ ...head, holds: [holds], from: `rule ${ruleTitle ?? ''}`.trim() }];
      }
      if (end && member.freeEnds[end]) return [];
      const from = end ? (end === 'start' ? 'its start' : 'its end') : 'what meets it there';
      return [{ ...head, holds: ['y', 'z', 'T'], from }];
    });
}

/** A length that the checks take, m, and where it comes from. */
export interface LengthTaken {
  readonly value: number;
  readonly from: 'given' | 'its own length' | 'buckling analysis' | 'restraints';
}

export type LengthsTaken = Readonly<Record<'Lcy' | 'Lcz' | 'LT' | 'LLT', LengthTaken>>;

/** The lengths that a member's checks take: those of the combination that governs it. */
export function lengthsOf(
  checker: MemberChecker,
  index: number,
  member: PhysicalMember,
  governs: MemberCheck['governs'],
): LengthsTaken {
  const { design } = member;
  const states = checker.statesOf(index);
  const state = states.find(({ id }) => id === governs?.combination) ?? states[0];
  const about = (axis: 'y' | 'z'): LengthTaken => {
    const given = axis === 'y' ? design.Lcy : design.Lcz;
    const own: LengthTaken =
      given === undefined
        ? { value: member.length, from: 'its own length' }
        : { value: given, from: 'given' };
    if (!state || design.lengths !== 'buckling-analysis' || state.buckling?.[axis] === undefined) return own;
    return { value: bucklingLength(member, axis, state), from: 'buckling analysis' };
  };
  const hasTorsional = design.LT !== undefined || design.Lcz !== undefined;
  const stretch = longestStretch(member);
  return {
    Lcy: about('y'),
    Lcz: about('z'),
    LT: { value: torsionalLength(member), from: hasTorsional ? 'given' : 'its own length' },
    LLT: {
      value: stretch?.length ?? member.length,
      from:
        design.LLT !== undefined
          ? 'given'
          : (design.restraints ?? []).length > 0
            ? 'restraints'
            : 'its own length',
    },
  };
}
