import { ownValue } from '../base/own-value.js';
import { problem, type Outcome, type Problem } from '../base/problem.js';
import type { SectionProperties, Shape } from '../model/types.js';
import { shapeProblem } from './shapes/index.js';

/** A section read from a table: a name with dimensions or with properties. */
export type OwnSection =
  | { readonly name: string; readonly shape: Shape }
  | { readonly name: string; readonly properties: SectionProperties };

const lengths: Readonly<Record<string, number>> = { mm: 1e-3, cm: 1e-2, m: 1, in: 0.0254 };
/** Powers of length of the columns that may stand in a table, by their usual names. */
const columns: Readonly<Record<string, [key: string, dimension: number]>> = {
  h: ['h', 1], b: ['b', 1], tw: ['tw', 1], tf: ['tf', 1], t: ['t', 1], r: ['r', 1], r1: ['r', 1], r2: ['r2', 1], d: ['d', 1],
  ro: ['ro', 1], ri: ['ri', 1], a: ['A', 2], iy: ['Iy', 4], iz: ['Iz', 4], iyz: ['Iyz', 4], it: ['J', 4], j: ['J', 4],
  iw: ['Iw', 6], wely: ['Wely', 3], welz: ['Welz', 3], wply: ['Wply', 3], wplz: ['Wplz', 3], avy: ['Avy', 2], avz: ['Avz', 2],
}; // oxfmt-ignore
const usualUnit: Readonly<Record<number, string>> = { 1: 'mm', 2: 'cm', 3: 'cm', 4: 'cm', 6: 'cm' };
const shapeColumns: Readonly<Record<string, readonly string[]>> = {
  i: ['h', 'b', 'tw', 'tf'],
  channel: ['h', 'b', 'tw', 'tf'],
  tee: ['h', 'b', 'tw', 'tf'],
  angle: ['h', 'b', 't'],
  'rectangular-hollow': ['h', 'b', 't'],
  'circular-hollow': ['d', 't'],
  rectangle: ['h', 'b'],
  round: ['d'],
};

/**
 * Reads sections pasted from a spreadsheet: a line of headings ("name", "shape", then dimensions or properties, each with its
 * unit as in "h (mm)" or "Iy [cm4]"; without one mm for lengths and cm for the rest), then a line a section. Columns are divided
 * by tabs, semicolons or runs of spaces; decimals by a point or a comma.
 *
 * @returns sections with SI values, or every problem with its line and column
 */
export function parseSectionTable(text: string): Outcome<OwnSection[]> {
  const lines = text
    .split(/\r?\n/)
    .map((line, i) => ({ cells: cellsOf(line), line: i + 1 }))
    .filter(({ cells }) => cells.some((c) => c !== ''));
  const problems: Problem[] = [];
  const report = (message: string, where: Record<string, unknown>) =>
    problems.push(problem('invalid-table', message, where));
  const [head, ...rows] = lines;
  if (!head || rows.length === 0) {
    report('The table needs a line of headings and at least one section below it.', { line: 1 });
    return { ok: false, problems };
  }
  const headings = head.cells.map((cell, i) => headingOf(cell, i + 1, head.line, report));
  if (!headings.some((h) => h?.key === 'name'))
    report(`The table needs a column "name" (line ${head.line}).`, { line: head.line });
  const sections: OwnSection[] = [];
  for (const { cells, line } of rows) {
    const values: Record<string, number> = {};
    let name = '';
    let shape = '';
    headings.forEach((heading, i) => {
      const cell = cells[i] ?? '';
      if (!heading || cell === '') return;
      if (heading.key === 'name') name = cell;
      else if (heading.key === 'shape') shape = cell.toLowerCase();
      else {
        const value = Number(cell.replace(/\s/g, '').replace(',', '.'));
        if (Number.isFinite(value)) values[heading.key] = value * heading.scale;
        else report(`"${cell}" is no number (line ${line}, column ${i + 1}).`, { line, column: i + 1 });
      }
    });
    if (name === '') report(`The section has no name (line ${line}).`, { line });
    const section = sectionOf(name, shape, values, line, report);
    if (section) sections.push(section);
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: sections };
}

type Report = (message: string, where: Record<string, unknown>) => void;

function cellsOf(line: string): string[] {
  const divided = line.includes('\t')
    ? line.split('\t')
    : line.includes(';')
      ? line.split(';')
      : line.trim().split(/\s{2,}|\s*\|\s*/);
  return divided.map((cell) => cell.trim());
}

function headingOf(
  cell: string,
  column: number,
  line: number,
  report: Report,
): { key: string; scale: number } | undefined {
  const match = /^([A-Za-z][\w,.]*)\s*(?:[([]\s*([a-z]+)\s*(?:\^?\d|[²³⁴⁶])?\s*[)\]])?$/.exec(cell);
  const key = match?.[1]!.toLowerCase().replace(/[,._]/g, '');
  if (key === 'name' || key === 'profile' || key === 'section') return { key: 'name', scale: 1 };
  if (key === 'shape' || key === 'type') return { key: 'shape', scale: 1 };
  const known = key === undefined ? undefined : ownValue(columns, key);
  const size = known && ownValue(lengths, match![2] ?? usualUnit[known[1]]!);
  if (known && size) return { key: known[0], scale: size ** known[1] };
  report(
    known
      ? `The unit of "${cell}" is unknown; use mm, cm, m or in (line ${line}, column ${column}).`
      : `The heading "${cell}" is unknown; use name, shape, h, b, tw, tf, t, r, d, A, Iy, Iz, Iyz, It, Iw, Wel,y, Wpl,y … (line ${line}, column ${column}).`,
    { line, column },
  );
  return undefined;
}

function sectionOf(
  name: string,
  shape: string,
  values: Record<string, number>,
  line: number,
  report: Report,
): OwnSection | undefined {
  if (shape === '') {
    if (!(values['A']! > 0)) {
      report(`"${name}" needs a shape with its dimensions, or an area A (line ${line}).`, { line });
      return undefined;
    }
    return { name, properties: values as unknown as SectionProperties };
  }
  const wanted = shapeColumns[shape];
  if (!wanted) {
    report(`"${shape}" is no shape; use ${Object.keys(shapeColumns).join(', ')} (line ${line}).`, { line });
    return undefined;
  }
  const missing = wanted.filter((key) => !(values[key]! > 0));
  if (missing.length > 0) {
    report(`"${name}" (${shape}) needs ${missing.join(', ')} above zero (line ${line}).`, { line });
    return undefined;
  }
  const made = { type: shape, ...values } as unknown as Shape;
  const wrong = shapeProblem(made);
  if (wrong) {
    report(`In "${name}" ${wrong} (line ${line}).`, { line });
    return undefined;
  }
  return { name, shape: made };
}
