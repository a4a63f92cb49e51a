/** Mass along a part of a member, linear between its ends. */
export interface SpreadMass {
  /** m from the member's start. */
  readonly from: number;
  readonly to: number;
  /** kg/m at its ends. */
  readonly mass: readonly [number, number];
}

/** kg of what lies along a member. */
export const spreadMassOf = (parts: readonly SpreadMass[] = []): number =>
  parts.reduce((sum, { from, to, mass }) => sum + ((mass[0] + mass[1]) / 2) * (to - from), 0);

/** kg/m at x of what lies along a member. */
export const spreadMassAt = (parts: readonly SpreadMass[], x: number): number =>
  parts.reduce(
    (sum, { from, to, mass }) =>
      x < from || x > to ? sum : sum + mass[0] + ((mass[1] - mass[0]) * (x - from)) / (to - from),
    0,
  );
