import { fail } from '../../base/problem.js';
import {
  arcOf,
  byArcLength,
  circleThrough,
  graphOf,
  rootOf,
  type Curve,
} from '../../geometry/curves/curves.js';

export type ArchCurve = 'circular' | 'parabolic' | 'catenary' | 'elliptic' | 'hyperbolic';

/** Span, rise at mid-span above the chord, and height of the end above the start, m; the asymptote's angle, rad. */
export interface ArchShape {
  readonly curve: ArchCurve;
  readonly span: number;
  readonly rise: number;
  readonly endHeight: number;
  readonly asymptote: number | undefined;
}

type Complain = (field: string, message: string) => never;

/** An arch's centre line: as a curve for equal lengths, and as z over x for equal projections. */
interface Drawn {
  readonly curve: Curve;
  readonly z: (x: number) => number;
  /** The curve turns back in x: then z over x has no meaning. */
  readonly folded?: boolean;
}

/** Points of an arch at n equal parts of its length or of its projection, m. */
export function archPoints(
  shape: ArchShape,
  n: number,
  spacing: 'equal-length' | 'equal-x',
  step: string,
): (readonly [number, number])[] {
  const complain: Complain = (field, message) =>
    fail('geometry', `Step "${step}": ${message}`, { step, field });
  if (Math.abs(shape.rise) < 1e-6)
    complain(
      'rise',
      'the rise is zero, so there is no arch; give a rise above zero, or below zero for a hanging one.',
    );
  const drawn = drawArch(shape, complain);
  const fractions = Array.from({ length: n + 1 }, (_, i) => i / n);
  if (spacing === 'equal-x') {
    if (drawn.folded)
      complain('spacing', 'the arch is more than a half circle, so it can be divided by equal-length only.');
    return fractions.map((s) => [s * shape.span, drawn.z(s * shape.span)]);
  }
  const points = byArcLength(drawn.curve, fractions).map((t) => drawn.curve.at(t));
  // The ends are where they were asked for, to the last digit
  points[0] = [0, 0];
  points[n] = [shape.span, shape.endHeight];
  return points;
}

function drawArch(shape: ArchShape, complain: Complain): Drawn {
  const { curve, endHeight } = shape;
  if ((curve === 'elliptic' || curve === 'hyperbolic') && endHeight !== 0)
    complain(
      'endHeight',
      `an arch of the curve ${curve} has its ends at one height; set endHeight to 0 or choose another curve.`,
    );
  switch (curve) {
    case 'circular':
      return circular(shape);
    case 'parabolic':
      return parabolic(shape);
    case 'catenary':
      return catenary(shape, complain);
    case 'elliptic':
      return elliptic(shape);
    case 'hyperbolic':
      return hyperbolic(shape, complain);
  }
}

function circular({ span: L, rise: f, endHeight: d }: ArchShape): Drawn {
  const circle = circleThrough(L, d, f);
  const { centre, radius, from, to } = circle;
  // The arc is a function of x while it stays on one side of the centre's height
  const above = (angle: number) => Math.sin(angle) * Math.sign(f) > -1e-9;
  const folded = !(above(from) && above(to)) || Math.abs(to - from) > Math.PI * (1 + 1e-9);
  const z = (x: number) =>
    centre[1] + Math.sign(f) * Math.sqrt(Math.max(0, radius * radius - (x - centre[0]) * (x - centre[0])));
  return { curve: arcOf(circle), z, folded };
}

/** z = d·x/L + 4f·(x/L)(1 − x/L). */
function parabolic({ span: L, rise: f, endHeight: d }: ArchShape): Drawn {
  const z = (x: number) => (d * x) / L + 4 * f * (x / L) * (1 - x / L);
  return { curve: graphOf(L, z, (x) => d / L + (4 * f * (1 - (2 * x) / L)) / L), z };
}

/**
 * z = b − a·cosh((x − x0)/a) for f > 0. With u = L/2a and m = (L/2 − x0)/a the three points give
 * −2a·sinh m·sinh u = d and a·cosh m·(cosh u − 1) = f, one equation for u.
 */
function catenary({ span: L, rise, endHeight }: ArchShape, complain: Complain): Drawn {
  const sign = Math.sign(rise);
  const [f, d] = [sign * rise, sign * endHeight];
  const tilt = (u: number) => (-d * u) / (L * Math.sinh(u));
  const excess = (u: number) => ((L * (Math.cosh(u) - 1)) / (2 * u)) * Math.hypot(1, tilt(u)) - f;
  let high = 1;
  while (excess(high) < 0) {
    high *= 2;
    if (high > 600) complain('rise', 'the rise is too great for the span; a catenary cannot be that steep.');
  }
  const u = rootOf(excess, 1e-9, high);
  const a = L / (2 * u);
  const x0 = L / 2 - a * Math.asinh(tilt(u));
  const b = a * Math.cosh(x0 / a);
  const z = (x: number) => sign * (b - a * Math.cosh((x - x0) / a));
  return { curve: graphOf(L, z, (x) => -sign * Math.sinh((x - x0) / a)), z };
}

function elliptic({ span: L, rise: f }: ArchShape): Drawn {
  const a = L / 2;
  return {
    curve: {
      at: (t) => [a * (1 - Math.cos(Math.PI * t)), f * Math.sin(Math.PI * t)],
      speed: (t) => Math.PI * Math.hypot(a * Math.sin(Math.PI * t), f * Math.cos(Math.PI * t)),
    },
    z: (x) => f * Math.sqrt(Math.max(0, 1 - ((x - a) / a) ** 2)),
  };
}

/** z = f + A − √(A² + k²(x − L/2)²) with A from z(0) = 0: A = (k²L²/4 − f²)/2f. */
function hyperbolic({ span: L, rise, asymptote }: ArchShape, complain: Complain): Drawn {
  const sign = Math.sign(rise);
  const f = Math.abs(rise);
  if (asymptote === undefined)
    return complain('asymptote', 'a hyperbolic arch needs the angle of its asymptote; give "asymptote".');
  const k = Math.tan(asymptote);
  if (!(k > ((2 * f) / L) * (1 + 1e-9)))
    return complain(
      'asymptote',
      `the hyperbola is too flat for its rise: the asymptote must be steeper than ${((Math.atan((2 * f) / L) * 180) / Math.PI).toFixed(2)}°, or the rise smaller.`,
    );
  const A = ((k * k * L * L) / 4 - f * f) / (2 * f);
  const root = (x: number) => Math.hypot(A, k * (x - L / 2));
  return {
    curve: graphOf(
      L,
      (x) => sign * (f + A - root(x)),
      (x) => (-sign * k * k * (x - L / 2)) / root(x),
    ),
    z: (x) => sign * (f + A - root(x)),
  };
}
