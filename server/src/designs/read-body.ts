import type { Design, Outcome } from '@hashira/core';
import { validateDesign } from '@hashira/core/validation';

/** A body as a design, what is wrong with it, or why it is not JSON at all. */
export type ReadBody =
  | { readonly json: true; readonly design: Outcome<Design> }
  | { readonly json: false; readonly reason: string };

/** Reads the text of a body. */
export function readBody(text: string): ReadBody {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return { json: false, reason: error instanceof Error ? error.message : String(error) };
  }
  return { json: true, design: validateDesign(value) };
}
