import type { CheckItem } from '../../checks/index.js';
import { failureKind, failureWords } from '../../checks/index.js';
import type { FailureEvent } from './failure-file.js';

/** A factor as a sentence has it. */
export const factorWords = (factor: number): string => factor.toPrecision(3);

/** A condition in words: "left column: bending with compression, eq. 6.61". */
export function conditionText(title: string, { title: condition, clause, axis }: CheckItem): string {
  const equation = /eq\.\s*\S+/.exec(clause)?.[0] ?? clause;
  const about = axis === undefined || condition.includes(`about ${axis}`) ? '' : ` about ${axis}`;
  return `${title}: ${condition.charAt(0).toLowerCase()}${condition.slice(1)}${about}, ${equation}`;
}

/** What happens first, and what ends it: "the left column yields first, at 1.42; the frame becomes unstable at 2.05". */
export function verdictWords(
  events: readonly FailureEvent[],
  last: { readonly factor: number; readonly reason?: string },
): string {
  const counted = events.filter(({ kind }) => kind !== 'slack' && kind !== 'taut' && kind !== 'closed');
  const [first] = counted;
  if (!first)
    return `Nothing fails: the frame ${last.reason ?? `carries ${factorWords(last.factor)} times the load`}.`;
  const ending = counted.findLast(({ kind }) => kind === 'instability' || kind === 'collapse');
  const beginning =
    first.factor <= 0
      ? `${whatHappens(first)} under the constant part alone`
      : `${whatHappens(first)} first, at ${factorWords(first.factor)}`;
  if (!ending) {
    const other = counted.find((event) => event.member !== first.member && event.factor > first.factor);
    const then = other ? `, ${whatHappens(other)} at ${factorWords(other.factor)}` : '';
    return `${sentence(beginning)}${then}; the frame ${last.reason ?? 'stands'}.`;
  }
  if (ending === first)
    return `${sentence(`${whatHappens(first)} at ${factorWords(first.factor)}`)} before anything else.`;
  const then = counted.find(
    (event) => event !== first && event.kind === 'condition' && event.member !== first.member,
  );
  const between =
    then && then.factor < ending.factor ? `; ${whatHappens(then)} at ${factorWords(then.factor)}` : '';
  return `${sentence(beginning)}${between}; ${whatHappens(ending)} at ${factorWords(ending.factor)}.`;
}

const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function whatHappens({ kind, title, clause, axis }: FailureEvent): string {
  switch (kind) {
    case 'condition':
      return `the ${title ?? 'member'} ${failureWords[failureKind({ clause: clause!, ...(axis ? { axis: axis as 'y' } : {}) })]}`;
    case 'hinge':
      return `a plastic hinge forms in the ${title ?? 'member'}`;
    case 'instability':
      return 'the frame becomes unstable';
    case 'collapse':
      return 'the frame collapses';
    default:
      return `the ${title ?? 'member'} goes ${kind}`;
  }
}
