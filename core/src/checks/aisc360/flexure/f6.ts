import { flangeWidth } from './f2.js';
import type { FlexureRule } from './flexure-rule.js';
import { logElement, root } from '../slenderness.js';

/** F6: I sections and channels about their minor axis. */
export const minorAxis: FlexureRule = {
  clause: 'F6',
  title: 'Flexure about z: yielding and flange local buckling',
  axis: 'z',
  lateral: false,
  applies: (s) => s.kind === 'i' || s.kind === 'unequal-i' || s.kind === 'channel',
  strength(s, _, log) {
    const q = root(s);
    const Mp = Math.min(s.fy * s.p.Wplz, 1.6 * s.fy * s.p.Welz);
    const e = logElement('flange', { lambda: flangeWidth(s) / s.tf, compact: 0.38 * q, slender: q }, log);
    log?.('Zy', s.p.Wplz, 'm3', s.name);
    log?.('Sy', s.p.Welz, 'm3', s.name);
    log?.('Mp', Mp, 'N·m', 'Fy·Zy ≤ 1.6·Fy·Sy', 'F6.1 eq. F6-1');
    let Mn = Mp;
    if (e.lambda > e.slender) Mn = ((0.69 * s.E) / e.lambda ** 2) * s.p.Welz;
    else if (e.lambda > e.compact)
      Mn = Mp - ((Mp - 0.7 * s.fy * s.p.Welz) * (e.lambda - e.compact)) / (e.slender - e.compact);
    log?.(
      'Mn',
      Mn,
      'N·m',
      e.lambda > e.slender
        ? '0.69·E/λ²·Sy'
        : e.lambda > e.compact
          ? 'Mp − (Mp − 0.7·Fy·Sy)·(λ − λpf)/(λrf − λpf)'
          : 'Mp',
      'F6.2',
    );
    return Mn;
  },
};
