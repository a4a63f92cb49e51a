/** The greatest magnitude of some values; 0 of none. */
export function greatestMagnitude(values: ArrayLike<number>): number {
  let most = 0;
  for (let i = 0; i < values.length; i++) most = Math.max(most, Math.abs(values[i]!));
  return most;
}

/** Whether every value is 0. */
export function isZero(values: ArrayLike<number>): boolean {
  for (let i = 0; i < values.length; i++) if (values[i] !== 0) return false;
  return true;
}
