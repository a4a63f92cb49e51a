/** What is written, as it is said: lists with commas, parts by their names. */
export const listWords = (written: unknown): string =>
  Array.isArray(written)
    ? written.map(String).join(', ')
    : typeof written === 'object' && written !== null
      ? Object.entries(written)
          .map(([name, value]) => `${name} ${listWords(value)}`)
          .join(', ')
      : String(written);

/** A name, or that of the parameter that stands for one. */
export const nameWords = (reference: string | { readonly parameter: string }): string =>
  typeof reference === 'string' ? reference : reference.parameter;
