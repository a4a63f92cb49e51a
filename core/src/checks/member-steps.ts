import type { CalculationStep } from './check.js';
import type { MemberChecker } from './check-members.js';

/** Every condition of a physical member with its utilisation, the worst first, then the way to the worst; empty for an unknown one. */
export function checkedSteps(checker: MemberChecker, member: string): CalculationStep[] {
  const index = checker.members.findIndex(({ id }) => id === member);
  if (index < 0) return [];
  const { items, governs, reasons } = checker.check(index, { steps: true });
  const covered = [...items].sort((a, b) => (b.utilisation ?? Infinity) - (a.utilisation ?? Infinity));
  return [
    ...covered.flatMap(({ title, utilisation, combination, clause, axis, reason }): CalculationStep[] =>
      utilisation === undefined
        ? [{ symbol: title, value: 0, unit: 'not covered', from: reason ?? reasons.join(' '), clause }]
        : [
            {
              symbol: axis && !/ (about|along) /.test(title) ? `${title}, ${axis}` : title,
              value: utilisation,
              unit: '',
              from: `under ${combination}`,
              clause,
            },
          ],
    ),
    ...(governs?.steps ?? []),
  ];
}
