import { buildFrame, type BuiltFrame } from './build.js';
import type { Alternative, Design } from '../document/types.js';

/**
 * What loses its hold when a design is changed: sentences for what fails then and did not before, and for rules that matched something and
 * match nothing any more.
 */
export function consequencesOf(before: Design, after: Design, alternative: Alternative): string[] {
  const [was, is] = [buildFrame(before, alternative), buildFrame(after, alternative)];
  const known = new Set(was.ok ? [] : was.problems.map(({ message }) => message));
  const failing = is.ok ? [] : is.problems.map(({ message }) => message).filter((one) => !known.has(one));
  return [...failing, ...(was.ok && is.ok ? emptied(was.value, is.value) : [])];
}

function emptied(before: BuiltFrame, after: BuiltFrame): string[] {
  return after.design.rules
    .filter(({ id }) => (before.matches.get(id)?.length ?? 0) > 0 && after.matches.get(id)?.length === 0)
    .map(
      (rule) => `Rule "${rule.title ?? rule.id}" will match nothing: ${rule.members ?? rule.nodes ?? ''}.`,
    );
}
