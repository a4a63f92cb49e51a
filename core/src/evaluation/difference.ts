/** How a figure differs from the reference alternative's, by magnitude. */
export interface Difference {
  /** |value| − |reference|, SI. */
  readonly absolute: number;
  /** As a fraction of |reference|; undefined where the reference is zero. */
  readonly relative: number | undefined;
}

/** Difference of magnitudes: a moment that changes its sign but not its size does not differ. */
export function difference(value: number, reference: number): Difference {
  const absolute = Math.abs(value) - Math.abs(reference);
  const size = Math.abs(reference);
  return { absolute, relative: size > 1e-12 ? absolute / size : undefined };
}
