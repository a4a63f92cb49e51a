import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { compactWeb } from './f2.js';
import type { FlexureRule } from './flexure-rule.js';
import { girderOf, residualLevel, type Girder } from './plate-girder.js';
import { flexuralFlange, logElement, root, webFactor } from '../slenderness.js';

/** λ, λp, λr of the web for the compression side (Table B4.1b cases 15, 16). */
function web(s: CheckSection, g: Girder): { lambda: number; compact: number; slender: number } {
  const q = root(s);
  const slender = 5.7 * q;
  if (s.kind === 'i') return { lambda: g.hc / s.tw, compact: 3.76 * q, slender };
  const Mp = s.fy * s.p.Wply;
  const My = s.fy * Math.min(g.Sxc, g.Sxt);
  const compact = Math.min(slender, ((g.hc / g.hp) * q) / (0.54 * (Mp / My) - 0.09) ** 2);
  return { lambda: g.hc / s.tw, compact, slender };
}

export function slenderWeb(s: CheckSection, moment: number): boolean {
  const { lambda, slender } = web(s, girderOf(s, moment));
  return lambda > slender;
}

/** Web plastification factor Rpc or Rpt, F4.2(6), F4.4. */
function plastification(s: CheckSection, g: Girder, S: number): number {
  if (g.Iyc / s.p.Iz <= 0.23) return 1;
  const Mp = Math.min(s.fy * s.p.Wply, 1.6 * s.fy * Math.min(g.Sxc, g.Sxt));
  const most = Mp / (s.fy * S);
  const { lambda, compact, slender } = web(s, g);
  if (lambda <= compact) return most;
  return Math.min(most, most - ((most - 1) * (lambda - compact)) / (slender - compact));
}

/** F4: other I sections with compact or noncompact webs about their major axis. */
export const otherI: FlexureRule = {
  clause: 'F4',
  title: 'Flexure about y: compression flange, lateral-torsional, local buckling, tension flange',
  axis: 'y',
  lateral: true,
  applies: (s) =>
    (s.kind === 'unequal-i' || (s.kind === 'i' && !compactWeb(s))) && !slenderWeb(s, 1) && !slenderWeb(s, -1),
  strength(s, { Lb, Cb, moment }, log) {
    const g = girderOf(s, moment);
    logElement('web', web(s, g), log);
    const FL = residualLevel(s, g);
    const Rpc = plastification(s, g, g.Sxc);
    const Myc = s.fy * g.Sxc;
    const yielding = Rpc * Myc;
    log?.('Sxc', g.Sxc, 'm3', s.name);
    log?.('Rpc', Rpc, '', 'web plastification factor', 'F4.2(6)');
    log?.('Mn yielding', yielding, 'N·m', 'Rpc·Fy·Sxc', 'F4.1 eq. F4-1');
    const lateral = lateralBuckling(s, g, { Lb, Cb, yielding, FL }, log);
    const local = flangeBuckling(s, g, yielding, FL, log);
    const Rpt = plastification(s, g, g.Sxt);
    const tension = g.Sxt < g.Sxc ? Rpt * s.fy * g.Sxt : Infinity;
    if (tension < Infinity) log?.('Mn tension flange', tension, 'N·m', 'Rpt·Fy·Sxt', 'F4.4 eq. F4-15');
    const Mn = Math.min(yielding, lateral, local, tension);
    log?.('Mn', Mn, 'N·m', 'the least', 'F4');
    return Mn;
  },
};

/** What lateral-torsional buckling starts from: Lb in m, Cb, the strength in yielding in N·m, the stress FL in Pa. */
interface Unbraced {
  readonly Lb: number;
  readonly Cb: number;
  readonly yielding: number;
  readonly FL: number;
}

function lateralBuckling(
  s: CheckSection,
  g: Girder,
  { Lb, Cb, yielding, FL }: Unbraced,
  log?: StepLog,
): number {
  // A compression flange with a small share of Iy twists without Saint-Venant's help (F4.2)
  const J = g.Iyc / s.p.Iz <= 0.23 ? 0 : s.p.J;
  const Jr = J / (g.Sxc * g.ho);
  const Lp = 1.1 * g.rt * root(s);
  const Lr = 1.95 * g.rt * (s.E / FL) * Math.sqrt(Jr + Math.sqrt(Jr * Jr + 6.76 * (FL / s.E) ** 2));
  log?.('rt', g.rt, 'm', 'bfc/√(12·(1 + aw/6))', 'F4.2 eq. F4-11');
  log?.('Lp', Lp, 'm', '1.1·rt·√(E/Fy)', 'F4.2 eq. F4-7');
  log?.('Lr', Lr, 'm', '1.95·rt·E/FL·√(J/(Sxc·ho) + √((J/(Sxc·ho))² + 6.76·(FL/E)²))', 'F4.2 eq. F4-8');
  let Mn = yielding;
  if (Lb > Lr) {
    const slender = Lb / g.rt;
    const Fcr = ((Cb * Math.PI ** 2 * s.E) / slender ** 2) * Math.sqrt(1 + 0.078 * Jr * slender ** 2);
    Mn = Math.min(yielding, Fcr * g.Sxc);
  } else if (Lb > Lp)
    Mn = Math.min(yielding, Cb * (yielding - ((yielding - FL * g.Sxc) * (Lb - Lp)) / (Lr - Lp)));
  log?.('Mn lateral', Mn, 'N·m', 'lateral-torsional buckling', 'F4.2');
  return Mn;
}

function flangeBuckling(s: CheckSection, g: Girder, yielding: number, FL: number, log?: StepLog): number {
  const e = logElement('flange', flexuralFlange(s, g.bfc / 2, g.tfc, FL), log);
  if (e.lambda <= e.compact) return yielding;
  const Mn =
    e.lambda > e.slender
      ? (0.9 * s.E * webFactor(s) * g.Sxc) / e.lambda ** 2
      : yielding - ((yielding - FL * g.Sxc) * (e.lambda - e.compact)) / (e.slender - e.compact);
  log?.('Mn flange', Mn, 'N·m', 'flange local buckling', 'F4.3');
  return Mn;
}
