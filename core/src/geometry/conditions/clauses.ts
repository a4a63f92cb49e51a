import { tagTypes } from '../../language/types.js';

/** How a tag is compared, as conditions write it. */
export type Comparison = '==' | '!=' | '>=' | '<=' | '>' | '<';

/** What a condition asks of one tag. */
export interface TagClause {
  readonly tag: string;
  readonly comparison: Comparison;
  /** Texts without their quotes, of which one must be met; or one number as it is written. */
  readonly values: readonly string[];
}

/** A part of a condition that says something else than how one tag compares. */
export interface OtherClause {
  readonly text: string;
}

export type Clause = TagClause | OtherClause;

export const isTagClause = (clause: Clause): clause is TagClause => 'tag' in clause;

/** Whether a tag holds text, not a number. */
export const isTextTag = (tag: string): boolean => tagTypes.get(tag)?.kind === 'text';

/** The tags that a clause can ask for. */
export const clauseTags: readonly string[] = [...tagTypes.keys()];

const comparison = /^([a-z]+)\s*(==|!=|>=|<=|>|<)\s*(.+)$/s;
const quoted = /^"([^"\\]*)"$|^'([^'\\]*)'$/;

/**
 * A condition as clauses that all must hold; the opposite of `conditionOf`. What cannot be said of one tag stays as it is typed, so that
 * nothing is lost.
 *
 * @returns no clause for a condition that always holds
 */
export function clausesOf(condition: string): Clause[] {
  const text = unwrapped(condition.trim());
  if (text === 'true' || text === '') return [];
  if (partedBy(text, '?').length > 1 || partedBy(text, 'xor').length > 1) return [{ text }];
  const alternatives = partedBy(text, 'or');
  if (alternatives.length > 1) return [oneOf(alternatives.map(clauseOf)) ?? { text }];
  const parts = partedBy(text, 'and');
  return parts.length > 1 ? parts.flatMap(clausesOf) : [clauseOf(text)];
}

/** A condition that holds where all clauses do. */
export function conditionOf(clauses: readonly Clause[]): string {
  if (clauses.length === 0) return 'true';
  const alone = clauses.length === 1;
  return clauses.map((clause) => clauseText(clause, alone)).join(' and ');
}

function clauseText(clause: Clause, alone: boolean): string {
  if (!isTagClause(clause)) {
    const loose = ['or', 'xor', '?'].some((word) => partedBy(clause.text, word).length > 1);
    return loose && !alone ? `(${clause.text})` : clause.text;
  }
  const { tag, comparison: how, values } = clause;
  const one = (value: string) => `${tag} ${how} ${isTextTag(tag) ? `"${value}"` : value}`;
  // "is not a or b" denies both
  const text = values.map(one).join(how === '!=' ? ' and ' : ' or ');
  return values.length > 1 && how !== '!=' && !alone ? `(${text})` : text;
}

/** What one tag is compared with; anything else as it is typed. */
function clauseOf(typed: string): Clause {
  const text = unwrapped(typed.trim());
  const [, tag = '', how, value = ''] = comparison.exec(text) ?? [];
  if (!tagTypes.has(tag)) return { text };
  if (!isTextTag(tag)) {
    const plain = ['and', 'or', 'xor', '?', '==', '!=', '<', '>'].every(
      (word) => partedBy(value, word).length === 1,
    );
    return plain ? { tag, comparison: how as Comparison, values: [value.trim()] } : { text };
  }
  const found = quoted.exec(value.trim());
  if (!found || (how !== '==' && how !== '!=')) return { text };
  return { tag, comparison: how, values: [found[1] ?? found[2] ?? ''] };
}

/** Several texts of the same tag as one clause. */
function oneOf(clauses: readonly Clause[]): TagClause | undefined {
  const [first] = clauses;
  if (!first || !isTagClause(first) || !isTextTag(first.tag)) return undefined;
  const values: string[] = [];
  for (const clause of clauses) {
    if (!isTagClause(clause) || clause.tag !== first.tag || clause.comparison !== '==') return undefined;
    values.push(...clause.values);
  }
  return { tag: first.tag, comparison: '==', values };
}

/** The parts of an expression between a word or sign that stands outside of brackets and quotes. */
function partedBy(text: string, word: string): string[] {
  const isWord = /^[a-z]+$/.test(word);
  const parts: string[] = [];
  let from = 0;
  for (const i of outside(text)) {
    if (!text.startsWith(word, i)) continue;
    const apart = (at: number) => !/[A-Za-z0-9_."']/.test(text[at] ?? ' ');
    if (isWord && !(apart(i - 1) && apart(i + word.length))) continue;
    parts.push(text.slice(from, i).trim());
    from = i + word.length;
  }
  parts.push(text.slice(from).trim());
  return parts;
}

/** Places of a text that lie outside of brackets and quotes. */
function* outside(text: string): Generator<number> {
  let depth = 0;
  let quote = '';
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    if (quote) {
      if (c === quote) quote = '';
    } else if (c === '"' || c === "'") quote = c;
    else if (c === '(') depth++;
    else if (c === ')') depth--;
    else if (depth === 0) yield i;
  }
}

/** Without brackets around the whole. */
function unwrapped(text: string): string {
  if (!text.startsWith('(') || !text.endsWith(')')) return text;
  const inner = text.slice(1, -1);
  return isBalanced(inner) ? unwrapped(inner.trim()) : text;
}

/** Whether every bracket that closes was opened before. */
function isBalanced(text: string): boolean {
  let depth = 0;
  let quote = '';
  for (const c of text) {
    if (quote) quote = c === quote ? '' : quote;
    else if (c === '"' || c === "'") quote = c;
    else if (c === '(') depth++;
    else if (c === ')' && --depth < 0) return false;
  }
  return depth === 0 && quote === '';
}
