import { roleName } from '../names.js';
import { clausesOf, isTagClause, type Comparison, type TagClause } from './clauses.js';

/** Tags that say what something is: its noun. */
const nouns: Readonly<Record<'members' | 'nodes', string>> = { members: 'role', nodes: 'place' };

const numberWords: Readonly<Record<Comparison, (tag: string, value: string) => string>> = {
  '==': (tag, value) => `of ${tag} ${value}`,
  '!=': (tag, value) => `not of ${tag} ${value}`,
  '>=': (tag, value) => `from ${tag} ${value} on`,
  '<=': (tag, value) => `up to ${tag} ${value}`,
  '>': (tag, value) => `above ${tag} ${value}`,
  '<': (tag, value) => `below ${tag} ${value}`,
};

const placeWords: Readonly<Record<Comparison, (tag: string, value: string) => string>> = {
  '==': (tag, value) => `at ${tag} = ${value}`,
  '!=': (tag, value) => `not at ${tag} = ${value}`,
  '>=': (tag, value) => `from ${tag} = ${value} on`,
  '<=': (tag, value) => `up to ${tag} = ${value}`,
  '>': (tag, value) => `${tag === 'z' ? 'above' : 'beyond'} ${tag} = ${value}`,
  '<': (tag, value) => `${tag === 'z' ? 'below' : 'before'} ${tag} = ${value}`,
};

const sizeWords =
  (more: string, less: string) =>
  (comparison: Comparison, value: string): string =>
    ({
      '==': `of ${value}`,
      '!=': `not of ${value}`,
      '>=': `of ${value} or ${more}`,
      '<=': `of ${value} or ${less}`,
      '>': `${more} than ${value}`,
      '<': `${less} than ${value}`,
    })[comparison];

const sideWords: Readonly<Record<string, string>> = {
  left: 'on the left',
  right: 'on the right',
  middle: 'in the middle',
  front: 'at the front',
  back: 'at the back',
};

/** How what is asked of a tag is said behind the noun. */
const qualifiers: Readonly<Record<string, (clause: TagClause, titleOf: (step: string) => string) => string>> =
  {
    side: ({ values }) => values.map((value) => sideWords[value] ?? `on the ${value} side`).join(' or '),
    face: ({ values }) => `on the ${values.join(' or ')} face`,
    direction: ({ values }) => `along ${values.join(' or ')}`,
    part: ({ values }) => `of the ${values.join(' or ')}`,
    step: ({ values }, titleOf) => `of ${values.map((value) => `“${titleOf(value)}”`).join(' or ')}`,
    role: ({ values }) => `of ${values.map(many).join(' or ')}`,
    place: ({ values }) => `at ${values.map(many).join(' or ')}`,
    length: ({ comparison, values }) => sizeWords('longer', 'shorter')(comparison, values[0]!),
    slope: ({ comparison, values }) => sizeWords('steeper', 'flatter')(comparison, values[0]!),
    ...Object.fromEntries(
      ['storey', 'bay', 'row', 'level'].map((tag) => [
        tag,
        ({ comparison, values }: TagClause) => numberWords[comparison](tag, values[0]!),
      ]),
    ),
    ...Object.fromEntries(
      ['x', 'y', 'z'].map((tag) => [
        tag,
        ({ comparison, values }: TagClause) => placeWords[comparison](tag, values[0]!),
      ]),
    ),
  };

/**
 * A condition as it is said: "columns of storey 1 on the left", "bases". What one tag cannot say stays as it is written.
 *
 * @param of what the condition selects
 * @param titleOf what a step is called, by its id
 */
export function conditionWords(
  condition: string,
  of: 'members' | 'nodes',
  titleOf: (step: string) => string = (id) => id,
): string {
  const clauses = clausesOf(condition);
  if (clauses.length === 0) return `all ${of}`;
  const noun = clauses.find(
    (one): one is TagClause => isTagClause(one) && one.tag === nouns[of] && one.comparison === '==',
  );
  const rest = clauses.filter((one) => one !== noun);
  const said = rest.map((clause) => {
    if (!isTagClause(clause)) return `where ${clause.text}`;
    const words = qualifiers[clause.tag]!(clause, titleOf);
    return clause.comparison === '!=' && isOfText(clause.tag) ? `not ${words}` : words;
  });
  return [noun ? noun.values.map(many).join(' and ') : of, ...said].join(' ');
}

const isOfText = (tag: string): boolean =>
  ['side', 'face', 'direction', 'part', 'step', 'role', 'place'].includes(tag);

const plurals: Readonly<Record<string, string>> = { eaves: 'eaves', apex: 'apexes' };

/** Several of a kind: "columns", "beams along x", "bases". */
function many(kind: string): string {
  const name = roleName(kind);
  const [first = '', ...behind] = name.split(' along ');
  const plural = plurals[first] ?? (/(s|x|ch)$/.test(first) ? `${first}es` : `${first}s`);
  return [plural, ...behind].join(' along ');
}
