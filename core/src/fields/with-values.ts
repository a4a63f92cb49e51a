/** Fields that hold names of something else than parameters. */
const namesOfOthers: ReadonlySet<string> = new Set([
  'id',
  'title',
  'members',
  'nodes',
  'case',
  'kind',
  'axes',
  'direction',
  'per',
]);

/**
 * What is written with the values of parameters in the place of their names.
 *
 * @param texts how the value of a parameter reads, by its name
 */
export function withValues<T>(written: T, texts: ReadonlyMap<string, string>): T {
  const valueOf = (value: unknown): unknown => {
    if (typeof value === 'string') return textOf(value, texts) ?? value;
    if (Array.isArray(value)) return value.map(valueOf);
    if (typeof value !== 'object' || value === null) return value;
    if ('parameter' in value && typeof value.parameter === 'string')
      return texts.get(value.parameter) ?? value;
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => [key, namesOfOthers.has(key) ? item : valueOf(item)]),
    );
  };
  return valueOf(written) as T;
}

/** How a parameter's name, its opposite or a formula reads. */
function textOf(written: string, texts: ReadonlyMap<string, string>): string | undefined {
  const [, minus, name = ''] = /^\s*(-?)\s*([A-Za-z_]\w*)\s*$/.exec(written) ?? [];
  const text = texts.get(name);
  if (text === undefined) return formulaText(written, texts);
  if (minus === '') return text;
  return /^[-−]/.test(text) ? text.slice(1) : `−${text}`;
}

/** A formula with the values of parameters: "0.7 × 4.1 kN/m"; undefined for what is none, or names no parameter. */
function formulaText(written: string, texts: ReadonlyMap<string, string>): string | undefined {
  if (!/^[\w\s.*/+()-]+$/.test(written) || !/[*/+-]/.test(written)) return undefined;
  const names = /(?<![\w.])[A-Za-z_]\w*/g;
  if (![...written.matchAll(names)].some(([name]) => texts.has(name))) return undefined;
  const words = written.replace(names, (name) => texts.get(name) ?? name);
  return words
    .replace(/\s*\*\s*/g, ' × ')
    .replace(/\s*\/\s(?=[\d(])/g, ' / ')
    .replace(/^-\s*/, '−');
}
