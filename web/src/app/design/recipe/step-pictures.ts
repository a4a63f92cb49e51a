import { kindPicture, optionPicture, type StepKind } from '@hashira/core';
import type { OptionPictures } from '../../ui/fields/field.component';

/** px of a card, and of an option. */
export const cardSize = { width: 132, height: 72 };
const optionSize = { width: 60, height: 38 };

const pictures = new Map<string, string | undefined>();

/** A picture as an address, drawn once. */
function drawnOnce(key: string, draw: () => string | undefined): string | undefined {
  if (!pictures.has(key)) {
    const svg = draw();
    pictures.set(key, svg === undefined ? undefined : `data:image/svg+xml,${encodeURIComponent(svg)}`);
  }
  return pictures.get(key);
}

/** The picture of a kind of step. */
export const cardPicture = (kind: StepKind): string =>
  drawnOnce(kind.kind, () => kindPicture(kind, cardSize))!;

/** Pictures of the options of a kind of step. */
export const optionPictures =
  (kind: StepKind): OptionPictures =>
  (path, value) =>
    drawnOnce(`${kind.kind} ${path} ${JSON.stringify(value)}`, () =>
      optionPicture(kind, path, value, optionSize),
    );
