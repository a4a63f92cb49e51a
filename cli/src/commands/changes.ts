import { changesBetween, changesCsv, type Comparable } from '@hashira/core';
import { fail, parseJson, readModel, unwrapped, validateDesign, type Design } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { readText, writeDocument, writeTextTo } from '../output.js';

interface ChangesOptions {
  readonly alternative?: string[];
  readonly csv?: boolean;
  readonly out?: string;
}

/** `hashira changes`: two designs, two frame models or two alternatives → what changed, as JSON or CSV. */
export async function changes(files: string[], options: ChangesOptions): Promise<void> {
  if (files.length > 2)
    fail('wrong-arguments', `Give one design, or two files to compare; there are ${files.length}.`, {});
  const read = await Promise.all(files.map(async (file) => documentIn(await readText(file))));
  const found = changesBetween(...pairOf(read, options.alternative ?? []));
  if (options.csv) await writeTextTo(changesCsv(found), options.out);
  else await writeDocument(found, options.out);
}

type Document = { readonly design: Design } | Extract<Comparable, { readonly model: unknown }>;

/** A design or a frame model, by the format that the file names. */
function documentIn(text: string): Document {
  const json = unwrapped(parseJson(text, 'invalid-design'));
  return (json as { format?: unknown } | null)?.format === 'hashira-frame'
    ? { model: unwrapped(readModel(text)) }
    : { design: unwrapped(validateDesign(json)) };
}

/** The two that are compared: of one design two alternatives, of one alternative the reference beside it. */
function pairOf(read: readonly Document[], names: readonly string[]): [Comparable, Comparable] {
  const of = (document: Document, name: string | undefined): Comparable =>
    'design' in document
      ? { ...document, alternative: findAlternative(document.design, name ?? document.design.reference) }
      : document;
  const [first, second] = read as [Document, Document?];
  if (second) return [of(first, names[0]), of(second, names[1] ?? names[0])];
  const [before, after] = names.length > 1 ? names : [undefined, names[0]];
  if (after === undefined)
    fail('wrong-arguments', 'Give a second file, or two alternatives of the design by --alternative.', {});
  return [of(first, before), of(first, after)];
}
