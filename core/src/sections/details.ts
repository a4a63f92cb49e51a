import type { SectionProperties, Shape } from '../model/types.js';
import { iIntegrals } from './shapes/i-section.js';
import { integrate, polygons, type AreaIntegrals } from './outline/outline.js';
import { outlineOf } from './outline/outlines.js';
import { plasticModuli } from './outline/plastic.js';
import { shapeProperties } from './shapes/index.js';
import { shearCentre } from './outline/shear-centre.js';

/** All that is known of a shape, SI; y and z are the section's axes through its centroid. */
export interface SectionDetails {
  readonly A: number;
  readonly Iy: number;
  readonly Iz: number;
  readonly Iyz: number;
  readonly J: number;
  /** 0 where warping counts for nothing (hollow and solid sections). */
  readonly Iw: number;
  /** Smaller of both sides. */
  readonly Wely: number;
  readonly Welz: number;
  /** About the axes through the centroid's directions; the neutral axis halves the area. */
  readonly Wply: number;
  readonly Wplz: number;
  readonly Avy: number | undefined;
  readonly Avz: number | undefined;
  readonly h: number;
  readonly b: number;
  /** Distances from the centroid to the extreme fibres, all positive. */
  readonly top: number;
  readonly bottom: number;
  readonly right: number;
  readonly left: number;
  /** Radii of gyration. */
  readonly iy: number;
  readonly iz: number;
  /** Principal second moments, Iu ≥ Iv, and the angle from y to u, rad, counter-clockwise. */
  readonly Iu: number;
  readonly Iv: number;
  readonly alpha: number;
  readonly iu: number;
  readonly iv: number;
  /** Elastic moduli about the principal axes. */
  readonly Welu: number;
  readonly Welv: number;
  /** Shear centre from the centroid. */
  readonly ys: number;
  readonly zs: number;
  /** Plastic neutral axes from the centroid. */
  readonly yPlastic: number;
  readonly zPlastic: number;
  /** Outer surface per metre, m²/m. */
  readonly perimeter: number;
}

const known = new WeakMap<Shape, SectionDetails>();

/** Properties of a shape beyond those that the analysis needs; memoised on the shape object. */
export function sectionDetails(shape: Shape): SectionDetails {
  let details = known.get(shape);
  if (!details) known.set(shape, (details = compute(shape)));
  return details;
}

function compute(shape: Shape): SectionDetails {
  const p = shapeProperties(shape);
  const area = integralsOf(shape, p);
  const symmetric = p.Wply !== undefined && p.Wplz !== undefined;
  const plastic = symmetric
    ? { Wply: p.Wply!, Wplz: p.Wplz!, y0: area.y, z0: area.z }
    : plasticModuli(outlineOf(shape));
  const Iy = p.Iy!;
  const Iz = p.Iz!;
  const Iyz = p.Iyz ?? 0;
  const { Iu, Iv, alpha } = principalAxes(Iy, Iz, Iyz);
  const { farU, farV } = fibres(shape, area, alpha);
  const { ys, zs } = shearCentre(shape, area);
  return {
    A: p.A,
    Iy,
    Iz,
    Iyz,
    J: p.J!,
    Iw: p.Iw ?? 0,
    Wely: Iy / Math.max(area.top, -area.bottom),
    Welz: Iz / Math.max(area.right, -area.left),
    Wply: plastic.Wply,
    Wplz: plastic.Wplz,
    Avy: p.Avy,
    Avz: p.Avz,
    h: area.top - area.bottom,
    b: area.right - area.left,
    top: area.top,
    bottom: -area.bottom,
    right: area.right,
    left: -area.left,
    iy: Math.sqrt(Iy / p.A),
    iz: Math.sqrt(Iz / p.A),
    Iu,
    Iv,
    alpha,
    iu: Math.sqrt(Iu / p.A),
    iv: Math.sqrt(Iv / p.A),
    Welu: Iu / farV,
    Welv: Iv / farU,
    ys,
    zs,
    yPlastic: plastic.y0 - area.y,
    zPlastic: plastic.z0 - area.z,
    perimeter: area.perimeter,
  };
}

/** In closed form for the plain I, of which tapers ask many; by its boundary for every other shape. */
function integralsOf(shape: Shape, p: SectionProperties): AreaIntegrals {
  if (shape.type !== 'i' || 'bTop' in shape || shape.slope || shape.r2) return integrate(outlineOf(shape));
  return iIntegrals({ ...shape, r: shape.r ?? 0 }, { A: p.A, Iy: p.Iy!, Iz: p.Iz! });
}

/** Principal second moments, Iu the larger, and the angle from y to u (−π/2 … π/2): tan 2α = −2·Iyz/(Iy − Iz). */
export function principalAxes(
  Iy: number,
  Iz: number,
  Iyz: number,
): { Iu: number; Iv: number; alpha: number } {
  const mean = (Iy + Iz) / 2;
  const radius = Math.hypot((Iy - Iz) / 2, Iyz);
  // A product that is only rounding turns nothing
  const turned = Math.abs(Iyz) > 1e-9 * mean;
  const alpha = turned || Iy < Iz ? 0.5 * Math.atan2(-2 * (turned ? Iyz : 0), Iy - Iz) : 0;
  return { Iu: mean + radius, Iv: mean - radius, alpha };
}

/** Greatest distances of the outline from the principal axes, along u and along v. */
function fibres(shape: Shape, centre: AreaIntegrals, alpha: number): { farU: number; farV: number } {
  // Where the principal axes are y and z, the sides are farthest
  if (alpha === 0)
    return {
      farU: Math.max(centre.right, -centre.left),
      farV: Math.max(centre.top, -centre.bottom),
    };
  let farU = 0;
  let farV = 0;
  for (const [y, z] of polygons(outlineOf(shape))[0]!) {
    farU = Math.max(farU, Math.abs((y - centre.y) * Math.cos(alpha) + (z - centre.z) * Math.sin(alpha)));
    farV = Math.max(farV, Math.abs((z - centre.z) * Math.cos(alpha) - (y - centre.y) * Math.sin(alpha)));
  }
  return { farU, farV };
}
