import { gaussPoints } from '../../base/quadrature.js';

/** A plane curve by a parameter from 0 to 1: place and derivative, m. */
export interface Curve {
  at(t: number): readonly [number, number];
  speed(t: number): number;
}

const gauss = gaussPoints(12);

/** Arc length between two parameters by Gauss's rule on one stretch. */
function stretch(curve: Curve, from: number, to: number): number {
  let sum = 0;
  for (const [place, weight] of gauss) sum += weight * curve.speed(from + place * (to - from));
  return sum * (to - from);
}

/** Arc length at the ends of `panels` equal stretches of the parameter. */
function table(curve: Curve, panels: number): Float64Array {
  const lengths = new Float64Array(panels + 1);
  for (let i = 0; i < panels; i++)
    lengths[i + 1] = lengths[i]! + stretch(curve, i / panels, (i + 1) / panels);
  return lengths;
}

/**
 * Parameters at the given fractions of a curve's length, found to 1e-12 of it: panels are doubled until the length no longer changes,
 * then Newton's method on the length.
 */
export function byArcLength(curve: Curve, fractions: readonly number[]): number[] {
  let panels = 16;
  let lengths = table(curve, panels);
  for (; panels < 4096;) {
    panels *= 2;
    const finer = table(curve, panels);
    const change = Math.abs(finer[panels]! - lengths[panels / 2]!);
    lengths = finer;
    if (change < 1e-13 * finer[panels]!) break;
  }
  const total = lengths[panels]!;
  return fractions.map((fraction) => {
    if (fraction <= 0) return 0;
    if (fraction >= 1) return 1;
    const wanted = fraction * total;
    let low = 0;
    let high = panels;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (lengths[middle]! <= wanted) low = middle;
      else high = middle;
    }
    const from = low / panels;
    let t = (low + (wanted - lengths[low]!) / (lengths[high]! - lengths[low]!)) / panels;
    for (let i = 0; i < 20; i++) {
      const off = lengths[low]! + stretch(curve, from, t) - wanted;
      t -= off / curve.speed(t);
      if (Math.abs(off) < 1e-14 * total) break;
    }
    return t;
  });
}

/** The root of an increasing function between bounds that bracket it, by bisection to the last digit. */
export function rootOf(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 200; i++) {
    const middle = (a + b) / 2;
    if (middle <= a || middle >= b) break;
    if (f(middle) < 0) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/** The circle through the ends of a chord from (0, 0) to (L, d) and its point at mid-span, f above the chord. */
export interface Circle {
  readonly centre: readonly [number, number];
  readonly radius: number;
  /** Angles at the start and at the end, the way that passes the point at mid-span, rad. */
  readonly from: number;
  readonly to: number;
}

export function circleThrough(L: number, d: number, f: number): Circle {
  // Centre (x, z) at equal distance from (0, 0), (L, d) and (L/2, d/2 + f): two linear equations
  const [mx, mz] = [L / 2, d / 2 + f];
  const det = L * mz - d * mx;
  const c1 = (L * L + d * d) / 2;
  const c2 = (mx * mx + mz * mz) / 2;
  const x = (c1 * mz - d * c2) / det;
  const z = (L * c2 - mx * c1) / det;
  const angleOf = (px: number, pz: number) => Math.atan2(pz - z, px - x);
  const from = angleOf(0, 0);
  // f > 0 is passed with the clock, f < 0 against it
  const sense = f > 0 ? -1 : 1;
  let to = angleOf(L, d);
  while (sense * (to - from) <= 0) to += sense * 2 * Math.PI;
  return { centre: [x, z], radius: Math.hypot(x, z), from, to };
}

/** A circle's arc as a curve. */
export function arcOf({ centre, radius, from, to }: Circle): Curve {
  return {
    at: (t) => {
      const angle = from + t * (to - from);
      return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
    },
    speed: () => radius * Math.abs(to - from),
  };
}

/** z over x as a curve, from 0 to L. */
export function graphOf(L: number, z: (x: number) => number, slope: (x: number) => number): Curve {
  return { at: (t) => [t * L, z(t * L)], speed: (t) => L * Math.hypot(1, slope(t * L)) };
}
