/** A value that is made when it is asked for the first time. */
export function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}
