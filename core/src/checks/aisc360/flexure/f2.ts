import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import type { BendingStretch, FlexureRule } from './flexure-rule.js';
import { flexuralFlange, flexuralWeb, root } from '../slenderness.js';

/** Width of the flange whose slenderness counts: half an I's, all of a channel's. m */
export const flangeWidth = (s: CheckSection): number => (s.kind === 'channel' ? s.b : s.b / 2);

export const compactWeb = (s: CheckSection): boolean => {
  const web = flexuralWeb(s);
  return web.lambda <= web.compact;
};
export const compactFlange = (s: CheckSection): boolean => {
  const flange = flexuralFlange(s, flangeWidth(s), s.tf, 0.7 * s.fy);
  return flange.lambda <= flange.compact;
};

/** Mp = Fy·Zx, N·m. */
export function plasticMoment(s: CheckSection, log?: StepLog): number {
  const Mp = s.fy * s.p.Wply;
  log?.('Zx', s.p.Wply, 'm3', s.name);
  log?.('Mp', Mp, 'N·m', 'Fy·Zx', 'F2.1 eq. F2-1');
  return Mp;
}

/** Lateral-torsional buckling of doubly symmetric I sections and channels, F2.2; no more than Mp. N·m */
export function lateralTorsional(s: CheckSection, { Lb, Cb }: BendingStretch, log?: StepLog): number {
  const { p } = s;
  const Mp = plasticMoment(s, log);
  const ho = s.h - s.tf;
  const Sx = p.Wely;
  const rts = Math.sqrt(Math.sqrt(p.Iz * p.Iw) / Sx);
  const c = s.kind === 'channel' ? (ho / 2) * Math.sqrt(p.Iz / p.Iw) : 1;
  const Jc = (p.J * c) / (Sx * ho);
  const low = 0.7 * s.fy;
  const Lp = 1.76 * p.iz * root(s);
  const Lr = 1.95 * rts * (s.E / low) * Math.sqrt(Jc + Math.sqrt(Jc * Jc + 6.76 * (low / s.E) ** 2));
  log?.('Sx', Sx, 'm3', s.name);
  log?.('rts', rts, 'm', '√(√(Iy·Cw)/Sx)', 'F2.2 eq. F2-7');
  log?.('Lp', Lp, 'm', '1.76·ry·√(E/Fy)', 'F2.2 eq. F2-5');
  log?.(
    'Lr',
    Lr,
    'm',
    '1.95·rts·E/(0.7·Fy)·√(J·c/(Sx·ho) + √((J·c/(Sx·ho))² + 6.76·(0.7·Fy/E)²))',
    'F2.2 eq. F2-6',
  );
  let Mn = Mp;
  if (Lb > Lr) {
    const slender = Lb / rts;
    const Fcr = ((Cb * Math.PI ** 2 * s.E) / slender ** 2) * Math.sqrt(1 + 0.078 * Jc * slender ** 2);
    log?.('Fcr', Fcr, 'N/m2', 'Cb·π²·E/(Lb/rts)²·√(1 + 0.078·J·c/(Sx·ho)·(Lb/rts)²)', 'F2.2 eq. F2-4');
    Mn = Math.min(Mp, Fcr * Sx);
  } else if (Lb > Lp) Mn = Math.min(Mp, Cb * (Mp - ((Mp - low * Sx) * (Lb - Lp)) / (Lr - Lp)));
  log?.(
    'Mn',
    Mn,
    'N·m',
    Lb > Lr ? 'Fcr·Sx ≤ Mp' : Lb > Lp ? 'Cb·(Mp − (Mp − 0.7·Fy·Sx)·(Lb − Lp)/(Lr − Lp)) ≤ Mp' : 'Mp',
    `F2.2 eq. ${Lb > Lr ? 'F2-3' : Lb > Lp ? 'F2-2' : 'F2-1'}`,
  );
  return Mn;
}

/** F2: doubly symmetric compact I sections and channels about their major axis. */
export const channelAndCompactI: FlexureRule = {
  clause: 'F2',
  title: 'Flexure about y: yielding and lateral-torsional buckling',
  axis: 'y',
  lateral: true,
  applies: (s) => (s.kind === 'i' || s.kind === 'channel') && compactWeb(s) && compactFlange(s),
  strength: lateralTorsional,
};
