import type { Point } from '../../recipe/geometry/vector.js';
import {
  colourNames,
  cornerSize,
  layerNames,
  scaleNames,
  strokeSize,
  type Drawing,
  type Layer,
  type Scale,
} from '../drawing.js';
import { projected, type View } from './view.js';

/** Hex values of the sheet's colours. */
export const colourValues: Readonly<Record<(typeof colourNames)[number], string>> = {
  paper: '#F7F4EC',
  sheet: '#FFFDF8',
  ink: '#22252B',
  inkSoft: '#5C6069',
  inkFaint: '#C9C5B9',
  indigo: '#2B4C8C',
  vermilion: '#C8452D',
  moss: '#5E7A3A',
  plum: '#7B3F6E',
  teal: '#1F7A78',
  ochre: '#B7791F',
};

export interface SvgOptions {
  readonly view: View;
  readonly size: { readonly width: number; readonly height: number };
  readonly layers?: readonly Layer[];
  readonly scales?: Partial<Record<Scale, number>>;
  /** Texts to be written; absent: all of the shown layers. */
  readonly texts?: boolean;
}

const round = (v: number) => String(Math.round(v * 100) / 100);

/** A drawing as SVG: the same strokes, areas and texts that the sheet shows. */
export function toSvg(
  drawing: Drawing,
  { view, size, layers = layerNames, scales = {}, texts = true }: SvgOptions,
): string {
  const factor = (scale: number) => (scale === 0 ? 1 : (scales[scaleNames[scale]!] ?? 1));
  const at = (data: Float32Array, i: number, scale: number): readonly [number, number] => {
    const f = factor(scale);
    const p: Point = [
      data[i]! + f * data[i + 3]!,
      data[i + 1]! + f * data[i + 4]!,
      data[i + 2]! + f * data[i + 5]!,
    ];
    return projected(view, size, p);
  };
  const parts: string[] = [];
  for (const layer of layers) {
    const k = layerNames.indexOf(layer);
    const [c0, c1] = drawing.cornerRanges[k]!;
    for (let c = c0; c + 2 < c1; c += 3) parts.push(triangle(drawing.corners, c * cornerSize, at));
    const [s0, s1] = drawing.strokeRanges[k]!;
    for (let s = s0; s < s1; s++) parts.push(stroke(drawing.strokes, s * strokeSize, at));
    if (texts)
      for (const text of drawing.texts)
        if (text.layer === layer) {
          const f = factor(scaleNames.indexOf(text.scale));
          const [x, y] = projected(view, size, [
            text.at[0] + f * text.shift[0],
            text.at[1] + f * text.shift[1],
            text.at[2] + f * text.shift[2],
          ]);
          parts.push(
            `<text x="${round(x)}" y="${round(y)}" fill="${colourValues[text.tone]}" font-size="12" text-anchor="middle">${escaped(text.text)}</text>`,
          );
        }
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size.width} ${size.height}" width="${size.width}" height="${size.height}">${parts.join('')}</svg>`;
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

type At = (data: Float32Array, i: number, scale: number) => readonly [number, number];

/** Direction on the sheet from p to q; to the right where they fall together. */
function direction(p: readonly [number, number], q: readonly [number, number]): readonly [number, number] {
  const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
  return d < 1e-6 ? [1, 0] : [(q[0] - p[0]) / d, (q[1] - p[1]) / d];
}

function stroke(data: Float32Array, i: number, at: At): string {
  const [width, colour, alpha, mode, scale] = [
    data[i + 16]!,
    data[i + 17]!,
    data[i + 18]!,
    data[i + 19]!,
    data[i + 20]!,
  ];
  const a = at(data, i, scale);
  const b = at(data, i + 6, scale);
  const off = [data[i + 12]!, data[i + 13]!, data[i + 14]!, data[i + 15]!] as const;
  let [p, q] = [
    [a[0] + off[0], a[1] + off[1]],
    [b[0] + off[2], b[1] + off[3]],
  ] as const;
  if (mode === 1) {
    const d = direction(a, b);
    p = [a[0] + d[0] * off[0] - d[1] * off[1], a[1] + d[1] * off[0] + d[0] * off[1]];
    q = [a[0] + d[0] * off[2] - d[1] * off[3], a[1] + d[1] * off[2] + d[0] * off[3]];
  }
  const opacity = alpha < 1 ? ` stroke-opacity="${round(alpha)}"` : '';
  return `<line x1="${round(p[0])}" y1="${round(p[1])}" x2="${round(q[0])}" y2="${round(q[1])}" stroke="${colourValues[colourNames[colour]!]}" stroke-width="${round(width)}"${opacity} stroke-linecap="round"/>`;
}

function triangle(data: Float32Array, i: number, at: At): string {
  const points = [0, 1, 2].map((k) => {
    const c = i + k * cornerSize;
    const [mode, scale] = [data[c + 13]!, data[c + 14]!];
    const p = at(data, c, scale);
    const off = [data[c + 9]!, data[c + 10]!] as const;
    if (mode === 0) return [p[0] + off[0], p[1] + off[1]];
    // The second point has no displacement of its own
    const q = at(Float32Array.of(data[c + 6]!, data[c + 7]!, data[c + 8]!, 0, 0, 0), 0, 0);
    const d = direction(p, q);
    return [p[0] + d[0] * off[0] - d[1] * off[1], p[1] + d[1] * off[0] + d[0] * off[1]];
  });
  const alpha = data[i + 12]!;
  return `<path d="M${points.map((p) => p.map((v) => round(v)).join(' ')).join('L')}Z" fill="${colourValues[colourNames[data[i + 11]!]!]}"${alpha < 1 ? ` fill-opacity="${round(alpha)}"` : ''}/>`;
}
