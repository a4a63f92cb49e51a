import { layerNames, scaleNames, type Drawing, type Layer } from '../drawing.js';
import { colourValues } from './colours.js';
import { layFlat, type FlatOptions, type Ink } from './flat.js';
import { projected } from './view.js';

export interface SvgOptions extends FlatOptions {
  /** Texts are written, too; so unless false. */
  readonly texts?: boolean;
}

const round = (v: number) => String(Math.round(v * 100) / 100);

/** A drawing as SVG: the same strokes, areas and texts that the sheet shows. */
export function toSvg(drawing: Drawing, options: SvgOptions): string {
  const { size, layers = layerNames } = options;
  const parts: string[] = [];
  for (const layer of layers) {
    layFlat(
      drawing,
      { ...options, layers: [layer] },
      {
        line: (x0, y0, x1, y1, ink) =>
          parts.push(
            `<line x1="${round(x0)}" y1="${round(y0)}" x2="${round(x1)}" y2="${round(y1)}" stroke="${colourValues[ink.colour]}" stroke-width="${round(ink.width)}"${opacity('stroke', ink)} stroke-linecap="round"/>`,
          ),
        triangle: (corners, ink) => {
          const [x0, y0, x1, y1, x2, y2] = Array.from(corners, round);
          parts.push(
            `<path d="M${x0} ${y0}L${x1} ${y1}L${x2} ${y2}Z" fill="${colourValues[ink.colour]}"${opacity('fill', ink)}/>`,
          );
        },
      },
    );
    parts.push(...svgText(drawing, layer, options));
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size.width} ${size.height}" width="${size.width}" height="${size.height}">${parts.join('')}</svg>`;
}

/** The texts of a layer. */
export function svgText(
  drawing: Drawing,
  layer: Layer,
  { view, size, scales = {}, texts = true }: SvgOptions,
): string[] {
  return (texts ? drawing.texts : []).flatMap(({ layer: own, text, at, shift, scale, tone }) => {
    if (own !== layer) return [];
    const f = scale === scaleNames[0] ? 0 : (scales[scale] ?? 1);
    const [x, y] = projected(view, size, [at[0] + f * shift[0], at[1] + f * shift[1], at[2] + f * shift[2]]);
    return [
      `<text x="${round(x)}" y="${round(y)}" fill="${colourValues[tone]}" font-size="12" text-anchor="middle">${escaped(text)}</text>`,
    ];
  });
}

/** The attribute by which a line or an area lets through what is under it; nothing where it does not. */
export const opacity = (of: 'stroke' | 'fill', { alpha }: Ink) =>
  alpha < 1 ? ` ${of}-opacity="${round(alpha)}"` : '';

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
