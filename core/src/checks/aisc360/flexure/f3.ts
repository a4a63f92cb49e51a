import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { compactWeb, flangeWidth, lateralTorsional } from './f2.js';
import type { FlexureRule } from './flexure-rule.js';
import { flexuralFlange, logElement, webFactor } from '../slenderness.js';

/** Compression flange local buckling, F3.2. N·m */
function flangeBuckling(s: CheckSection, log?: StepLog): number {
  const e = logElement('flange', flexuralFlange(s, flangeWidth(s), s.tf, 0.7 * s.fy), log);
  const Mp = s.fy * s.p.Wply;
  const Sx = s.p.Wely;
  const Mn =
    e.lambda > e.slender
      ? (0.9 * s.E * webFactor(s) * Sx) / e.lambda ** 2
      : Mp - ((Mp - 0.7 * s.fy * Sx) * (e.lambda - e.compact)) / (e.slender - e.compact);
  log?.(
    'Mn flange',
    Mn,
    'N·m',
    e.lambda > e.slender ? '0.9·E·kc·Sx/λ²' : 'Mp − (Mp − 0.7·Fy·Sx)·(λ − λpf)/(λrf − λpf)',
    `F3.2 eq. F3-${e.lambda > e.slender ? 2 : 1}`,
  );
  return Mn;
}

/** F3: doubly symmetric I sections with compact webs and noncompact or slender flanges; channels likewise. */
export const noncompactFlanges: FlexureRule = {
  clause: 'F3',
  title: 'Flexure about y: lateral-torsional and flange local buckling',
  axis: 'y',
  lateral: true,
  applies: (s) => (s.kind === 'i' || s.kind === 'channel') && compactWeb(s),
  strength: (s, stretch, log) => Math.min(lateralTorsional(s, stretch, log), flangeBuckling(s, log)),
};
