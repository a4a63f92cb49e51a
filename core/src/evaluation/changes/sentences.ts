import { pickedOption } from '../../document/alternatives.js';
import type { Design } from '../../document/types.js';
import { matchRecords, type Identified } from './match-records.js';
import { renamedLike } from './renamed-design.js';
import { recordWords, valueWords } from './record-words.js';
import { sameText, written } from './words.js';

/** A change of a design in words, each with what was and what is. */
export interface Sentence {
  /** Which list of the design, such as `rules`. */
  readonly of: string;
  /** Id of the record that it is about; absent for settings. */
  readonly id?: string;
  /** What it is called, with the field: `rule "Bases", support`. */
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

/** What stands before what came, and after what went. */
export const absent = 'not there';
export const gone = 'removed';

type Record_ = Identified & { readonly title?: string };

/** The lists of a design whose records are told of, by what one of them is called. */
const lists: readonly (readonly [of: string, one: string, read: (design: Design) => readonly Record_[]])[] = [
  ['parameters', 'parameter', ({ parameters }) => parameters.map((one) => ({ ...one, id: one.name }))],
  ['axes', 'grid lines along', ({ axes }) => axes.map((one) => ({ ...one, id: one.along }))],
  ['sections', 'section', ({ sections }) => sections],
  ['materials', 'material', ({ materials }) => materials],
  ['steps', 'step', ({ steps }) => steps],
  ['rules', 'rule', ({ rules }) => rules],
  ['loadCases', 'load case', ({ loadCases }) => loadCases],
  ['combinations', 'combination', ({ combinations }) => combinations],
  ['choices', 'choice', ({ choices }) => choices.map(({ options: _, ...one }) => one)],
  [
    'options',
    'option',
    ({ choices }) =>
      choices.flatMap(({ id, title, options }) =>
        options.map(({ changes, ...option }) => ({
          ...changes,
          id: `${id} ${option.id}`,
          title: `${option.title} of ${title}`,
        })),
      ),
  ],
  ['alternatives', 'alternative', alternativesInWords],
  ['figures', 'figure', ({ figures }) => figures],
];

/** What changed from one design to another; names of ids and the order of lists are no change. */
export function changedSentences(before: Design, given: Design): Sentence[] {
  const after = renamedLike(given, before);
  const [a, b] = [withPicks(before, after), withPicks(after, before)];
  return [
    ...settingsChanged(a, b),
    ...lists.flatMap(([of, one, read]) => recordsChanged(of, one, [a, b], read)),
  ];
}

/** A design whose alternatives name what they pick of every choice that another design has too, also where that is the first option by itself. */
const withPicks = (design: Design, other: Design): Design => ({
  ...design,
  alternatives: design.alternatives.map((one) => {
    const shared = design.choices.filter(({ id }) => other.choices.some((choice) => choice.id === id));
    const picked = shared.map(({ id }) => [id, pickedOption(design.choices, one, id) ?? ''] as const);
    return { ...one, picks: { ...one.picks, ...Object.fromEntries(picked) } };
  }),
});

/** Alternatives with what they pick by the titles of choices and options. */
function alternativesInWords({ alternatives, choices }: Design): Record_[] {
  const titled = (choice: string, option: string): readonly [string, string] => {
    const of = choices.find(({ id }) => id === choice);
    return [of?.title ?? choice, of?.options.find(({ id }) => id === option)?.title ?? option];
  };
  return alternatives.map(({ picks, ...one }) => ({
    ...Object.fromEntries(Object.entries(picks).map(([choice, option]) => titled(choice, option))),
    ...one,
  }));
}

function settingsChanged(before: Design, after: Design): Sentence[] {
  const parts = (design: Design): Record<string, unknown> => ({
    title: design.title,
    space: design.space,
    ...prefixed('analysis', design.analysis),
    ...prefixed('code', design.code),
    'combinations by rule': design.combine,
    'reference alternative': design.reference,
    'decided for': design.decision?.alternative,
    'why it was decided': design.decision?.note,
  });
  return fieldsChanged(parts(before), parts(after)).map((change) => ({ of: 'settings', ...change }));
}

const prefixed = (prefix: string, record: object): Record<string, unknown> =>
  Object.fromEntries(Object.entries(record).map(([name, value]) => [`${prefix}, ${name}`, value]));

function recordsChanged(
  of: string,
  one: string,
  [before, after]: readonly [Design, Design],
  read: (design: Design) => readonly Record_[],
): Sentence[] {
  const { pairs, removed, added } = matchRecords(read(before), read(after));
  const called = ({ id, title }: Record_) => `${one} "${title ?? id}"`;
  return [
    ...pairs.flatMap((pair) => {
      const name = called(pair.after);
      const fields = fieldsChanged({ ...pair.before, id: '' }, { ...pair.after, id: '' }, [
        (what, value) => valueWords(of, pair.before, what, value, before),
        (what, value) => valueWords(of, pair.after, what, value, after),
      ]);
      return fields.map(({ what, ...rest }) => ({
        of,
        id: pair.after.id,
        what:
          of === 'parameters' && what === 'value' ? (pair.after.title ?? pair.after.id) : `${name}, ${what}`,
        ...rest,
      }));
    }),
    ...removed.map((one) => ({
      of,
      id: one.id,
      what: called(one),
      before: recordWords(of, one, before),
      after: gone,
    })),
    ...added.map((made) => ({
      of,
      id: made.id,
      what: called(made),
      before: absent,
      after: recordWords(of, made, after),
    })),
  ];
}

type ValueWords = (what: string, value: unknown) => string;
const asWritten: ValueWords = (_, value) => written(value);

function fieldsChanged(
  before: object,
  after: object,
  [was, is]: readonly [ValueWords, ValueWords] = [asWritten, asWritten],
): Pick<Sentence, 'what' | 'before' | 'after'>[] {
  const [a, b] = [new Map(Object.entries(before)), new Map(Object.entries(after))];
  return [...new Set([...a.keys(), ...b.keys()])].flatMap((what) =>
    sameText(a.get(what)) === sameText(b.get(what))
      ? []
      : [{ what, before: was(what, a.get(what)), after: is(what, b.get(what)) }],
  );
}

/** A change as a sentence: `Rule "Bases", support: pinned → fixed`. */
export const inOneLine = ({ what, before, after }: Pick<Sentence, 'what' | 'before' | 'after'>): string =>
  `${what[0]!.toUpperCase()}${what.slice(1)}: ${before} → ${after}`;
