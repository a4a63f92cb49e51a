/** What is written, as a sentence has it: lists with commas, parts with their names, nothing for what is not there. */
export function written(value: unknown): string {
  if (typeof value === 'string' || typeof value === 'number') return String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(written).join(', ') || 'nothing';
  if (typeof value !== 'object' || value === null) return 'nothing';
  const parts = Object.entries(value).filter(([, part]) => part !== undefined);
  if (parts.length === 1 && parts[0]![0] === 'parameter') return written(parts[0]![1]);
  return parts.map(([name, part]) => `${name} ${written(part)}`).join(', ') || 'nothing';
}

/** Text that is the same for values that are the same, whatever the order of an object's parts. */
export function sameText(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(sameText).join(',')}]`;
  if (typeof value === 'object' && value !== null)
    return `{${Object.entries(value)
      .filter(([, part]) => part !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, part]) => `${name}:${sameText(part)}`)
      .join(',')}}`;
  return value === undefined ? '' : JSON.stringify(value);
}
