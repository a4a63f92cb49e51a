import type { CalculationStep } from '../../checks/index.js';
import { attempt } from '../../base/problem.js';
import type { Namer } from '../../geometry/names.js';
import type { FigureSpec } from '../../document/types.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import { inSentence } from '../../units/format.js';
import { shownSystem } from '../../units/system.js';
import {
  figureKindOf,
  judging,
  keepsLimit,
  limitOf,
  type FigureResult,
  type FigureSource,
  type Needs,
} from './index.js';
import type { FigureSummary } from '../summary.js';

/** The figures of one alternative as they become known. What is known stays: later stages of the work do not change it. */
export class FigureTable {
  private readonly known = new Map<string, FigureSummary>();

  constructor(private readonly specs: readonly FigureSpec[]) {}

  /** Every figure as far as the source goes; without one all are pending. */
  summaries(source: FigureSource | undefined, namer: Namer | undefined): FigureSummary[] {
    return this.specs.map((spec) => (source && namer ? this.one(spec, source, namer) : pending(spec)));
  }

  /** Every figure under one load case or combination alone, without a verdict; those that no load changes as they are. */
  underAlone(result: string, source: FigureSource, namer: Namer): FigureSummary[] {
    const alone = selectionsOf(source, result);
    return this.specs.map((spec) => {
      const kind = figureKindOf(spec);
      const whole = this.one(spec, source, namer);
      if (kind.needs !== 'forces' || kind.judgedBy === 'none' || whole.wrong) return whole;
      const found = kind.compute(source, spec, alone);
      const { value: _, ...rest } = whole;
      return found
        ? { ...rest, value: found.value, place: placeOf(found, namer), status: 'none' }
        : { ...rest, place: '', status: 'none' };
    });
  }

  /** The way to a figure, line by line; under one load case or combination only where `result` is given. */
  trace(
    id: string,
    result: string | undefined,
    source: FigureSource,
    namer: Namer,
  ): { figure: FigureSummary; steps: CalculationStep[] } | undefined {
    const spec = this.specs.find((one) => one.id === id);
    if (!spec || this.one(spec, source, namer).wrong) return undefined;
    const kind = figureKindOf(spec);
    const selections =
      result === undefined ? judging(spec, source.forces.selections) : selectionsOf(source, result);
    const found = kind.compute(source, spec, selections);
    return (
      found && {
        figure: { ...this.one(spec, source, namer), value: found.value, place: placeOf(found, namer) },
        steps: kind.trace(source, spec, found),
      }
    );
  }

  private one(spec: FigureSpec, source: FigureSource, namer: Namer): FigureSummary {
    // Its place is told in the reader's units
    const key = `${shownSystem()} ${spec.id}`;
    const known = this.known.get(key);
    if (known) return known;
    if (!reaches(source, figureKindOf(spec).needs)) return pending(spec);
    const outcome = attempt(() => summarised(spec, source, namer));
    const found = outcome.ok ? outcome.value : wrong(spec, outcome.problems[0]!.message);
    this.known.set(key, found);
    return found;
  }
}

function selectionsOf(source: FigureSource, result: string): ResultSelection[] {
  return source.forces.selections.filter((one) => combinationOf(one) === result);
}

function reaches(source: FigureSource, needs: Needs): boolean {
  return needs === 'geometry' || source[needs] !== undefined;
}

function headOf(spec: FigureSpec): Pick<FigureSummary, 'id' | 'title' | 'quantity' | 'signed' | 'limitIs'> {
  const kind = figureKindOf(spec);
  const { signed, limitIs } = kind;
  return { id: spec.id, title: spec.title, quantity: kind.quantity(spec), signed, limitIs };
}

function pending(spec: FigureSpec): FigureSummary {
  return { ...headOf(spec), pending: true, place: '', status: 'none' };
}

/** A figure that cannot be read as it is specified: it says why, and breaks a limit that it has. */
function wrong(spec: FigureSpec, place: string): FigureSummary {
  return { ...headOf(spec), wrong: true, place, status: spec.limit === undefined ? 'none' : 'fail' };
}

function summarised(spec: FigureSpec, source: FigureSource, namer: Namer): FigureSummary {
  const result = figureKindOf(spec).compute(source, spec, judging(spec, source.forces.selections));
  const limit = limitOf(source, spec);
  const head = { ...headOf(spec), ...(limit === undefined ? {} : { limit }) };
  if (!result) return { ...head, place: '', status: 'none' };
  return {
    ...head,
    value: result.value,
    place: placeOf(result, namer),
    ...(result.result === undefined ? {} : { combination: combinationNamed(source, result.result) }),
    status: limit === undefined ? 'none' : keepsLimit(spec, result.value, limit) ? 'pass' : 'fail',
  };
}

/** The combination of a state that a value was found in. */
function combinationNamed({ forces }: FigureSource, result: string): string {
  const selection = forces.selections.find(({ id }) => id === result);
  return selection ? combinationOf(selection) : result;
}

/** Where a value was found, in words: "left column, x = 6.40 m, U1". */
function placeOf({ member, node, x, result, note }: FigureResult, namer: Namer): string {
  const part = member !== undefined ? namer.member(member) : node !== undefined ? namer.node(node) : '';
  const at = member !== undefined && x !== undefined ? `x = ${inSentence(x, 'length')}` : '';
  return [part, at, result, note].filter((word) => word !== undefined && word !== '').join(', ');
}
