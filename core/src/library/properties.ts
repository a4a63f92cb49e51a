/** Section properties in SI: m², m³, m⁴, m⁶. y is the strong axis of an I; the web lies along z. */
export interface SectionProperties {
  A: number;
  /** Second moments; absent on sections that only bars use. */
  Iy?: number;
  Iz?: number;
  /** Torsion constant, m⁴. */
  J?: number;
  /** Shear areas that go with Vy and Vz; absent: rigid in shear. */
  Avy?: number;
  Avz?: number;
  /** Warping constant, m⁶. */
  Iw?: number;
  Wely?: number;
  Welz?: number;
  Wply?: number;
  Wplz?: number;
  /** Outer height along z and width along y, m. */
  h?: number;
  b?: number;
}

/** Dimensions of a doubly symmetric I with root radius, m. */
export interface IDimensions {
  h: number;
  b: number;
  tw: number;
  tf: number;
  r: number;
}
