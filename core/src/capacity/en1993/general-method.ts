import type { MemberCheckRule } from '../check.js';
import { tooSmall } from './too-small.js';
import { lateralStretches } from '../lengths.js';

/**
 * Members that taper: buckling by the general method of 6.3.4 needs the critical factor of the tapered member out of its plane, which
 * is not available here; members held throughout sideways and in compression below rounding need none.
 */
export const generalMethod: MemberCheckRule = {
  scope: 'member',
  clause: '6.3.4(2) eq. 6.63',
  title: 'Buckling of a tapered member',
  covers: (member) => member.tapered,
  evaluate(member, state) {
    const { section: s, design } = member;
    const compressed = !tooSmall(s, state.compression.value) && !(design.Lcy === 0 && design.Lcz === 0);
    const bent =
      state.My.value > 1e-7 * s.p.Wely * s.fy &&
      lateralStretches(member, state).length > 0 &&
      s.kind !== 'box' &&
      s.kind !== 'tube';
    if (!compressed && !bent) return undefined;
    return {
      reason: `Buckling of the tapered member "${member.id}" needs the general method of 6.3.4, which is not covered; hold it (Lcy, Lcz and LLT of 0) or divide it into uniform members.`,
    };
  },
};
