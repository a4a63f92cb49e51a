import type { CheckSection } from '../../members/section.js';
import type { FlexureRule } from './flexure-rule.js';

const bar = (axis: 'y' | 'z'): FlexureRule => ({
  clause: 'F11',
  title: `Flexure about ${axis} of a solid bar`,
  axis,
  lateral: axis === 'y',
  applies: (s: CheckSection) => s.kind === 'rectangle' || s.kind === 'round',
  strength(s, { Lb, Cb }, log) {
    const [S, Z] = axis === 'y' ? [s.p.Wely, s.p.Wply] : [s.p.Welz, s.p.Wplz];
    const My = s.fy * S;
    const Mp = Math.min(s.fy * Z, (s.kind === 'round' ? 1.6 : 1.5) * My);
    log?.('Mp', Mp, 'N·m', s.kind === 'round' ? 'Fy·Z ≤ 1.6·My' : 'Fy·Z ≤ 1.5·My', 'F11.1 eq. F11-1');
    if (axis === 'z' || s.kind === 'round' || s.h <= s.b) return Mp;
    const ratio = (Lb * s.h) / s.b ** 2;
    log?.(
      'Lb·d/t²',
      ratio,
      '',
      `limits ${((0.08 * s.E) / s.fy).toFixed(1)}, ${((1.9 * s.E) / s.fy).toFixed(0)}`,
      'F11.2',
    );
    let Mn = Mp;
    if (ratio > (1.9 * s.E) / s.fy) Mn = ((1.9 * s.E * Cb) / ratio) * S;
    else if (ratio > (0.08 * s.E) / s.fy) Mn = Cb * (1.52 - (0.274 * ratio * s.fy) / s.E) * My;
    log?.(
      'Mn',
      Math.min(Mp, Mn),
      'N·m',
      'yielding or lateral-torsional buckling',
      'F11.2 eq. F11-2 to F11-4',
    );
    return Math.min(Mp, Mn);
  },
});

/** F11: rectangular and round bars. */
export const solidBars: readonly FlexureRule[] = [bar('y'), bar('z')];
