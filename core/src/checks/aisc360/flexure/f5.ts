import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { slenderWeb } from './f4.js';
import type { FlexureRule } from './flexure-rule.js';
import { bendingReduction, girderOf, type Girder } from './plate-girder.js';
import { flexuralFlange, logElement, root, webFactor } from '../slenderness.js';

/** F5: I sections with slender webs about their major axis. */
export const slenderWebs: FlexureRule = {
  clause: 'F5',
  title: 'Flexure about y: slender web',
  axis: 'y',
  lateral: true,
  applies: (s) => (s.kind === 'i' || s.kind === 'unequal-i') && (slenderWeb(s, 1) || slenderWeb(s, -1)),
  strength(s, { Lb, Cb, moment }, log) {
    const g = girderOf(s, moment);
    const Rpg = bendingReduction(s, g.aw, g.hc / s.tw);
    log?.('Rpg', Rpg, '', '1 − aw/(1200 + 300·aw)·(hc/tw − 5.7·√(E/Fy)) ≤ 1', 'F5.2 eq. F5-6');
    const stress = Math.min(s.fy, lateralStress(s, g, Lb, Cb, log), flangeStress(s, g, log));
    const compression = Rpg * stress * g.Sxc;
    log?.('Mn compression', compression, 'N·m', 'Rpg·Fcr·Sxc', 'F5 eq. F5-1, F5-2, F5-7');
    const tension = g.Sxt < g.Sxc ? s.fy * g.Sxt : Infinity;
    if (tension < Infinity) log?.('Mn tension flange', tension, 'N·m', 'Fy·Sxt', 'F5.4 eq. F5-10');
    const Mn = Math.min(compression, tension);
    log?.('Mn', Mn, 'N·m', 'the least', 'F5');
    return Mn;
  },
};

function lateralStress(s: CheckSection, g: Girder, Lb: number, Cb: number, log?: StepLog): number {
  const Lp = 1.1 * g.rt * root(s);
  const Lr = Math.PI * g.rt * Math.sqrt(s.E / (0.7 * s.fy));
  const Fcr =
    Lb <= Lp
      ? s.fy
      : Lb <= Lr
        ? Math.min(s.fy, Cb * (s.fy - (0.3 * s.fy * (Lb - Lp)) / (Lr - Lp)))
        : Math.min(s.fy, (Cb * Math.PI ** 2 * s.E) / (Lb / g.rt) ** 2);
  log?.('Lp', Lp, 'm', '1.1·rt·√(E/Fy)', 'F5.2');
  log?.('Lr', Lr, 'm', 'π·rt·√(E/(0.7·Fy))', 'F5.2 eq. F5-5');
  log?.('Fcr lateral', Fcr, 'N/m2', 'lateral-torsional buckling', 'F5.2 eq. F5-3, F5-4');
  return Fcr;
}

function flangeStress(s: CheckSection, g: Girder, log?: StepLog): number {
  const e = logElement('flange', flexuralFlange(s, g.bfc / 2, g.tfc, 0.7 * s.fy), log);
  if (e.lambda <= e.compact) return s.fy;
  return e.lambda > e.slender
    ? (0.9 * s.E * webFactor(s)) / e.lambda ** 2
    : s.fy - (0.3 * s.fy * (e.lambda - e.compact)) / (e.slender - e.compact);
}
