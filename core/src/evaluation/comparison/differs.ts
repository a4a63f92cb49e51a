import { applyAlternative, pickedOption } from '../../document/alternatives.js';
import type { Alternative, Design } from '../../document/types.js';
import { parametersOf } from '../summaries/parameter-summaries.js';

/** A choice or a parameter of which two alternatives take different options or values, as they are written. */
export interface ChosenOtherwise {
  readonly title: string;
  readonly own: string;
  readonly other: string;
}

/** In what an alternative differs from another: choices, then parameters to which one of the two gives a value of its own. */
export const differencesBetween = (
  design: Design,
  alternative: Alternative,
  reference: Alternative,
): ChosenOtherwise[] => [
  ...ofChoices(design, alternative, reference),
  ...ofParameters(design, alternative, reference),
];

/** The same in words: "Bases: pinned instead of fixed", "Span: 24 m instead of 22 m". */
export const differencesInWords = (
  design: Design,
  alternative: Alternative,
  reference: Alternative,
): string[] =>
  differencesBetween(design, alternative, reference).map(
    ({ title, own, other }) => `${title}: ${own} instead of ${other}`,
  );

function ofChoices(design: Design, alternative: Alternative, reference: Alternative): ChosenOtherwise[] {
  return design.choices.flatMap(({ id, title, options }) => {
    const [own, other] = [alternative, reference].map((one) => pickedOption(design.choices, one, id));
    const named = (option: string | undefined) =>
      options.find((one) => one.id === option)?.title ?? option ?? '';
    return own === other ? [] : [{ title, own: named(own), other: named(other) }];
  });
}

/** Parameters to which one of the two gives a value of its own, and which come to another value in the other. */
function ofParameters(design: Design, alternative: Alternative, reference: Alternative): ChosenOtherwise[] {
  const [own, other] = [valuesOf(design, alternative), valuesOf(design, reference)];
  const named = new Set([
    ...Object.keys(alternative.parameters ?? {}),
    ...Object.keys(reference.parameters ?? {}),
  ]);
  return design.parameters.flatMap(({ name, title }) => {
    if (!named.has(name)) return [];
    const [value, before] = [own.scope?.get(name)?.value, other.scope?.get(name)?.value];
    const [written, writtenBefore] = [own.written.get(name) ?? '', other.written.get(name) ?? ''];
    const isSame =
      value === undefined || before === undefined ? written === writtenBefore : same(value, before);
    return isSame ? [] : [{ title, own: written, other: writtenBefore }];
  });
}

interface Values {
  readonly written: ReadonlyMap<string, string>;
  readonly scope: NonNullable<ReturnType<typeof parametersOf>>['scope'] | undefined;
}

/** Parameters as an alternative has them; nothing where it names what the design has not. */
function valuesOf(design: Design, alternative: Alternative): Values {
  const scope = parametersOf(design, alternative)?.scope;
  const { parameters } = scope ? applyAlternative(design, alternative) : { parameters: [] };
  return { scope, written: new Map(parameters.map(({ name, value }) => [name, value])) };
}

const same = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number'
    ? Math.abs(a - b) <= 1e-12 * Math.max(Math.abs(a), Math.abs(b))
    : a === b;
