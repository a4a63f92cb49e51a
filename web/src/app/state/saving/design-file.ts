import type { Design } from '@hashira/core';

/** Offers a design as a JSON file to save. */
export function downloadDesign(design: Design): void {
  download(`${JSON.stringify(design, null, 2)}\n`, `${design.title}.json`, 'application/json');
}

/** Offers a text as a file to save; characters that file systems do not take are left out of its name. */
export function download(text: string, name: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  const [, stem, ending] = /^(.*)(\.\w+)$/s.exec(name)!;
  link.download = `${stem!.replace(/[^\p{L}\p{N} ,_-]+/gu, '').trim() || 'design'}${ending!}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}

/** Reads a chosen file as JSON; throws an error whose message can be shown. */
export async function readDesignFile(file: File): Promise<unknown> {
  const text = await file.text();
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    throw new Error(`"${file.name}" is not a design file: it is not JSON (${reason}).`, { cause: error });
  }
}
