import type { StepLog } from '../../check.js';
import { angleAsymmetry } from '../../members/principal-axes.js';
import type { CheckSection } from '../../members/section.js';
import type { FlexureRule } from './flexure-rule.js';
import { logElement, root } from '../slenderness.js';

/** Leg local buckling with its toe in compression, F10.3. N·m */
function legBuckling(s: CheckSection, Sc: number, log?: StepLog): number {
  const q = root(s);
  const e = logElement(
    'leg',
    { lambda: Math.max(s.h, s.b) / s.tw, compact: 0.54 * q, slender: 0.91 * q },
    log,
  );
  if (e.lambda <= e.compact) return Infinity;
  return e.lambda <= e.slender
    ? s.fy * Sc * (2.43 - (1.72 * e.lambda) / q)
    : ((0.71 * s.E) / e.lambda ** 2) * Sc;
}

/** F10: single angles about the major principal axis. */
export const angleMajor: FlexureRule = {
  clause: 'F10',
  title: 'Flexure of an angle about its major principal axis',
  axis: 'u',
  lateral: true,
  applies: (s) => s.kind === 'angle',
  strength(s, { Lb, Cb, moment }, log) {
    const { p } = s;
    const My = s.fy * p.Welu;
    log?.('My', My, 'N·m', 'Fy·S about u', 'F10.1');
    let Mn = 1.5 * My;
    if (Lb > 0) {
      const rz = p.iv;
      // Positive where the shorter leg is in compression (F10.2)
      const beta = -Math.sign(moment) * angleAsymmetry(s);
      const term = (4.4 * beta * rz) / (Lb * s.tw);
      const Mcr =
        ((9 * s.E * p.A * rz * s.tw * Math.min(1.5, Cb)) / (8 * Lb)) * (Math.sqrt(1 + term * term) + term);
      if (beta !== 0) log?.('βw', beta, 'm', 'asymmetry of the legs', 'F10.2');
      log?.(
        'Mcr',
        Mcr,
        'N·m',
        '9·E·A·rz·t·Cb/(8·Lb)·(√(1 + (4.4·βw·rz/(Lb·t))²) + 4.4·βw·rz/(Lb·t))',
        'F10.2 eq. F10-4',
      );
      Mn =
        My / Mcr <= 1
          ? Math.min(1.5 * My, (1.92 - 1.17 * Math.sqrt(My / Mcr)) * My)
          : (0.92 - (0.17 * Mcr) / My) * Mcr;
    }
    Mn = Math.min(Mn, legBuckling(s, p.Welu, log));
    log?.('Mn', Mn, 'N·m', 'the least of 1.5·My, lateral-torsional and leg local buckling', 'F10');
    return Mn;
  },
};

/** F10: single angles about the minor principal axis; no lateral-torsional buckling. */
export const angleMinor: FlexureRule = {
  clause: 'F10',
  title: 'Flexure of an angle about its minor principal axis',
  axis: 'v',
  lateral: false,
  applies: (s) => s.kind === 'angle',
  strength(s, _, log) {
    const My = s.fy * s.p.Welv;
    const Mn = Math.min(1.5 * My, legBuckling(s, s.p.Welv, log));
    log?.('My', My, 'N·m', 'Fy·S about v', 'F10.1');
    log?.('Mn', Mn, 'N·m', 'the lesser of 1.5·My and leg local buckling', 'F10');
    return Mn;
  },
};
