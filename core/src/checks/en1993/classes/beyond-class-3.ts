import type { CheckSection } from '../../members/section.js';
import type { SectionClass } from './classification.js';

/** Tubes of class 4 belong to EN 1993-1-6, which these checks do not have. */
export function beyondClass3(s: CheckSection, cls: SectionClass): { reason: string } | undefined {
  return cls === 4 && s.kind === 'tube'
    ? {
        reason: `${s.name} is a class 4 circular hollow section (d/t = ${(s.h / s.tw).toFixed(0)} > 90ε²), which EN 1993-1-1 leaves to EN 1993-1-6; choose a thicker wall.`,
      }
    : undefined;
}

/** Angles of class 4 in bending: no effective section about their principal axes is given. */
export function bentAngleBeyondClass3(s: CheckSection, cls: SectionClass): { reason: string } | undefined {
  return cls === 4
    ? {
        reason: `${s.name} is a class 4 angle in bending, for which no effective section about its principal axes is given; choose a thicker one.`,
      }
    : undefined;
}
