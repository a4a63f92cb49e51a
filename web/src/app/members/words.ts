import type { CheckItem, ScheduledMember } from '@hashira/core';

const axisWords: Readonly<Record<NonNullable<CheckItem['axis']>, string>> = {
  y: 'in the plane of the section’s depth',
  z: 'out of that plane',
  u: 'about the strong principal axis',
  v: 'about the weak principal axis',
  T: 'by torsion',
  TF: 'by torsion and bending',
};

/** A condition in words: what it is, and about which axis where its title does not say. */
export function conditionWords({ title, axis }: Pick<CheckItem, 'title' | 'axis'>): string {
  if (axis === undefined || new RegExp(`\\b(about|along) ${axis}\\b`).test(title)) return title;
  return axis in axisWords ? `${title}, ${axisWords[axis]}` : title;
}

/** What governs a member, in words; or why it is not covered. */
export function governsWords({ governs, reasons, standing }: ScheduledMember): string {
  if (standing === 'not covered' || !governs) return reasons.join(' ') || 'nothing acts on it';
  return [`${conditionWords(governs)}, ${governs.combination}`, governs.situation].filter(Boolean).join(', ');
}
