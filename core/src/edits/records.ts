/** A record without one of its keys. */
export function withoutKey(
  record: Readonly<Record<string, string>> | undefined,
  without: string,
): Record<string, string> {
  return Object.fromEntries(Object.entries(record ?? {}).filter(([key]) => key !== without));
}
