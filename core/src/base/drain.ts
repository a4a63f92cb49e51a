/** Runs work that is made in parts without the pauses between them; what the parts tell on the way is left out. */
export function drain<T>(parts: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
  }
}
