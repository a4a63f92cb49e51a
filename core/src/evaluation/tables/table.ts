import type { FrameState } from '../../analysis/index.js';
import { envelopeStates } from '../../drawing/index.js';
import type { Analysed } from '../stages/index.js';
import type { Namer } from '../../geometry/names.js';
import type { Units } from '../../units/units.js';
import type { QuantityName } from '../../units/quantities.js';

/** A column of numbers, SI. */
export interface TableColumn {
  /** Its symbol, as in files. */
  readonly name: string;
  /** What a screen heads it with, where that is not the symbol. */
  readonly title?: string;
  /** Which way numbers above and below zero are, in words. */
  readonly ways?: readonly [above: string, below: string];
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
  /** The combination that each value comes from, and the place along the member, where they differ from value to value. */
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
  readonly units: Units;
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
  /** Its places are whole members with the greatest and the least along them. */
  readonly ranges?: true;
  columns(source: TableSource): readonly TableColumn[];
  /** Places that have a row each, in order. */
  places(source: TableSource): readonly TablePlace[];
}

/** A place of a frame, and its numbers in a state, one for each column. */
export interface TablePlace {
  readonly part: string;
  readonly title: string;
  readonly at: string;
  /** One number for each column: the value there, or of a place that is a whole member the greatest and the least along it. */
  values(state: FrameState): readonly (number | Range)[];
}

/** Greatest and least along a member, with where they are in words. */
export interface Range {
  readonly greatest: PlacedNumber;
  readonly least: PlacedNumber;
}

export interface PlacedNumber {
  readonly value: number;
  readonly at: string;
}

/** Most rows that leave the core. */
const mostRows = 4000;

/** Share of the greatest number of a table below which one is nothing beside it; forces of second order are iterated to 1e-8 of the largest. */
const negligibleShare = 1e-6;

/** Fills a table for a load case, a combination, or an envelope; without rows for what has no forces. */
export function fillTable(kind: TableKind, source: TableSource, question: TableQuestion): ResultTable {
  const wanted = question.parts && new Set(question.parts);
  const all = kind.places(source).filter(({ part }) => !wanted || wanted.has(part));
  const states = statesOf(source.forces, question.result);
  const rowsEach = states.length > 1 || kind.ranges ? 2 : 1;
  // What is not shown is not worked out
  const places = all.slice(0, mostRows / rowsEach);
  const rows = states.length === 0 ? [] : places.flatMap((place) => rowsOf(place, states, rowsEach === 2));
  return {
    of: kind.of,
    columns: kind.columns(source),
    rows,
    more: rowsEach * (all.length - places.length),
    negligible: negligibleShare * greatestOf(rows),
  };
}

/** A state, with what it is called where there are several. */
interface ShownState {
  readonly id: string;
  readonly state: FrameState;
}

function statesOf(forces: Analysed, result: string): readonly ShownState[] {
  const envelope = envelopeStates(forces, result);
  if (envelope.length > 0) return envelope;
  const state = forces.states.get(result);
  return state ? [{ id: '', state }] : [];
}

function greatestOf(rows: readonly TableRow[]): number {
  let greatest = 0;
  for (const { values } of rows) for (const value of values) greatest = Math.max(greatest, Math.abs(value));
  return greatest;
}

/** One row of a place in a state; two, the greatest and the least of every column, where there are several states or places. */
function rowsOf(place: TablePlace, states: readonly ShownState[], two: boolean): TableRow[] {
  const { part, title, at } = place;
  const all = states.map(({ id, state }) => ({ id, values: place.values(state) }));
  if (!two)
    return [{ part, title, at, values: all[0]!.values.map((value) => rangeOf(value).greatest.value) }];
  const row = (side: keyof Range, beats: (a: number, b: number) => boolean): TableRow => {
    const best = all[0]!.values.map((_, k) =>
      all
        .map(({ id, values }) => ({ id, ...rangeOf(values[k]!)[side] }))
        .reduce((a, b) => (beats(b.value, a.value) ? b : a)),
    );
    return {
      part,
      title,
      at: at === '' ? side : `${at}, ${side}`,
      values: best.map(({ value }) => value),
      from: best.map(({ id, at }) => [id, at].filter((word) => word !== '').join(', ')),
    };
  };
  return [row('greatest', (a, b) => a > b), row('least', (a, b) => a < b)];
}

const rangeOf = (value: number | Range): Range =>
  typeof value === 'number' ? { greatest: { value, at: '' }, least: { value, at: '' } } : value;
