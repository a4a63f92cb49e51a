/**
 * Torsion constants of open sections with fillets by El Darwish and Johnston (Torsion of structural shapes, J. Struct.
 * Div. ASCE 91 (1965) ST1), as producers' tables use them: rectangles, plus a share of the circle inscribed at each
 * junction, less what a free end lacks. Dimensions in m, results in m⁴.
 */

/** A plate with two free ends lacks 0.105 t⁴ at each (0.63/2 of t, divided by 3). */
export const endLoss = 0.105;

/** Junction of a flange (t1) with the end of a web (t2) in its middle, root radius r. */
export function teeJunction(t1: number, t2: number, r: number): number {
  const k = t2 / t1;
  const q = r / t1;
  const alpha = -0.042 + 0.2204 * k + 0.1355 * q - 0.0865 * q * k - 0.0725 * k * k;
  const D = ((t1 + r) ** 2 + (r + t2 / 4) * t2) / (2 * r + t1);
  return Math.max(0, alpha) * D ** 4;
}

/** Corner of a flange (t1) and a web (t2), root radius r, outer corner sharp. */
export function cornerJunction(t1: number, t2: number, r: number): number {
  const k = t2 / t1;
  const q = r / t1;
  const alpha = -0.0908 + 0.2621 * k + 0.1231 * q - 0.0752 * q * k - 0.0945 * k * k;
  const D = 2 * (3 * r + t2 + t1 - Math.sqrt(2 * (2 * r + t2) * (2 * r + t1)));
  return Math.max(0, alpha) * D ** 4;
}

/** Corner of two legs of one thickness. */
export function legJunction(t: number, r: number): number {
  const D = 2 * (3 * r + 2 * t - Math.sqrt(2 * (2 * r + t) ** 2));
  return (0.0768 + (0.0479 * r) / t) * D ** 4;
}

/** ∫ t³/3 over a plate whose thickness varies linearly from t0 to t1. */
export function taperedPlate(width: number, t0: number, t1: number): number {
  return (width * (t0 + t1) * (t0 * t0 + t1 * t1)) / 12;
}
