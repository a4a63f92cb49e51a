import type { MemberCheckRule } from '../check.js';
import type { CheckSection } from '../members/section.js';
import { smallMoment } from './common.js';
import { flexureRule } from './flexure/flexure.js';

/** Why chapter F has nothing for a section. */
export const tooSlender = (s: CheckSection): string =>
  `Chapter F does not cover ${s.name} in flexure: its walls are too slender; choose a thicker one.`;

/** Bending of sections whose walls chapter F leaves out. */
export const slenderBeyond: MemberCheckRule = {
  scope: 'member',
  clause: 'F1',
  title: 'Flexure',
  covers: (member) =>
    !member.tapered &&
    member.section.kind !== 'angle' &&
    !(flexureRule(member, 'y') && flexureRule(member, 'z')),
  evaluate(member, state) {
    const { section: s } = member;
    if (smallMoment(s, state.My.value, 'y') && smallMoment(s, state.Mz.value, 'z')) return undefined;
    return { reason: tooSlender(s) };
  },
};

/** Members that taper: the specification's rules are for uniform ones. */
export const notTapered: MemberCheckRule = {
  scope: 'member',
  clause: 'F13',
  title: 'Tapered member',
  covers: (member) => member.tapered,
  evaluate: (member) => ({
    reason: `Member "${member.id}" tapers; chapters E and F are for uniform members. Divide it into uniform ones.`,
  }),
};
