import type { FlexureRule } from './flexure-rule.js';

const tube = (axis: 'y' | 'z'): FlexureRule => ({
  clause: 'F8',
  title: `Flexure about ${axis} of a round hollow section`,
  axis,
  lateral: false,
  applies: (s) => s.kind === 'tube' && s.h / s.tw < (0.45 * s.E) / s.fy,
  strength(s, _, log) {
    const slender = s.h / s.tw;
    const Mp = s.fy * s.p.Wply;
    const S = s.p.Wely;
    log?.(
      'D/t',
      slender,
      '',
      `λp = ${((0.07 * s.E) / s.fy).toFixed(1)}, λr = ${((0.31 * s.E) / s.fy).toFixed(1)}`,
      'Table B4.1b',
    );
    log?.('Mp', Mp, 'N·m', 'Fy·Z', 'F8.1 eq. F8-1');
    let Mn = Mp;
    if (slender > (0.31 * s.E) / s.fy) Mn = ((0.33 * s.E) / slender) * S;
    else if (slender > (0.07 * s.E) / s.fy) Mn = ((0.021 * s.E) / slender + s.fy) * S;
    log?.('Mn', Math.min(Mp, Mn), 'N·m', 'yielding or local buckling', 'F8.2 eq. F8-2 to F8-4');
    return Math.min(Mp, Mn);
  },
});

/** F8: round hollow sections. */
export const tubes: readonly FlexureRule[] = [tube('y'), tube('z')];
