/** What a part of the attack did, and what it found wrong; nothing found is what is hoped for. */
export interface Report {
  /** Figures to print, by what they count. */
  readonly figures: Readonly<Record<string, number | string>>;
  readonly findings: readonly string[];
}

/** A value that is kept short enough to be read in a list of findings. */
export const short = (text: string): string => (text.length > 300 ? `${text.slice(0, 300)} …` : text);

/** Whether a text shows how a program is made inside. */
export const isTrace = (text: string): boolean => /\n\s+at .+[(:]|\bundefined\b|\bNaN\b|\[object/.test(text);
