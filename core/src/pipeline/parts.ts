/** Runs work that is made in parts without the pauses between them. */
export function inOneGo<T>(parts: Generator<undefined, T>): T {
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
  }
}
