import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import type { FlexureRule } from './flexure-rule.js';
import { logElement, root } from '../slenderness.js';

/** Plastic moment and moment at first yield of a tee in the sense of bending at hand, N·m. */
interface TeeMoments {
  readonly Mp: number;
  readonly My: number;
  readonly stemCompressed: boolean;
}

/** Lateral-torsional buckling of a tee, F9.2. N·m */
function lateral(s: CheckSection, Lb: number, { Mp, My, stemCompressed }: TeeMoments, log?: StepLog): number {
  const { p } = s;
  const q = root(s);
  const Sx = p.Wely;
  const B = Lb === 0 ? 0 : (stemCompressed ? -2.3 : 2.3) * (s.h / Lb) * Math.sqrt(p.Iz / p.J);
  const Mcr = Lb === 0 ? Infinity : ((1.95 * s.E) / Lb) * Math.sqrt(p.Iz * p.J) * (B + Math.sqrt(1 + B * B));
  if (stemCompressed) {
    if (Lb > 0) log?.('Mcr', Mcr, 'N·m', '1.95·E/Lb·√(Iy·J)·(B + √(1 + B²))', 'F9.2(b) eq. F9-13');
    return Math.min(My, Mcr);
  }
  const Lp = 1.76 * p.iz * q;
  const Lr =
    1.95 *
    (s.E / s.fy) *
    (Math.sqrt(p.Iz * p.J) / Sx) *
    Math.sqrt((2.36 * (s.fy / s.E) * s.h * Sx) / p.J + 1);
  log?.('Lp', Lp, 'm', '1.76·ry·√(E/Fy)', 'F9.2 eq. F9-8');
  log?.('Lr', Lr, 'm', '1.95·(E/Fy)·√(Iy·J)/Sx·√(2.36·(Fy/E)·d·Sx/J + 1)', 'F9.2 eq. F9-9');
  if (Lb <= Lp) return Mp;
  const Mn = Lb <= Lr ? Mp - ((Mp - My) * (Lb - Lp)) / (Lr - Lp) : Mcr;
  log?.(
    'Mn lateral',
    Math.min(Mp, Mn),
    'N·m',
    Lb <= Lr ? 'Mp − (Mp − My)·(Lb − Lp)/(Lr − Lp)' : 'Mcr',
    `F9.2 eq. F9-${Lb <= Lr ? 6 : 7}`,
  );
  return Math.min(Mp, Mn);
}

function flange(s: CheckSection, Mp: number, My: number, log?: StepLog): number {
  const q = root(s);
  const e = logElement('flange', { lambda: s.b / (2 * s.tf), compact: 0.38 * q, slender: q }, log);
  if (e.lambda <= e.compact) return Infinity;
  const Sxc = s.p.Iy / s.p.top;
  return e.lambda > e.slender
    ? (0.7 * s.E * Sxc) / e.lambda ** 2
    : Math.min(1.6 * My, Mp - ((Mp - 0.7 * s.fy * Sxc) * (e.lambda - e.compact)) / (e.slender - e.compact));
}

function stem(s: CheckSection, log?: StepLog): number {
  const q = root(s);
  const e = logElement('stem', { lambda: s.h / s.tw, compact: 0.84 * q, slender: 1.52 * q }, log);
  const Fcr =
    e.lambda <= e.compact
      ? s.fy
      : e.lambda <= e.slender
        ? (1.43 - (0.515 * e.lambda) / q) * s.fy
        : (1.52 * s.E) / e.lambda ** 2;
  log?.('Fcr stem', Fcr, 'N/m2', 'local buckling of the stem', 'F9.4');
  return (Fcr * s.p.Iy) / s.p.bottom;
}

/** F9: tees loaded in the plane of symmetry; My > 0 compresses the flange. Cb is 1. */
const inPlane: FlexureRule = {
  clause: 'F9',
  title: 'Flexure about y of a tee',
  axis: 'y',
  lateral: true,
  applies: (s) => s.kind === 'tee',
  strength(s, { Lb, moment }, log) {
    const stemCompressed = moment < 0;
    const My = s.fy * s.p.Wely;
    const plastic = s.fy * s.p.Wply;
    const Mp = stemCompressed ? Math.min(plastic, My) : Math.min(plastic, 1.6 * My);
    log?.('My', My, 'N·m', 'Fy·Sx', 'F9.1 eq. F9-3');
    log?.(
      'Mp',
      Mp,
      'N·m',
      stemCompressed ? 'My, stem in compression' : 'Fy·Zx ≤ 1.6·My',
      'F9.1 eq. F9-2, F9-4',
    );
    const buckling = lateral(s, Lb, { Mp, My, stemCompressed }, log);
    const local = stemCompressed ? stem(s, log) : flange(s, Mp, My, log);
    const Mn = Math.min(Mp, buckling, local);
    log?.('Mn', Mn, 'N·m', 'the least', 'F9');
    return Mn;
  },
};

/** A tee about its stem: the flange alone bends about its strong axis, as F6. */
const acrossPlane: FlexureRule = {
  clause: 'F6',
  title: 'Flexure about z of a tee',
  axis: 'z',
  lateral: false,
  applies: (s) => s.kind === 'tee',
  strength(s, _, log) {
    const q = root(s);
    const Mp = Math.min(s.fy * s.p.Wplz, 1.6 * s.fy * s.p.Welz);
    const e = logElement('flange', { lambda: s.b / (2 * s.tf), compact: 0.38 * q, slender: q }, log);
    log?.('Mp', Mp, 'N·m', 'Fy·Zy ≤ 1.6·Fy·Sy', 'F6.1 eq. F6-1');
    if (e.lambda <= e.compact) return Mp;
    return e.lambda > e.slender
      ? ((0.69 * s.E) / e.lambda ** 2) * s.p.Welz
      : Mp - ((Mp - 0.7 * s.fy * s.p.Welz) * (e.lambda - e.compact)) / (e.slender - e.compact);
  },
};

export const tees: readonly FlexureRule[] = [inPlane, acrossPlane];
