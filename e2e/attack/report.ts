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

/** Headers of a request with a design. */
export const jsonHeaders = { 'Content-Type': 'application/json' };

/** Stores a design on a server. Returns its id. */
export async function storeDesign(url: string, design: object): Promise<string> {
  const answer = await fetch(`${url}/api/designs`, {
    method: 'POST',
    headers: jsonHeaders,
    body: JSON.stringify(design),
  });
  return ((await answer.json()) as { id: string }).id;
}
