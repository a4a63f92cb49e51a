import type { SectionProperties } from '../../model/types.js';

/** Terms of the polynomials that stand for a taper's flexibility on one stretch. */
const taperTerms = 13;
/** Flexibilities kept for a stretch: 1/EA, curvatures from My and Mz (ww, wv, vv), 1/GJ, 1/GAvy, 1/GAvz. */
export const flexibilityCount = 7;

/** Constants that turn properties into flexibilities. */
export interface Elasticity {
  readonly E: number;
  readonly G: number;
  /** Shear areas count. */
  readonly shear: boolean;
}

/**
 * Flexibility along a member: `flexibilityCount` polynomials of `terms` coefficients a segment, of the distance from the
 * segment's start (m); one segment stands for all where the member is uniform.
 */
export interface Flexibility {
  readonly terms: number;
  readonly uniform: boolean;
  readonly coefficients: Float64Array;
}

/**
 * Flexibilities of a section: 1/EA; κw = ww·My + wv·Mz and κv = wv·My + vv·Mz from My = E(Iy·κw + Iyz·κv) and
 * Mz = E(Iyz·κw + Iz·κv); 1/GJ, 1/GAvy, 1/GAvz. Zero stands for rigid.
 */
export function sectionFlexibility(
  p: SectionProperties,
  { E, G, shear }: Elasticity,
  out: Float64Array,
): void {
  const Iy = p.Iy ?? 0;
  const Iz = p.Iz ?? 0;
  const Iyz = p.Iyz ?? 0;
  const inverse = (x: number) => (x > 0 ? 1 / x : 0);
  out[0] = 1 / (E * p.A);
  if (Iyz === 0) {
    out[1] = inverse(E * Iy);
    out[2] = 0;
    out[3] = inverse(E * Iz);
  } else {
    const d = E * (Iy * Iz - Iyz * Iyz);
    out[1] = Iz / d;
    out[2] = -Iyz / d;
    out[3] = Iy / d;
  }
  out[4] = inverse(G * (p.J ?? 0));
  out[5] = shear ? inverse(G * (p.Avy ?? 0)) : 0;
  out[6] = shear ? inverse(G * (p.Avz ?? 0)) : 0;
}

/** Ends of stretches on which every flexibility of a taper is a polynomial of `taperTerms` to within 1e-13. */
export function taperBreaks(at: (share: number) => SectionProperties, L: number): Float64Array {
  const breaks = [0];
  const unitE = { E: 1, G: 1, shear: true };
  const split = (a: number, b: number, depth: number): void => {
    if (depth < 7 && !wellFitted(at, a, b, unitE)) {
      split(a, (a + b) / 2, depth + 1);
      split((a + b) / 2, b, depth + 1);
    } else breaks.push(b * L);
  };
  split(0, 1, 0);
  return Float64Array.from(breaks);
}

function wellFitted(
  at: (share: number) => SectionProperties,
  a: number,
  b: number,
  elasticity: Elasticity,
): boolean {
  const c = new Float64Array(flexibilityCount * taperTerms);
  interpolate(at, [a, b], 1, elasticity, c);
  const exact = new Float64Array(flexibilityCount);
  for (const s of [0.03, 0.27, 0.61, 0.94]) {
    sectionFlexibility(at(a + s * (b - a)), elasticity, exact);
    for (let k = 0; k < flexibilityCount; k++) {
      let value = 0;
      for (let j = taperTerms - 1; j >= 0; j--) value = value * s * (b - a) + c[k * taperTerms + j]!;
      if (Math.abs(value - exact[k]!) > 1e-13 * Math.abs(exact[k]!)) return false;
    }
  }
  return true;
}

/** Flexibility on given segments of a taper. `breaks` in m from 0 to L. */
export function taperFlexibility(
  at: (share: number) => SectionProperties,
  breaks: Float64Array,
  elasticity: Elasticity,
): Flexibility {
  const count = breaks.length - 1;
  const L = breaks[count]!;
  const coefficients = new Float64Array(flexibilityCount * taperTerms * count);
  for (let s = 0; s < count; s++)
    interpolate(
      at,
      [breaks[s]!, breaks[s + 1]!],
      L,
      elasticity,
      coefficients.subarray(flexibilityCount * taperTerms * s),
    );
  return { terms: taperTerms, uniform: false, coefficients };
}

/** Powers of Chebyshev polynomials shifted to [0, 1]: row j holds T*_j's coefficients. */
const shifted = (() => {
  const rows = [Float64Array.of(1), Float64Array.of(-1, 2)];
  for (let j = 2; j < taperTerms; j++) {
    const row = new Float64Array(j + 1);
    // T*ⱼ = 2(2x − 1)T*ⱼ₋₁ − T*ⱼ₋₂
    rows[j - 1]!.forEach((c, k) => {
      row[k]! -= 2 * c;
      row[k + 1]! += 4 * c;
    });
    rows[j - 2]!.forEach((c, k) => (row[k]! -= c));
    rows.push(row);
  }
  return rows;
})();

/** Chebyshev nodes on [0, 1], and cos(π·j·(i + ½)/n) in row j. */
const nodes = Float64Array.from(
  { length: taperTerms },
  (_, i) => (1 + Math.cos((Math.PI * (i + 0.5)) / taperTerms)) / 2,
);
const cosines = Float64Array.from({ length: taperTerms * taperTerms }, (_, k) =>
  Math.cos((Math.PI * Math.floor(k / taperTerms) * ((k % taperTerms) + 0.5)) / taperTerms),
);

/** Chebyshev interpolation of the flexibilities between two places of a member of length L as polynomials of the distance from the first. */
function interpolate(
  at: (share: number) => SectionProperties,
  [from, to]: readonly [number, number],
  L: number,
  elasticity: Elasticity,
  out: Float64Array,
): void {
  const h = to - from;
  const n = taperTerms;
  const values = new Float64Array(flexibilityCount * n);
  const own = new Float64Array(flexibilityCount);
  for (let i = 0; i < n; i++) {
    sectionFlexibility(at((from + h * nodes[i]!) / L), elasticity, own);
    for (let k = 0; k < flexibilityCount; k++) values[k * n + i] = own[k]!;
  }
  for (let k = 0; k < flexibilityCount; k++) {
    for (let j = 0; j < n; j++) {
      let c = 0;
      for (let i = 0; i < n; i++) c += values[k * n + i]! * cosines[j * n + i]!;
      c *= (j === 0 ? 1 : 2) / n;
      const row = shifted[j]!;
      for (let q = 0; q <= j; q++) out[k * n + q]! += c * row[q]!;
    }
    // From shares of the stretch to its metres
    let scale = 1;
    for (let q = 0; q < n; q++) {
      out[k * n + q]! *= scale;
      scale /= h;
    }
  }
}
