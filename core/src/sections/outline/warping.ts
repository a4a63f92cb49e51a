/**
 * Shear centre and warping constant of a channel by the theory of thin walls along the centre lines (Vlasov).
 *
 * @param h between the flanges' centre lines, m
 * @param b from the web's centre line to the tips, m
 * @param tw web
 * @param tip thickness of the flanges at the tips
 * @param root thickness of the flanges at the web; varies linearly
 * @returns `e` from the web's centre line to the shear centre, away from the flanges, m; Iw in m⁶
 */
export function channelWarping(
  h: number,
  b: number,
  tw: number,
  tip: number,
  root: number,
): { e: number; Iw: number } {
  // ∫ t, ∫ t·ξ, ∫ t·ξ² along a flange, ξ from the web
  const m0 = (b * (root + tip)) / 2;
  const m1 = (b * b * (root + 2 * tip)) / 6;
  const m2 = (b ** 3 * (root + 3 * tip)) / 12;
  const Iy = (tw * h ** 3) / 12 + (h * h * m0) / 2;
  const e = (h * h * m1) / (2 * Iy);
  const web = (tw * h ** 3) / 12;
  return { e, Iw: e * e * web + ((h * h) / 2) * (m2 - 2 * e * m1 + e * e * m0) };
}
