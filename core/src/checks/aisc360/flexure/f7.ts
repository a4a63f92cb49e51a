import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import type { BendingStretch, FlexureRule } from './flexure-rule.js';
import { bendingReduction } from './plate-girder.js';
import { flatWidth, logElement, root, webDepth, type FlexuralElement } from '../slenderness.js';

/** What bending about an axis makes of a box's walls: flange and web. */
function wallsFor(s: CheckSection, axis: 'y' | 'z') {
  const [web, flange] = [
    { width: webDepth(s), t: s.tw },
    { width: flatWidth(s), t: s.tf },
  ];
  return axis === 'y'
    ? { flange, web, S: s.p.Wely, Z: s.p.Wply, deep: s.h, wide: s.b, I: s.p.Iy }
    : { flange: web, web: flange, S: s.p.Welz, Z: s.p.Wplz, deep: s.b, wide: s.h, I: s.p.Iz };
}

/** Nominal moment of a rectangular hollow section: yielding, flange, web and, about the stronger axis, lateral-torsional buckling. */
function boxStrength(s: CheckSection, axis: 'y' | 'z', { Lb, Cb }: BendingStretch, log?: StepLog): number {
  const q = root(s);
  const { flange, S, Z, deep, I } = wallsFor(s, axis);
  const Mp = s.fy * Z;
  log?.('Z', Z, 'm3', s.name);
  log?.('Mp', Mp, 'N·m', 'Fy·Z', 'F7.1 eq. F7-1');
  const limits = elementsOf(s, axis);
  const f = logElement('flange', limits.flange, log);
  const w = logElement('web', limits.web, log);
  let Mn = Mp;
  if (f.lambda > f.slender) {
    // Effective width of the compression flange: what is lost shifts the axis
    const drop = builtOfPlates(s) ? 0.34 : 0.38;
    const be = Math.min(flange.width, 1.92 * flange.t * q * (1 - (drop / f.lambda) * q));
    const lost = (flange.width - be) * flange.t;
    const arm = (deep - flange.t) / 2;
    const shift = (lost * arm) / (s.p.A - lost);
    const Ie = I - lost * arm * arm - (s.p.A - lost) * shift * shift;
    const Se = Ie / (deep / 2 + shift);
    log?.(
      'be',
      be,
      'm',
      `1.92·tf·√(E/Fy)·(1 − ${drop}/(b/tf)·√(E/Fy)) ≤ b`,
      `F7.2(c) eq. ${builtOfPlates(s) ? 'F7-5' : 'F7-4'}`,
    );
    log?.('Se', Se, 'm3', 'effective section', 'F7.2(c)');
    Mn = Math.min(Mn, s.fy * Se);
  } else if (f.lambda > f.compact) Mn = Math.min(Mp, Mp - (Mp - s.fy * S) * ((3.57 * f.lambda) / q - 4));
  if (w.lambda > w.slender) Mn = Math.min(Mn, slenderWebStrength(s, axis, f, w, log));
  else if (w.lambda > w.compact) Mn = Math.min(Mn, Mp - (Mp - s.fy * S) * ((0.305 * w.lambda) / q - 0.738));
  if (axis === 'y' && s.p.Iy > s.p.Iz * (1 + 1e-9)) Mn = Math.min(Mn, boxLateral(s, Mp, Lb, Cb, log));
  log?.('Mn', Mn, 'N·m', 'the least of yielding, local and lateral-torsional buckling', 'F7');
  return Mn;
}

const builtOfPlates = (s: CheckSection): boolean => s.shape.type === 'plate-box';

/** Flange and web in bending about an axis, with their limits (Table B4.1b): flanges of boxes of plates have a limit of their own. */
function elementsOf(s: CheckSection, axis: 'y' | 'z'): { flange: FlexuralElement; web: FlexuralElement } {
  const q = root(s);
  const { flange, web } = wallsFor(s, axis);
  return {
    flange: {
      lambda: flange.width / flange.t,
      compact: 1.12 * q,
      slender: (builtOfPlates(s) ? 1.49 : 1.4) * q,
    },
    web: { lambda: web.width / web.t, compact: 2.42 * q, slender: 5.7 * q },
  };
}

/** F7.3(c): webs that bend-buckle shed their part of the moment to the flange. N·m */
function slenderWebStrength(
  s: CheckSection,
  axis: 'y' | 'z',
  f: FlexuralElement,
  w: FlexuralElement,
  log?: StepLog,
): number {
  const { flange, web, S } = wallsFor(s, axis);
  const aw = (2 * web.width * web.t) / (flange.width * flange.t);
  const Rpg = bendingReduction(s, aw, w.lambda);
  const Fcr = (0.9 * s.E * 4) / f.lambda ** 2;
  const Mn = Rpg * Math.min(s.fy, Fcr) * S;
  log?.('aw', aw, '', '2·h·tw/(b·tf)', 'F7.3(c)');
  log?.('Rpg', Rpg, '', '1 − aw/(1200 + 300·aw)·(h/tw − 5.7·√(E/Fy)) ≤ 1', 'F5.2 eq. F5-6');
  log?.('Fcr', Fcr, 'N/m2', '0.9·E·kc/(b/tf)², kc = 4', 'F7.3(c) eq. F7-9');
  log?.('Mn slender web', Mn, 'N·m', 'Rpg·Fy·S and Rpg·Fcr·S', 'F7.3(c) eq. F7-7, F7-8');
  return Mn;
}

/** F7.4. N·m */
function boxLateral(s: CheckSection, Mp: number, Lb: number, Cb: number, log?: StepLog): number {
  const { p } = s;
  const JA = Math.sqrt(p.J * p.A);
  const Lp = (0.13 * s.E * p.iz * JA) / Mp;
  const Lr = (2 * s.E * p.iz * JA) / (0.7 * s.fy * p.Wely);
  log?.('Lp', Lp, 'm', '0.13·E·ry·√(J·Ag)/Mp', 'F7.4 eq. F7-12');
  log?.('Lr', Lr, 'm', '2·E·ry·√(J·Ag)/(0.7·Fy·Sx)', 'F7.4 eq. F7-13');
  if (Lb <= Lp) return Mp;
  const Mn =
    Lb <= Lr
      ? Cb * (Mp - ((Mp - 0.7 * s.fy * p.Wely) * (Lb - Lp)) / (Lr - Lp))
      : (2 * s.E * Cb * JA) / (Lb / p.iz);
  log?.(
    'Mn lateral',
    Math.min(Mp, Mn),
    'N·m',
    'lateral-torsional buckling',
    `F7.4 eq. ${Lb <= Lr ? 'F7-10' : 'F7-11'}`,
  );
  return Math.min(Mp, Mn);
}

const box = (axis: 'y' | 'z'): FlexureRule => ({
  clause: 'F7',
  title: `Flexure about ${axis} of a rectangular hollow section`,
  axis,
  lateral: axis === 'y',
  applies(s) {
    if (s.kind !== 'box') return false;
    const { flange, web } = elementsOf(s, axis);
    return web.lambda <= web.slender || flange.lambda <= flange.slender;
  },
  strength: (s, stretch, log) => boxStrength(s, axis, stretch, log),
});

/** F7: square and rectangular hollow sections and boxes about either axis; not with webs and flanges slender at once. */
export const boxes: readonly FlexureRule[] = [box('y'), box('z')];
