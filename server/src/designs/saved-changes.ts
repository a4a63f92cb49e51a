import { designChangesInWords, type Design } from '@hashira/core';
import { readDocument } from './document.js';

/** Sentences that are kept of a save, and the longest of them, characters. */
const most = 12;
const longest = 240;
/** Longer documents are not compared while a save waits, characters. */
const longestCompared = 400_000;

/** Tells what saves change. The last design that was saved is at hand, so that a row of its saves reads nothing again. */
export class SavedChanges {
  private last: { readonly document: string; readonly design: Design } | undefined;

  /** What a save changes in a stored document, in sentences; null where that is not known. */
  between(document: string, design: Design): string[] | null {
    if (document.length > longestCompared) return null;
    const before = this.last?.document === document ? this.last.design : designOf(document);
    return before ? sentences(before, design) : null;
  }

  saved(document: string, design: Design): void {
    this.last = { document, design };
  }
}

function designOf(document: string): Design | undefined {
  const outcome = readDocument(document);
  return outcome.ok ? outcome.value : undefined;
}

function sentences(before: Design, design: Design): string[] {
  const all = designChangesInWords(before, design);
  const told = all.slice(0, all.length > most ? most - 1 : most).map(shortened);
  return all.length > most ? [...told, `and ${all.length - told.length} more`] : told;
}

const shortened = (sentence: string): string =>
  sentence.length > longest ? `${sentence.slice(0, longest)} …` : sentence;
