import { problem, type Design, type Outcome } from '@hashira/core';
import { parseDesign } from '@hashira/core/validation';

/** A stored document as a design of the current version, or what is wrong with it: a damaged row may hold anything. */
export function readDocument(document: unknown): Outcome<Design> {
  if (typeof document === 'string') return parseDesign(document);
  const problems = [problem('invalid-design', 'The stored document is not a text.', { path: '/' })];
  return { ok: false, problems };
}
