import type { Forces, MemberState, StepLog } from '../check.js';
import type { PhysicalMember } from '../members/physical-member.js';
import { resistanceClass, type SectionClass } from './classes/classification.js';

/** The largest N in compression with the largest My and Mz of the member in one combination: what 6.3 is checked for. */
export function memberForces(state: MemberState): Forces {
  return {
    N: -state.compression.value,
    Vy: 0,
    Vz: 0,
    T: 0,
    My: state.My.signed,
    Mz: state.Mz.signed,
  };
}

/** Class of the section under {@link memberForces}. */
export function memberClass(member: PhysicalMember, state: MemberState, log?: StepLog): SectionClass {
  const known = log ? undefined : (state.memo.get(memberClass) as SectionClass | undefined);
  if (known !== undefined) return known;
  log?.('NEd', state.compression.value, 'N', 'largest compression, for the class');
  log?.('My,Ed', state.My.value, 'N·m', 'largest about y, for the class');
  log?.('Mz,Ed', state.Mz.value, 'N·m', 'largest about z, for the class');
  const cls = resistanceClass(member.section, memberForces(state), log);
  state.memo.set(memberClass, cls);
  return cls;
}
