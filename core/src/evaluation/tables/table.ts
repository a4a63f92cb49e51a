import type { FrameState } from '../../analysis/index.js';
import { envelopeStates } from '../../drawing/index.js';
import type { Analysed } from '../stages/index.js';
import type { Namer } from '../../geometry/names.js';
import type { QuantityName } from '../../units/quantities.js';

/** A column of numbers, SI. */
export interface TableColumn {
  readonly name: string;
  readonly quantity: QuantityName;
}

/** A row: what it is of, where on it, and a number for each column. */
export interface TableRow {
  /** Id of the member or node. */
  readonly part: string;
  readonly title: string;
  /** Where along a member, or which side of an envelope. */
  readonly at: string;
  readonly values: readonly number[];
  /** Of an envelope: the combination that each value comes from. */
  readonly from?: readonly string[];
}

/** A table of results; plain data. */
export interface ResultTable {
  readonly of: 'members' | 'nodes';
  readonly columns: readonly TableColumn[];
  readonly rows: readonly TableRow[];
  /** Rows that were left out because there are too many. */
  readonly more: number;
  /** Smaller magnitudes are nothing beside the greatest in the table; SI, with a lever of 1 m between forces and moments, m and rad. */
  readonly negligible: number;
}

export interface TableSource {
  readonly forces: Analysed;
  readonly namer: Namer;
}

/** What a table is asked for. */
export interface TableQuestion {
  /** Id of a load case, a combination or an envelope. */
  readonly result: string;
  /** Only these members or nodes; all where it is left out. */
  readonly parts?: readonly string[];
}

/** A kind of table: one a file, listed in `index.ts`. */
export interface TableKind {
  readonly kind: string;
  readonly title: string;
  readonly of: 'members' | 'nodes';
  columns(source: TableSource): readonly TableColumn[];
  /** Places that have a row each, in order. */
  places(source: TableSource): readonly TablePlace[];
}

/** A place of a frame, and its numbers in a state, one for each column. */
export interface TablePlace {
  readonly part: string;
  readonly title: string;
  readonly at: string;
  values(state: FrameState): readonly number[];
}

/** Most rows that leave the core. */
const mostRows = 4000;

/** Share of the greatest number of a table below which one is nothing beside it; forces of second order are iterated to 1e-8 of the largest. */
const negligibleShare = 1e-6;

/** Fills a table for a load case, a combination, or an envelope; without rows for what has no forces. */
export function fillTable(kind: TableKind, source: TableSource, question: TableQuestion): ResultTable {
  const wanted = question.parts && new Set(question.parts);
  const all = kind.places(source).filter(({ part }) => !wanted || wanted.has(part));
  const envelope = envelopeStates(source.forces, question.result);
  const rowsEach = envelope.length > 0 ? 2 : 1;
  // What is not shown is not worked out
  const places = all.slice(0, mostRows / rowsEach);
  const rows =
    envelope.length > 0
      ? places.flatMap((place) => envelopeRows(place, envelope))
      : rowsOf(places, source.forces.states.get(question.result));
  return {
    of: kind.of,
    columns: kind.columns(source),
    rows,
    more: rowsEach * (all.length - places.length),
    negligible: negligibleShare * greatestOf(rows),
  };
}

function greatestOf(rows: readonly TableRow[]): number {
  let greatest = 0;
  for (const { values } of rows) for (const value of values) greatest = Math.max(greatest, Math.abs(value));
  return greatest;
}

function rowsOf(places: readonly TablePlace[], state: FrameState | undefined): TableRow[] {
  if (!state) return [];
  return places.map((place) => ({
    part: place.part,
    title: place.title,
    at: place.at,
    values: place.values(state),
  }));
}

/** The greatest and the least of every column over an envelope's combinations, and where they come from. */
function envelopeRows(
  place: TablePlace,
  combinations: readonly { id: string; state: FrameState }[],
): TableRow[] {
  const all = combinations.map(({ id, state }) => ({ id, values: place.values(state) }));
  const first = all[0]!;
  const row = (side: string, beats: (a: number, b: number) => boolean): TableRow => {
    const best = first.values.map((_, k) =>
      all.reduce((a, b) => (beats(b.values[k]!, a.values[k]!) ? b : a)),
    );
    return {
      part: place.part,
      title: place.title,
      at: place.at === '' ? side : `${place.at}, ${side}`,
      values: best.map(({ values }, k) => values[k]!),
      from: best.map(({ id }) => id),
    };
  };
  return [row('greatest', (a, b) => a > b), row('least', (a, b) => a < b)];
}
