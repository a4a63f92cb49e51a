import { layerNames, scaleNames, strokeAt, strokeSize, type Drawing, type Layer } from '../drawing/index.js';

/** A stroke of a drawing: its ends, m, and the displacements that its scale multiplies. */
export interface ReadStroke {
  readonly a: number[];
  readonly b: number[];
  readonly da: number[];
  readonly db: number[];
  readonly width: number;
  readonly alpha: number;
  readonly scale: string;
  /** Opacity of the area between the line and where it would be without its displacements. */
  readonly fill: number;
}

/** The strokes of one layer of a drawing, in order. */
export function strokesOn({ strokes, strokeRanges }: Drawing, layer: Layer): ReadStroke[] {
  const [from, to] = strokeRanges[layerNames.indexOf(layer)]!;
  return Array.from({ length: to - from }, (_, k) => {
    const at = (from + k) * strokeSize;
    const three = (offset: number) => [...strokes.subarray(at + offset, at + offset + 3)];
    return {
      a: three(strokeAt.a),
      da: three(strokeAt.shiftA),
      b: three(strokeAt.b),
      db: three(strokeAt.shiftB),
      width: strokes[at + strokeAt.width]!,
      alpha: strokes[at + strokeAt.alpha]!,
      scale: scaleNames[strokes[at + strokeAt.scale]!]!,
      fill: strokes[at + strokeAt.fill]!,
    };
  });
}

/** Text with plain spaces: numbers stand before their units with spaces at which no line breaks. */
export const plainText = (text: string): string => text.replace(/[\u00a0\u202f\u2009]/g, ' ');
