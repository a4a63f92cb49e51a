import type { Frame, StaticResults } from '../analysis/index.js';
import { yieldStrength } from '../library/materials.js';
import { memberField, type ResultSelection } from '../results/index.js';
import type { CheckItem, MemberCheck } from './check.js';
import { en1993Checks, recommendedFactors } from './en1993/index.js';

/** Checks one member for all strength combinations; with `withSteps` each item can be followed by hand. */
export function checkMember(
  frame: Frame,
  results: StaticResults,
  selections: readonly ResultSelection[],
  member: number,
  withSteps = false,
): MemberCheck {
  const id = frame.memberIds[member]!;
  const section = frame.sections[member]!;
  const notCovered = (reason: string): MemberCheck => ({
    member: id,
    status: 'not covered',
    items: [],
    reasons: [reason],
  });
  if (section.material.kind !== 'steel')
    return notCovered(`Material "${section.material.id}" is not steel; this version checks steel members.`);
  const d = section.dimensions;
  const thickness = d ? Math.max(d.tf, d.tw) : 0;
  const fy = yieldStrength(section.material, thickness);
  if (fy === undefined)
    return notCovered(
      `Material "${section.material.id}" gives no yield strength for ${(thickness * 1e3).toFixed(0)} mm.`,
    );
  const strength = selections.filter((selection) => selection.state === 'strength');
  if (strength.length === 0) return notCovered('The model has no strength combination.');
  const combinations = strength.map(({ id: combination, factors }) => ({
    id: combination,
    field: memberField(frame, results, member, factors),
  }));
  const items: CheckItem[] = [];
  const reasons: string[] = [];
  for (const check of en1993Checks) {
    const outcome = check(
      { member: id, length: frame.length[member]!, section, fy, factors: recommendedFactors, combinations },
      withSteps,
    );
    if ('notCovered' in outcome) reasons.push(outcome.notCovered);
    else items.push(...outcome);
  }
  if (items.length === 0) return { member: id, status: 'not covered', items, reasons };
  const governs = items.reduce((a, b) => (b.utilisation > a.utilisation ? b : a));
  const status = governs.status === 'fail' ? 'fail' : reasons.length > 0 ? 'not covered' : 'pass';
  return { member: id, status, utilisation: governs.utilisation, governs, items, reasons };
}

/** Checks every member. */
export function checkMembers(
  frame: Frame,
  results: StaticResults,
  selections: readonly ResultSelection[],
): MemberCheck[] {
  return frame.memberIds.map((_, m) => checkMember(frame, results, selections, m));
}
