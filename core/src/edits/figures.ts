import type { Design, FigureSpec } from '../document/types.js';
import { changed, movedTo, withFields, withItem, withPath, without } from './lists.js';

export function addFigure(design: Design, figure: FigureSpec, index?: number): Design {
  return { ...design, figures: withItem(design.figures, figure, index) };
}

/** Sets fields of a figure; `undefined` takes a field away. */
export function setFigure(design: Design, id: string, fields: Readonly<Record<string, unknown>>): Design {
  return { ...design, figures: changed(design.figures, id, (figure) => withFields(figure, fields)) };
}

/** Sets one value within a figure by its path, such as `rates/IPE`; `undefined` takes it away. */
export function setFigureField(design: Design, id: string, path: string, value: unknown): Design {
  return { ...design, figures: changed(design.figures, id, (one) => withPath(one, path.split('/'), value)) };
}

export function removeFigure(design: Design, id: string): Design {
  return { ...design, figures: without(design.figures, id) };
}

export function moveFigure(design: Design, id: string, index: number): Design {
  return { ...design, figures: movedTo(design.figures, id, index) };
}
