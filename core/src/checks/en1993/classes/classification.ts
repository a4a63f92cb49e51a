import type { Forces, StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { partsOf, type Part } from './parts.js';

export type SectionClass = 1 | 2 | 3 | 4;

/** Moments below this share of the section's elastic capacity turn no part into one in bending. */
const negligible = 1e-6;

const bySection = new WeakMap<CheckSection, SectionClass>();

/** Class in uniform compression: no other stresses give a part a higher one. */
export function compressedClass(s: CheckSection): SectionClass {
  let cls = bySection.get(s);
  if (cls === undefined) {
    cls = classify(s, { N: -s.p.A * s.fy, Vy: 0, Vz: 0, T: 0, My: 0, Mz: 0 });
    bySection.set(s, cls);
  }
  return cls;
}

/** Whether a section is of class 1 or 2 in uniform compression: its resistances do not depend on the stresses. */
export const staysPlastic = (s: CheckSection): boolean => s.kind !== 'angle' && compressedClass(s) <= 2;

/**
 * The class as the resistances need it: of sections that stay plastic in uniform compression (classes 1 and 2 are one there)
 * that class, of others {@link classify}; kept by the forces, which are those of one place.
 */
export function resistanceClass(s: CheckSection, f: Forces, log?: StepLog): SectionClass {
  if (log) return classify(s, f, log);
  const compressed = compressedClass(s);
  if (compressed <= 2) return compressed;
  return (f.cls ??= classify(s, f));
}

/**
 * Class of a cross-section under N, My and Mz: the highest of its parts (EN 1993-1-1 5.5.2, Table 5.2). Plastic stresses that
 * balance N decide between classes 1 and 2, elastic ones class 3.
 */
export function classify(s: CheckSection, f: Forces, log?: StepLog): SectionClass {
  if (s.kind === 'rectangle' || s.kind === 'round') return 1;
  const moments =
    Math.abs(f.My) > negligible * s.p.Wely * s.fy || Math.abs(f.Mz) > negligible * s.p.Welz * s.fy;
  if (!moments && f.N >= 0) return 1;
  const e = s.epsilon;
  log?.('ε', e, '', '√(235/fy)', 'Table 5.2');
  if (s.kind === 'tube') {
    const slenderness = s.h / s.tw;
    log?.('d/t', slenderness, '', `${s.name}; limits 50ε², 70ε², 90ε²`, 'Table 5.2 sheet 3');
    return slenderness <= 50 * e * e ? 1 : slenderness <= 70 * e * e ? 2 : slenderness <= 90 * e * e ? 3 : 4;
  }
  if (s.kind === 'angle') return angleClass(s, log);
  let worst: SectionClass = 1;
  // Of two parts alike the one in more compression is written down once
  const told = log && new Set<string>();
  for (const part of partsOf(s)) {
    const key = log && `${part.name} ${stress(s, f, part.y1, part.z1).toPrecision(6)}`;
    const cls = partClass(s, part, f, key && told!.has(key) ? undefined : log);
    if (key) told!.add(key);
    if (cls > worst) worst = cls;
  }
  log?.('class', worst, '', 'the highest of the parts', '5.5.2(6)');
  return worst;
}

/** Angles have a limit for class 3 only. */
function angleClass(s: CheckSection, log?: StepLog): SectionClass {
  const long = Math.max(s.h, s.b) / s.tw;
  const mean = (s.h + s.b) / (2 * s.tw);
  log?.('h/t', long, '', 'limit 15ε', 'Table 5.2 sheet 3');
  log?.('(b + h)/(2t)', mean, '', 'limit 11.5ε', 'Table 5.2 sheet 3');
  return long <= 15 * s.epsilon && mean <= 11.5 * s.epsilon ? 3 : 4;
}

/** Elastic stress, compression positive, Pa. */
function stress(s: CheckSection, f: Forces, y: number, z: number): number {
  return -f.N / s.p.A + (f.My * z) / s.p.Iy + (f.Mz * y) / s.p.Iz;
}

function partClass(s: CheckSection, part: Part, f: Forces, log?: StepLog): SectionClass {
  const first = stress(s, f, part.y0, part.z0);
  const second = stress(s, f, part.y1, part.z1);
  if (Math.max(first, second) <= 1e-9 * s.fy) return 1;
  const slenderness = part.c / part.t;
  // No stresses give a lower limit for class 1 than uniform compression
  if (!log && slenderness <= (part.kind === 'internal' ? 33 : 9) * s.epsilon) return 1;
  const limits = part.kind === 'internal' ? internalLimits : outstandLimits;
  const { one, two, three } = limits(s, part, { f, first, second }, log);
  log?.(
    `c/t ${part.name}`,
    slenderness,
    '',
    `limits ${one.toFixed(1)}, ${two.toFixed(1)}, ${three.toFixed(1)}`,
    `Table 5.2 sheet ${part.kind === 'internal' ? 1 : 2}`,
  );
  return slenderness <= one ? 1 : slenderness <= two ? 2 : slenderness <= three ? 3 : 4;
}

/** Limits of c/t for classes 1 to 3. */
interface Limits {
  readonly one: number;
  readonly two: number;
  readonly three: number;
}

/** Forces with the elastic stresses at a part's two ends, compression positive, Pa. */
interface PartStresses {
  readonly f: Forces;
  readonly first: number;
  readonly second: number;
}

function internalLimits(
  s: CheckSection,
  part: Part,
  { f, first, second }: PartStresses,
  log?: StepLog,
): Limits {
  const e = s.epsilon;
  const most = Math.max(first, second);
  const psi = Math.min(first, second) / most;
  const alpha = psi > 0.99 ? 1 : compressedShare(s, part, f);
  log?.('α', alpha, '', `share of the ${part.name} in compression when plastic`, 'Table 5.2 sheet 1');
  log?.('ψ', psi, '', 'ratio of the end stresses when elastic', 'Table 5.2 sheet 1');
  const three = psi > -1 ? (42 * e) / (0.67 + 0.33 * psi) : 62 * e * (1 - psi) * Math.sqrt(-psi);
  if (alpha > 0.5) return { one: (396 * e) / (13 * alpha - 1), two: (456 * e) / (13 * alpha - 1), three };
  if (alpha > 0) return { one: (36 * e) / alpha, two: (41.5 * e) / alpha, three };
  return { one: Infinity, two: Infinity, three };
}

function outstandLimits(
  s: CheckSection,
  part: Part,
  { f, first: root, second: tip }: PartStresses,
  log?: StepLog,
): Limits {
  const e = s.epsilon;
  if (Math.abs(root - tip) <= 0.01 * Math.max(root, tip)) return { one: 9 * e, two: 10 * e, three: 14 * e };
  const k = outstandBuckling(root, tip);
  log?.('kσ', k, '', `${part.name}, by the stresses at root and tip`, 'EN 1993-1-5 Table 4.2');
  // Flanges across the axis of bending are in compression throughout when plastic
  const alpha = part.direction === 'z' ? compressedShare(s, part, f) : tip > 0 ? 1 : root / (root - tip);
  const share = tip > root ? alpha : alpha ** 1.5;
  return { one: (9 * e) / share, two: (10 * e) / share, three: 21 * e * Math.sqrt(k) };
}

/** Buckling factor kσ of an outstand part (EN 1993-1-5 Table 4.2), stresses at root and tip, compression positive. */
export function outstandBuckling(root: number, tip: number): number {
  if (tip >= root) {
    const psi = Math.max(-3, root / tip);
    return 0.57 - 0.21 * psi + 0.07 * psi * psi;
  }
  const psi = Math.max(-1, tip / root);
  return psi >= 0 ? 0.578 / (psi + 0.34) : 1.7 - 5 * psi + 17.1 * psi * psi;
}

/** Buckling factor kσ of an internal part (EN 1993-1-5 Table 4.1); ψ from 1 to −3. */
export function internalBuckling(psi: number): number {
  if (psi >= 0) return 8.2 / (1.05 + psi);
  if (psi > -1) return 7.81 - 6.29 * psi + 9.78 * psi * psi;
  return 5.98 * (1 - Math.max(psi, -3)) ** 2;
}

/** Share of a part in compression when the section is fully plastic under N with the moment that bends the part. */
function compressedShare(s: CheckSection, part: Part, f: Forces): number {
  const about = part.direction === 'z' ? f.My : f.Mz;
  const across = part.direction === 'z' ? f.Mz : f.My;
  const W = part.direction === 'z' ? [s.p.Wely, s.p.Welz] : [s.p.Welz, s.p.Wely];
  // Bent about its other axis as well, a wall of a box is taken as compressed throughout
  const bentAcross = s.kind === 'box' && Math.abs(across) > negligible * W[1]! * s.fy;
  if (Math.abs(about) <= negligible * W[0]! * s.fy || bentAcross) return 1;
  const level = compressionEdge(s, part, f, about > 0 ? 1 : -1);
  const low = part.direction === 'z' ? Math.min(part.z0, part.z1) : Math.min(part.y0, part.y1);
  const high = low + part.c;
  const share = about > 0 ? (high - level) / part.c : (level - low) / part.c;
  return Math.min(1, Math.max(0, share));
}

/** Coordinate of the plastic neutral axis that balances N; the side towards `sign` is in compression. */
function compressionEdge(s: CheckSection, part: Part, f: Forces, sign: 1 | -1): number {
  const compressed = Math.min(s.p.A, Math.max(0, (s.p.A - f.N / s.fy) / 2));
  if (part.direction === 'y') {
    // Boxes only: both flanges share what N needs
    const level = -sign * ((compressed - s.p.A / 2) / (2 * part.t));
    return level;
  }
  if (s.kind === 'unequal-i' || s.kind === 'tee')
    return levelOfArea(s, sign > 0 ? compressed : s.p.A - compressed);
  const webs = s.kind === 'box' ? 2 : 1;
  return -sign * ((compressed - s.p.A / 2) / (webs * part.t));
}

/** Level above which an I's or tee's plates have an area, from the centroid; fillets count with the web. */
function levelOfArea(s: CheckSection, area: number): number {
  const { shape, p } = s;
  const strips: [width: number, height: number][] = [];
  if (shape.type === 'tee') strips.push([shape.b, shape.tf], [shape.tw, shape.h - shape.tf]);
  else if (shape.type === 'i' && 'bTop' in shape)
    strips.push(
      [shape.bTop, shape.tfTop],
      [shape.tw, shape.h - shape.tfTop - shape.tfBottom],
      [shape.bBottom, shape.tfBottom],
    );
  const plates = strips.reduce((sum, [w, h]) => sum + w * h, 0);
  let rest = (area * plates) / p.A;
  let level = p.top;
  for (const [width, height] of strips) {
    if (rest <= width * height) return level - rest / width;
    rest -= width * height;
    level -= height;
  }
  return level;
}
