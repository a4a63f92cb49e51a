import type { IDimensions, SectionProperties } from '../properties.js';
import { filletProperties } from './composite.js';
import type { AreaIntegrals } from '../outline/outline.js';

/**
 * Properties of a doubly symmetric I with fillets, exact for the shape except J and Iw.
 *
 * - Each of the four fillets is a square r × r less a quarter circle: area (1 − π/4) r².
 * - J: El Darwish and Johnston (1965), as the producers' tables use it: flanges and web as rectangles with end loss,
 *   plus the circle inscribed at each junction.
 * - Iw = Iz·(h − tf)²/4.
 * - Avz by EN 1993-1-1 6.2.6(3)a, Avy = A − Σ hw·tw by 6.2.6(3)c.
 *
 * @param d dimensions, m
 * @returns all of {@link SectionProperties}
 */
export function iSection(d: IDimensions): Required<Omit<SectionProperties, 'Iyz'>> {
  const { h, b, tw, tf, r } = d;
  const hw = h - 2 * tf;
  const { area: fillet, centroid, inertia: ownInertia } = filletProperties(r);
  const fz = hw / 2 - centroid;
  const fy = tw / 2 + centroid;

  const A = 2 * b * tf + hw * tw + 4 * fillet;
  const Iy = (b * h ** 3) / 12 - ((b - tw) * hw ** 3) / 12 + 4 * (ownInertia + fillet * fz * fz);
  const Iz = (2 * tf * b ** 3) / 12 + (hw * tw ** 3) / 12 + 4 * (ownInertia + fillet * fy * fy);
  const Wply = b * tf * (h - tf) + (tw * hw * hw) / 4 + 4 * fillet * fz;
  const Wplz = (tf * b * b) / 2 + (hw * tw * tw) / 4 + 4 * fillet * fy;

  const inscribed = ((r + tw / 2) ** 2 + (r + tf) ** 2 - r * r) / (2 * r + tf);
  const junction = 2 * (tw / tf) * (0.145 + (0.1 * r) / tf) * inscribed ** 4;
  const J = (2 / 3) * (b - 0.63 * tf) * tf ** 3 + (1 / 3) * hw * tw ** 3 + junction;

  return {
    A,
    Iy,
    Iz,
    J,
    Iw: (Iz * (h - tf) ** 2) / 4,
    Wely: (2 * Iy) / h,
    Welz: (2 * Iz) / b,
    Wply,
    Wplz,
    ...shearAreas(d, A),
    h,
    b,
  };
}

/**
 * What the outline of a doubly symmetric I comes to, about the middle of its foot, as `integrate` would find it. SI
 *
 * The boundary: both flanges all round less the web's thickness, the web's sides, and at each fillet a quarter circle for two radii.
 */
export function iIntegrals(
  { h, b, tw, r }: Omit<IDimensions, 'tf'>,
  { A, Iy, Iz }: { readonly A: number; readonly Iy: number; readonly Iz: number },
): AreaIntegrals {
  return {
    A,
    y: 0,
    z: h / 2,
    Iy,
    Iz,
    Iyz: 0,
    perimeter: 4 * b + 2 * h - 2 * tw - 8 * r + 2 * Math.PI * r,
    top: h / 2,
    bottom: -h / 2,
    right: b / 2,
    left: -b / 2,
  };
}

/** Shear areas of an I of area A: EN 1993-1-1 6.2.6(3)a with η = 1, and c. m² */
export function shearAreas(
  { h, b, tw, tf, r = 0 }: Pick<IDimensions, 'h' | 'b' | 'tw' | 'tf'> & { readonly r?: number },
  A: number,
): { readonly Avz: number; readonly Avy: number } {
  const web = (h - 2 * tf) * tw;
  return { Avz: Math.max(A - 2 * b * tf + (tw + 2 * r) * tf, web), Avy: A - web };
}
