import { projected } from '@hashira/core';
import type { Point, Sheet, StageLabel } from '../types';

/** Layers whose values are led to their places. */
const ledLayers: ReadonlySet<string> = new Set(['diagram', 'deformed']);

/** The texts of a drawing where they stand on a sheet: beyond their anchor, away from what they are about. */
export function textsOn({ scene, layers, scales, phase, view, size }: Sheet): StageLabel[] {
  const factors = {
    none: 0,
    diagram: scales.diagram,
    deformation: scales.deformation * phase,
    load: scales.load,
  };
  return scene.drawing.texts.flatMap((text): StageLabel[] => {
    if (!layers.includes(text.layer)) return [];
    const f = factors[text.scale];
    const place = [0, 1, 2].map((k) => text.at[k]! + f * text.shift[k]!) as unknown as typeof text.at;
    const at = projected(view, size, place);
    const from = projected(view, size, text.from);
    const d: Point = [at[0] - from[0], at[1] - from[1]];
    const length = Math.hypot(...d);
    // What points at the reader stands above its place
    const [ux, uy] = length < 1 ? [0, -1] : [d[0] / length, d[1] / length];
    const anchor: Point = [at[0] + ux * text.beyond, at[1] + uy * text.beyond];
    const align = Math.abs(ux) < 0.6 ? 'middle' : ux > 0 ? 'left' : 'right';
    const { key, tone, priority, title, governs = false } = text;
    const of = ledLayers.has(text.layer) ? { of: at } : {};
    return [{ key, text: text.text, at: anchor, ...of, align, tone, priority, governs, title }];
  });
}
