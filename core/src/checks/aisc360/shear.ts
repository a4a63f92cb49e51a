import type { SectionCheck, StepLog } from '../check.js';
import type { PhysicalMember } from '../members/physical-member.js';
import type { CheckSection } from '../members/section.js';
import { logSteel, phi, small } from './common.js';
import { flatWidth, root, webDepth } from './slenderness.js';

/** Web shear buckling coefficient Cv2, G2.2. */
function cv2(s: CheckSection, slender: number, kv: number): number {
  const q = Math.sqrt(kv) * root(s);
  if (slender <= 1.1 * q) return 1;
  if (slender <= 1.37 * q) return (1.1 * q) / slender;
  return (1.51 * kv * s.E) / (slender ** 2 * s.fy);
}

/** What carries the shear: its area in m², how that follows, the shear buckling coefficient, and φ where it is not the usual one. */
interface ShearWall {
  readonly A: number;
  readonly from: string;
  readonly C: number;
  readonly factor?: number;
}

/** φ·Vn = factor·0.6·Fy·A·C with its steps. */
function strength(s: CheckSection, { A, from, C, factor = phi }: ShearWall, log?: StepLog): number {
  logSteel(s, log);
  log?.('Aw', A, 'm2', from);
  log?.('Cv', C, '', 'shear buckling coefficient');
  log?.('φ·Vn', factor * 0.6 * s.fy * A * C, 'N', `${factor.toFixed(2)}·0.6·Fy·Aw·Cv`);
  return factor * 0.6 * s.fy * A * C;
}

function check(
  clause: string,
  axis: 'y' | 'z',
  kinds: readonly CheckSection['kind'][],
  capacity: (s: CheckSection, member: PhysicalMember, log?: StepLog) => number,
): SectionCheck {
  return {
    scope: 'section',
    clause,
    title: `Shear along ${axis}`,
    axis,
    by: axis === 'y' ? 'Vy' : 'Vz',
    steady: true,
    covers: ({ section }) => kinds.includes(section.kind),
    evaluate(s, f, member, log) {
      const V = Math.abs(axis === 'y' ? f.Vy : f.Vz);
      if (small(s, V)) return undefined;
      const value = capacity(s, member, log);
      log?.('Vr', V, 'N', 'analysis');
      return { demand: V, capacity: value };
    },
  };
}

/** G2.1: webs of I sections and channels; φ = 1.00 for rolled I sections with h/tw ≤ 2.24·√(E/Fy). */
const web = check('G2.1', 'z', ['i', 'unequal-i', 'channel'], (s, _, log) => {
  const slender = webDepth(s) / s.tw;
  const stocky = s.kind === 'i' && s.fabrication !== 'welded' && slender <= 2.24 * root(s);
  const limit = 1.1 * Math.sqrt(5.34) * root(s);
  log?.(
    'h/tw',
    slender,
    '',
    `limits 2.24·√(E/Fy) = ${(2.24 * root(s)).toFixed(1)}, 1.10·√(kv·E/Fy) = ${limit.toFixed(1)}, kv = 5.34`,
    'G2.1',
  );
  const C = slender <= limit ? 1 : limit / slender;
  return strength(s, { A: s.h * s.tw, from: 'd·tw', C, ...(stocky ? { factor: 1 } : {}) }, log);
});

/** G3: stems of tees and legs of angles, kv = 1.2. */
const stem = check('G3', 'z', ['tee', 'angle'], (s, _, log) =>
  strength(s, { A: s.h * s.tw, from: 'stem or leg, b·t', C: cv2(s, s.h / s.tw, 1.2) }, log),
);
const leg = check('G3', 'y', ['angle'], (s, _, log) =>
  strength(s, { A: s.b * s.tw, from: 'leg, b·t', C: cv2(s, s.b / s.tw, 1.2) }, log),
);

/** G4: rectangular hollow sections and boxes, two webs, kv = 5. */
const boxZ = check('G4', 'z', ['box'], (s, _, log) =>
  strength(s, { A: 2 * webDepth(s) * s.tw, from: '2·h·t', C: cv2(s, webDepth(s) / s.tw, 5) }, log),
);
const boxY = check('G4', 'y', ['box'], (s, _, log) =>
  strength(s, { A: 2 * flatWidth(s) * s.tf, from: '2·b·t', C: cv2(s, flatWidth(s) / s.tf, 5) }, log),
);

/** G5: round hollow sections, Vn = Fcr·Ag/2; Lv is taken as the member's length, on the safe side. */
const round = (axis: 'y' | 'z') =>
  check('G5', axis, ['tube'], (s, member, log) => {
    const slender = s.h / s.tw;
    const first = (1.6 * s.E) / (Math.sqrt(member.length / s.h) * slender ** 1.25);
    const second = (0.78 * s.E) / slender ** 1.5;
    const Fcr = Math.min(0.6 * s.fy, Math.max(first, second));
    logSteel(s, log);
    log?.(
      'Fcr',
      Fcr,
      'N/m2',
      'the larger of 1.60·E/(√(Lv/D)·(D/t)^1.25) and 0.78·E/(D/t)^1.5, ≤ 0.6·Fy',
      'G5 eq. G5-2',
    );
    log?.('φ·Vn', (phi * Fcr * s.p.A) / 2, 'N', '0.90·Fcr·Ag/2', 'G5 eq. G5-1');
    return (phi * Fcr * s.p.A) / 2;
  });

/** G6: flanges of I sections, channels and tees under shear about the minor axis, kv = 1.2. */
const flanges = check('G6', 'y', ['i', 'unequal-i', 'channel', 'tee'], (s, _, log) => {
  const slender = s.kind === 'channel' ? s.b / s.tf : s.b / (2 * s.tf);
  const shape = s.shape;
  const A =
    shape.type === 'i' && 'bTop' in shape
      ? shape.bTop * shape.tfTop + shape.bBottom * shape.tfBottom
      : (s.kind === 'tee' ? 1 : 2) * s.b * s.tf;
  return strength(s, { A: A, from: 'flanges, Σbf·tf', C: cv2(s, slender, 1.2) }, log);
});

/** G4 for solid rectangles, doubly symmetric sections that are all web: Aw = d·tw. */
const bar = (axis: 'y' | 'z') =>
  check('G4', axis, ['rectangle'], (s, _, log) => {
    const [depth, thick] = axis === 'z' ? [s.h, s.b] : [s.b, s.h];
    return strength(s, { A: depth * thick, from: 'd·tw', C: cv2(s, depth / thick, 5) }, log);
  });

/** Round bars: chapter G has none. */
const solid = (axis: 'y' | 'z'): SectionCheck => ({
  scope: 'section',
  clause: 'G1',
  title: `Shear along ${axis} of a round bar`,
  axis,
  covers: ({ section }) => section.kind === 'round',
  evaluate(s, f) {
    return small(s, axis === 'y' ? f.Vy : f.Vz)
      ? undefined
      : { reason: `Chapter G gives no shear strength for round bars (${s.name}).` };
  },
});

/** Shear, chapter G. */
export const shearChecks: readonly SectionCheck[] = [
  web,
  stem,
  leg,
  boxZ,
  boxY,
  round('z'),
  round('y'),
  flanges,
  bar('z'),
  bar('y'),
  solid('z'),
  solid('y'),
];
