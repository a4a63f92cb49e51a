import type { AreaIntegrals } from '../outline/outline.js';

/** An area, its centroid, and its second moments about axes through it; m, m², m⁴. */
type Part = Pick<AreaIntegrals, 'A' | 'y' | 'z' | 'Iy' | 'Iz' | 'Iyz'>;

/** Properties of an area composed of rectangles, fillets and corners; about the origin until asked for the centroid's. */
export class Composite {
  private A = 0;
  private Sy = 0;
  private Sz = 0;
  private Iy = 0;
  private Iz = 0;
  private Iyz = 0;

  /** Adds a rectangle between y0 and y1, z0 and z1; `sign` −1 takes it away. */
  rectangle(y0: number, y1: number, z0: number, z1: number, sign = 1): this {
    const b = y1 - y0;
    const h = z1 - z0;
    return this.add({
      A: sign * b * h,
      y: (y0 + y1) / 2,
      z: (z0 + z1) / 2,
      Iy: (sign * b * h ** 3) / 12,
      Iz: (sign * h * b ** 3) / 12,
      Iyz: 0,
    });
  }

  /**
   * Adds the fillet of radius r in a corner at (y, z) whose sides run towards `towardsY` and `towardsZ` (±1): the square
   * r × r less a quarter circle. `sign` −1 rounds an outer corner off.
   */
  fillet(
    [y, z]: readonly [y: number, z: number],
    [towardsY, towardsZ]: readonly [y: number, z: number],
    r: number,
    sign = 1,
  ): this {
    const c = filletCentroid * r;
    return this.add({
      A: sign * filletArea * r * r,
      y: y + towardsY * c,
      z: z + towardsZ * c,
      Iy: sign * filletInertia * r ** 4,
      Iz: sign * filletInertia * r ** 4,
      Iyz: sign * towardsY * towardsZ * filletProduct * r ** 4,
    });
  }

  private add({ A, y, z, Iy, Iz, Iyz }: Part): this {
    this.A += A;
    this.Sy += A * z;
    this.Sz += A * y;
    this.Iy += Iy + A * z * z;
    this.Iz += Iz + A * y * y;
    this.Iyz += Iyz + A * y * z;
    return this;
  }

  /** Area, centroid, and second moments about axes through it; m, m², m⁴. */
  centroidal(): Part {
    const y = this.Sz / this.A;
    const z = this.Sy / this.A;
    return {
      A: this.A,
      y,
      z,
      Iy: this.Iy - this.A * z * z,
      Iz: this.Iz - this.A * y * y,
      Iyz: this.Iyz - this.A * y * z,
    };
  }
}

/** Of the unit square less a quarter circle: area, the centroid's distance from the sides, second moments about it. */
const filletArea = 1 - Math.PI / 4;
const filletCentroid = (1 / 2 - (Math.PI / 4) * (1 - 4 / (3 * Math.PI))) / filletArea;
const filletInertia = (() => {
  const quarterOwn = Math.PI / 16 - (Math.PI / 4) * (4 / (3 * Math.PI)) ** 2;
  const quarter = quarterOwn + (Math.PI / 4) * (1 - 4 / (3 * Math.PI)) ** 2;
  return 1 / 3 - quarter - filletArea * filletCentroid ** 2;
})();
/** ∫ y·z over the quarter circle about the far corner is π/4 − 2/3 + 1/8. */
const filletProduct = 1 / 4 - (Math.PI / 4 - 2 / 3 + 1 / 8) - filletArea * filletCentroid ** 2;

/** Area of a fillet of radius r, its centroid's distance from the corner's sides, and its own second moment. */
export function filletProperties(r: number): { area: number; centroid: number; inertia: number } {
  return { area: filletArea * r * r, centroid: filletCentroid * r, inertia: filletInertia * r ** 4 };
}
