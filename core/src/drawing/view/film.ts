import { layerNames, type Drawing, type Layer } from '../drawing.js';
import { layFlat, type Ink } from './flat.js';
import { colourValues } from './colours.js';
import { opacity, svgText, type SvgOptions } from './svg.js';

export interface FilmOptions extends SvgOptions {
  /** Of one swing from one side to the other and back, s. */
  readonly seconds: number;
}

/** Pictures of a swing; between them the lines move evenly. */
const pictures = 24;

/** A line at the same place of the drawing in every picture. */
interface MovingLine {
  readonly ink: Ink;
  /** x and y of start and end, picture by picture, px. */
  readonly places: number[][];
}

/**
 * A drawing whose deformed shape swings between both sides, as an animated SVG (SMIL): what stays still is drawn once, what moves as
 * paths through the pictures of one swing.
 */
export function toFilm(drawing: Drawing, options: FilmOptions): string {
  const { size, layers = layerNames, seconds } = options;
  const { width, height } = size;
  const swing = (k: number) => Math.sin((2 * Math.PI * k) / pictures);
  const parts = layers.flatMap((layer) => {
    const lines = linesOf(drawing, layer, options, swing);
    return [
      ...areas(drawing, layer, options),
      ...lines.map(({ ink, places }) => lineText(ink, places, seconds)),
      ...svgText(drawing, layer, options),
    ];
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><rect width="100%" height="100%" fill="${colourValues.sheet}"/>${parts.join('')}</svg>`;
}

/** The lines of a layer in every picture; they come in the same order in all. */
function linesOf(
  drawing: Drawing,
  layer: Layer,
  options: FilmOptions,
  swing: (picture: number) => number,
): MovingLine[] {
  const lines: MovingLine[] = [];
  for (let k = 0; k <= pictures; k++) {
    let i = 0;
    const scales = { ...options.scales, deformation: (options.scales?.deformation ?? 1) * swing(k) };
    layFlat(
      drawing,
      { ...options, layers: [layer], scales },
      {
        line: (x0, y0, x1, y1, ink) => {
          const line = (lines[i++] ??= { ink, places: [] });
          line.places.push([x0, y0, x1, y1].map((v) => Math.round(10 * v) / 10));
        },
        triangle: () => undefined,
      },
    );
  }
  return lines;
}

function lineText(ink: Ink, places: readonly number[][], seconds: number): string {
  const path = ([x0, y0, x1, y1]: readonly number[]) => `M${x0} ${y0}L${x1} ${y1}`;
  const first = path(places[0]!);
  const look = `stroke="${colourValues[ink.colour]}" stroke-width="${ink.width}"${opacity('stroke', ink)} stroke-linecap="round"`;
  if (places.every((place) => path(place) === first)) return `<path d="${first}" ${look}/>`;
  const values = places.map(path).join(';');
  return `<path d="${first}" ${look}><animate attributeName="d" dur="${seconds}s" repeatCount="indefinite" values="${values}"/></path>`;
}

/** Filled areas, which stay where the shape stands at its greatest. */
function areas(drawing: Drawing, layer: Layer, options: FilmOptions): string[] {
  const parts: string[] = [];
  layFlat(
    drawing,
    { ...options, layers: [layer] },
    {
      line: () => undefined,
      triangle: (corners, ink) => {
        const path = Array.from(corners, (v) => Math.round(10 * v) / 10);
        parts.push(
          `<path d="M${path[0]} ${path[1]}L${path[2]} ${path[3]}L${path[4]} ${path[5]}Z" fill="${colourValues[ink.colour]}"${opacity('fill', ink)}/>`,
        );
      },
    },
  );
  return parts;
}
