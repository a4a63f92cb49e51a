import { attempt } from '../../base/problem.js';
import type { Namer } from '../../geometry/names.js';
import type { FigureSpec } from '../../document/types.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import {
  figureKindOf,
  judging,
  keepsLimit,
  limitOf,
  type FigureResult,
  type FigureSource,
  type Needs,
} from './index.js';
import type { EvaluatedAlternative } from '../alternative.js';
import type { FigureSummary } from '../summaries/summary.js';
import type { Units } from '../../units/units.js';

/** What a place is told with. */
export interface Words {
  readonly namer: Namer;
  readonly units: Units;
}

/** What an alternative's figures are read from; undefined while it has no forces. */
export function figureSourceOf({ built, evaluation }: EvaluatedAlternative): FigureSource | undefined {
  if (!built || !evaluation) return undefined;
  const { stability, ...rest } = evaluation;
  return { built, ...rest, ...(stability ? { stability: stability.stability } : {}) };
}

/** Every figure of an alternative as far as it is evaluated. */
export function figureSummaries(of: EvaluatedAlternative): FigureSummary[] {
  const source = figureSourceOf(of);
  return of.design.figures.map((spec) => (source ? figureSummary(of, spec, source) : pending(spec)));
}

/** A figure as far as its source goes; what is known stays, for later stages do not change it. */
export function figureSummary(
  { namer, memory, units }: EvaluatedAlternative,
  spec: FigureSpec,
  source: FigureSource,
): FigureSummary {
  // Its place is told in the reader's units
  const key = `${units.system} ${spec.id}`;
  const known = memory.figures.get(key);
  if (known) return known;
  if (!reaches(source, figureKindOf(spec).needs)) return pending(spec);
  const outcome = attempt(() => summarised(spec, source, { namer: namer!, units }));
  const found = outcome.ok ? outcome.value : wrong(spec, outcome.problems[0]!.message);
  memory.figures.set(key, found);
  return found;
}

/** The states under a load case or combination. */
export function selectionsOf(source: FigureSource, result: string): ResultSelection[] {
  return source.forces.selections.filter((one) => combinationOf(one) === result);
}

function reaches(source: FigureSource, needs: Needs): boolean {
  return needs === 'geometry' || source[needs] !== undefined;
}

function headOf(
  spec: FigureSpec,
): Pick<FigureSummary, 'id' | 'title' | 'quantity' | 'signed' | 'limitIs' | 'readsAs'> {
  const kind = figureKindOf(spec);
  const { signed, limitIs, readsAs } = kind;
  const head = { id: spec.id, title: spec.title, quantity: kind.quantity(spec), signed, limitIs };
  return readsAs === 'h' ? { ...head, readsAs: { of: 'h' } } : head;
}

function pending(spec: FigureSpec): FigureSummary {
  return { ...headOf(spec), pending: true, place: '', status: 'none' };
}

/** A figure that cannot be read as it is specified: it says why, and breaks a limit that it has. */
function wrong(spec: FigureSpec, place: string): FigureSummary {
  return { ...headOf(spec), wrong: true, place, status: spec.limit === undefined ? 'none' : 'fail' };
}

function summarised(spec: FigureSpec, source: FigureSource, words: Words): FigureSummary {
  const result = figureKindOf(spec).compute(source, spec, judging(spec, source.forces.selections));
  const limit = limitOf(source, spec);
  const head = { ...headOf(spec), ...(limit === undefined ? {} : { limit }) };
  if (!result) return { ...head, place: '', status: 'none' };
  return {
    ...head,
    value: result.value,
    ...lengthOf(spec, result),
    place: placeOf(result, words),
    ...(result.result === undefined ? {} : { combination: combinationNamed(source, result.result) }),
    status: limit === undefined ? 'none' : keepsLimit(spec, result.value, limit) ? 'pass' : 'fail',
  };
}

/** The length of which a deflection reads as a share. */
const lengthOf = (spec: FigureSpec, { length }: FigureResult): Pick<FigureSummary, 'readsAs'> =>
  figureKindOf(spec).readsAs === 'L' && length !== undefined ? { readsAs: { of: 'L', length } } : {};

/** The combination of a state that a value was found in. */
function combinationNamed({ forces }: FigureSource, result: string): string {
  const selection = forces.selections.find(({ id }) => id === result);
  return selection ? combinationOf(selection) : result;
}

/** Where a value was found, in words: "left column, x = 6.40 m, U1". */
export function placeOf({ member, node, x, result, note }: FigureResult, { namer, units }: Words): string {
  const part = member !== undefined ? namer.member(member) : node !== undefined ? namer.node(node) : '';
  const at = member !== undefined && x !== undefined ? `x = ${units.inSentence(x, 'length')}` : '';
  return [part, at, result, note].filter((word) => word !== undefined && word !== '').join(', ');
}
