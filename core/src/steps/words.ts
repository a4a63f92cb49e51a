/** A field as written, in words for a summary: lists with + between, counted lists as "3 × 6 m". */
export function words(value: unknown, missing = ''): string {
  if (value === undefined || value === null) return missing;
  if (Array.isArray(value)) return value.map((item) => words(item)).join(' + ');
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean')
    return String(value);
  const { count, each } = value as { count?: unknown; each?: unknown };
  return `${words(count)} × ${words(each)}`;
}
