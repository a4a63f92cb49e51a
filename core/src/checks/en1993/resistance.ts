import type { StepLog } from '../check.js';
import type { CodeSettings } from '../members/physical-member.js';
import type { CheckSection } from '../members/section.js';
import { compressedClass, type SectionClass } from './classes/classification.js';
import { effectiveSection } from './classes/effective-section.js';

/** Strength of the material, with its steps. */
export function logStrength(s: CheckSection, gamma: 'γM0' | 'γM1', code: CodeSettings, log?: StepLog): void {
  log?.('fy', s.fy, 'N/m2', `${s.material}, ${s.strengthSource}`, '3.2.1');
  log?.(gamma, gamma === 'γM0' ? code.gammaM0 : code.gammaM1, '', 'partial factor', '6.1(1)');
}

/** Area for compression: gross, or effective in class 4 (6.2.4(2)). m² */
export function compressionArea(s: CheckSection, cls: SectionClass, log?: StepLog): number {
  if (cls < 4) {
    log?.('A', s.p.A, 'm2', s.name);
    return s.p.A;
  }
  const { A } = effectiveSection(s, 'N', log);
  log?.('Aeff', A, 'm2', 'effective parts in uniform compression', 'EN 1993-1-5 4.3(3)');
  return A;
}

/** Bending of a cross-section of a class about an axis; of the moment the sign counts, in class 4. */
export interface Bending {
  readonly cls: SectionClass;
  readonly axis: 'y' | 'z';
  /** N·m */
  readonly moment: number;
}

/** Section modulus for bending about y or z by class (6.2.5(2)). m³ */
export function bendingModulus(s: CheckSection, { cls, axis, moment }: Bending, log?: StepLog): number {
  if (cls <= 2) {
    const W = axis === 'y' ? s.p.Wply : s.p.Wplz;
    log?.(`Wpl,${axis}`, W, 'm3', s.name, '6.2.5(2) eq. 6.13');
    return W;
  }
  if (cls === 3) {
    const W = axis === 'y' ? s.p.Wely : s.p.Welz;
    log?.(`Wel,${axis}`, W, 'm3', s.name, '6.2.5(2) eq. 6.14');
    return W;
  }
  const sign = moment < 0 ? '-' : '+';
  const W = effectiveSection(s, `M${axis}${sign}`, log)[axis === 'y' ? 'Wy' : 'Wz'];
  log?.(`Weff,${axis}`, W, 'm3', 'effective parts in bending alone', '6.2.5(2) eq. 6.15');
  return W;
}

/** The least modulus that any stresses leave: that of the class in uniform compression, of both signs. m³ */
export function leastModulus(s: CheckSection, axis: 'y' | 'z'): number {
  const cls = compressedClass(s);
  return Math.min(bendingModulus(s, { cls, axis, moment: 1 }), bendingModulus(s, { cls, axis, moment: -1 }));
}

/** Bending resistance about an axis, Mc,Rd = W·fy/γM0 (6.2.5(2)). N·m */
export function bendingResistance(
  s: CheckSection,
  bending: Bending,
  code: CodeSettings,
  log?: StepLog,
): number {
  logStrength(s, 'γM0', code, log);
  const M = (bendingModulus(s, bending, log) * s.fy) / code.gammaM0;
  log?.(`Mc,${bending.axis},Rd`, M, 'N·m', `W·fy/γM0`, '6.2.5(2)');
  return M;
}

/** Clear depth of the web between flanges, m. */
export function webDepth(s: CheckSection): number {
  return s.h - 2 * s.tf;
}

/**
 * Shear area of 6.2.6(3) for a force along z or y, m²; undefined where the clause gives none (angles, solid bars: elastic).
 */
export function shearArea(
  s: CheckSection,
  axis: 'y' | 'z',
  eta: number,
): { Av: number; from: string } | undefined {
  const { p, h, b, tw, tf, r } = s;
  const welded = s.fabrication === 'welded';
  switch (s.kind) {
    case 'i':
    case 'unequal-i':
      return axis === 'z' ? shearAreaOfWeb(s, eta) : { Av: p.A - flangesFree(s), from: 'A − Σ(hw·tw)' };
    case 'channel':
      if (axis === 'y') return { Av: p.A - webDepth(s) * tw, from: 'A − Σ(hw·tw)' };
      return welded
        ? { Av: eta * webDepth(s) * tw, from: 'η·Σ(hw·tw)' }
        : { Av: p.A - 2 * b * tf + (tw + r) * tf, from: 'A − 2·b·tf + (tw + r)·tf' };
    case 'tee':
      if (axis === 'y') return { Av: b * tf, from: 'the flange, b·tf' };
      return welded
        ? { Av: tw * (h - tf / 2), from: 'tw·(h − tf/2)' }
        : { Av: p.A - b * tf + ((tw + 2 * r) * tf) / 2, from: 'A − b·tf + (tw + 2·r)·tf/2' };
    case 'box':
      if (s.shape.type === 'plate-box') {
        const webs = 2 * webDepth(s) * tw;
        return axis === 'z'
          ? { Av: eta * webs, from: 'η·Σ(hw·tw)' }
          : { Av: p.A - webs, from: 'A − Σ(hw·tw)' };
      }
      return axis === 'z'
        ? { Av: (p.A * h) / (b + h), from: 'A·h/(b + h)' }
        : { Av: (p.A * b) / (b + h), from: 'A·b/(b + h)' };
    case 'tube':
      return { Av: (2 * p.A) / Math.PI, from: '2·A/π' };
    default:
      return undefined;
  }
}

/** Area of the webs, which shear across them does not use. */
function flangesFree(s: CheckSection): number {
  const { shape, tw } = s;
  const hw = shape.type === 'i' && 'bTop' in shape ? s.h - shape.tfTop - shape.tfBottom : webDepth(s);
  return hw * tw;
}

function shearAreaOfWeb(s: CheckSection, eta: number): { Av: number; from: string } {
  const { p, b, tw, tf, r } = s;
  const web = eta * flangesFree(s);
  if (s.fabrication === 'welded' || s.kind === 'unequal-i') return { Av: web, from: 'η·Σ(hw·tw)' };
  const Av = p.A - 2 * b * tf + (tw + 2 * r) * tf;
  return Av >= web
    ? { Av, from: 'A − 2·b·tf + (tw + 2·r)·tf ≥ η·hw·tw' }
    : { Av: web, from: 'η·hw·tw, larger than A − 2·b·tf + (tw + 2·r)·tf' };
}

/** Vpl,Rd = Av·(fy/√3)/γM0 (6.2.6(2) eq. 6.18), N; undefined where no shear area is given. */
export function plasticShear(
  s: CheckSection,
  axis: 'y' | 'z',
  code: CodeSettings,
  log?: StepLog,
): number | undefined {
  const area = shearArea(s, axis, code.eta);
  if (!area) return undefined;
  logStrength(s, 'γM0', code, log);
  log?.('Av', area.Av, 'm2', area.from, '6.2.6(3)');
  const V = (area.Av * s.fy) / (Math.sqrt(3) * code.gammaM0);
  log?.(`Vpl,${axis},Rd`, V, 'N', 'Av·(fy/√3)/γM0', '6.2.6(2) eq. 6.18');
  return V;
}

/** ρ = (2·VEd/Vpl,Rd − 1)² where VEd is more than half of Vpl,Rd, else 0 (6.2.8(3) eq. 6.29). */
export function shearReduction(V: number, Vpl: number | undefined): number {
  if (Vpl === undefined) return 0;
  const share = Math.abs(V) / Vpl;
  return share <= 0.5 ? 0 : Math.min(1, (2 * share - 1) ** 2);
}
