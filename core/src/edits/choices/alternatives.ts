import type { Alternative, Design } from '../../document/types.js';
import { freeId, freeTitle } from '../ids.js';
import { changeAlternative } from '../parameters.js';

/** Adds a copy of an alternative behind it. */
export function duplicateAlternative(
  design: Design,
  id: string,
  title?: string,
): { design: Design; id: string } {
  const index = design.alternatives.findIndex((a) => a.id === id);
  const original = design.alternatives[index]!;
  const newTitle = freeTitle(
    title ?? original.title,
    design.alternatives.map((a) => a.title),
  );
  const newId = freeId(
    newTitle,
    design.alternatives.map((a) => a.id),
    'alternative',
  );
  const alternatives = [...design.alternatives];
  alternatives.splice(index + 1, 0, { ...original, id: newId, title: newTitle });
  return { design: { ...design, alternatives }, id: newId };
}

/**
 * Removes an alternative; the last one stays. The reference moves to the first one left when it is removed, and a decision for it goes
 * with it.
 */
export function removeAlternative(design: Design, id: string): Design {
  if (design.alternatives.length < 2) return design;
  const alternatives = design.alternatives.filter((a) => a.id !== id);
  const reference = design.reference === id ? alternatives[0]!.id : design.reference;
  const { decision, ...rest } = design;
  const isKept = decision !== undefined && decision.alternative !== id;
  return { ...rest, alternatives, reference, ...(isKept ? { decision } : {}) };
}

/** Puts an alternative that was removed back to its place; nothing changes if its id is taken. */
export function insertAlternative(design: Design, alternative: Alternative, index: number): Design {
  if (design.alternatives.some((a) => a.id === alternative.id)) return design;
  const alternatives = [...design.alternatives];
  alternatives.splice(index, 0, alternative);
  return { ...design, alternatives };
}

/** Renames an alternative; its id stays. */
export function renameAlternative(design: Design, id: string, title: string): Design {
  return changeAlternative(design, id, (alternative) => ({ ...alternative, title }));
}

/** Picks another option of a choice in one alternative. */
export function pickOption(design: Design, id: string, choice: string, option: string): Design {
  return changeAlternative(design, id, (alternative) => ({
    ...alternative,
    picks: { ...alternative.picks, [choice]: option },
  }));
}

/** Chooses the alternative that differences refer to. */
export function setReference(design: Design, id: string): Design {
  return { ...design, reference: id };
}

/** Decides for an alternative, with a note why; without an id the decision is taken back. */
export function decideFor(design: Design, id: string | undefined, note = ''): Design {
  const { decision: _, ...rest } = design;
  if (id === undefined) return rest;
  return { ...rest, decision: { alternative: id, ...(note === '' ? {} : { note }) } };
}
