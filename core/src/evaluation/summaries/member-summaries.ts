import type { MemberCheck } from '../../checks/index.js';
import type { Analysed } from '../stages/index.js';
import type { Namer } from '../../geometry/names.js';
import type { MemberSummary } from './summary.js';

/** Members that a summary lists. */
const mostListed = 100;

/** The checks of physical members as the screens list them: failing ones first, then those not covered, then by utilisation. */
export function memberSummaries(
  checks: readonly MemberCheck[],
  { frame }: Analysed,
  namer: Namer,
): MemberSummary[] {
  const rank = ({ status, utilisation }: MemberCheck) =>
    (status === 'fail' ? 2e6 : status === 'not covered' ? 1e6 : 0) + (utilisation ?? 0);
  return [...checks]
    .sort((a, b) => rank(b) - rank(a))
    .slice(0, mostListed)
    .map(({ member, of, status, utilisation, governs, reasons }) => ({
      member,
      of,
      title: namer.member(of.length > 1 ? member : of[0]!),
      section: frame.sections[frame.memberIndex.get(of[0]!)!]!.title,
      status,
      ...(utilisation === undefined ? {} : { utilisation }),
      because:
        reasons.length > 0 && status !== 'fail'
          ? reasons.join(' ')
          : governs
            ? [`${governs.title} under ${governs.combination}`, governs.situation].filter(Boolean).join(', ')
            : reasons.join(' '),
    }));
}
