import type { Design } from '../../document/types.js';
import { difference } from '../difference.js';
import type { AlternativeSummary, FigureSummary } from '../summaries/summary.js';

/** A figure of an alternative beside the reference's. */
export interface ComparedFigure extends Pick<
  FigureSummary,
  'quantity' | 'limit' | 'limitIs' | 'status' | 'place' | 'combination'
> {
  readonly title: string;
  /** SI, with its sign. */
  readonly value: number;
  /** Of the magnitudes; absent where the reference has no value. */
  readonly difference?: number;
  /** Of the magnitudes; absent where the reference's is zero. */
  readonly ratio?: number;
  /** Nearer to zero, or greater where the limit is a least one; null where they are equal, and of the reference. */
  readonly better?: boolean | null;
}

/** Alternatives by their summaries alone, the reference first. */
export function compareSummaries(
  { alternatives, reference }: Pick<Design, 'alternatives' | 'reference'>,
  summaries: readonly AlternativeSummary[],
) {
  const of = (id: string) => summaries.find((one) => one.id === id);
  const base = of(reference);
  const others = alternatives.filter(({ id }) => id !== reference);
  const sorted = [...alternatives.filter(({ id }) => id === reference), ...others];
  return {
    alternatives: sorted.flatMap(({ id, title }) => {
      const own = of(id);
      if (!own || !base) return [];
      const { status, alphaCr } = own;
      const figures = comparedFigures(own, base);
      return [{ title, status, figures, ...(alphaCr === undefined ? {} : { alphaCr }) }];
    }),
  };
}

/** How much a figure differs among the alternatives. */
export interface RankedFigure {
  readonly figure: string;
  readonly title: string;
  /** (greatest − least) / greatest, of the magnitudes. */
  readonly spread: number;
}

/** Values that differ by less than this share are equal. */
const equal = 1e-6;

/** The figures of an alternative that have a value, by id. */
export function comparedFigures(
  own: AlternativeSummary,
  reference: AlternativeSummary,
): Record<string, ComparedFigure> {
  const before = new Map(reference.figures.map(({ id, value }) => [id, value]));
  return Object.fromEntries(
    own.figures.flatMap((figure): [string, ComparedFigure][] => {
      const { id, title, quantity, value, limit, limitIs, status, place, combination } = figure;
      if (value === undefined) return [];
      const base = before.get(id);
      return [
        [
          id,
          {
            title,
            quantity,
            value,
            ...(limit === undefined ? {} : { limit }),
            limitIs,
            status,
            place,
            ...(combination === undefined ? {} : { combination }),
            ...(base === undefined ? {} : beside(figure.limitIs, value, base)),
          },
        ],
      ];
    }),
  );
}

function beside(
  limitIs: FigureSummary['limitIs'],
  value: number,
  base: number,
): Pick<ComparedFigure, 'difference' | 'ratio' | 'better'> {
  const { absolute, relative } = difference(value, base);
  const size = Math.max(Math.abs(value), Math.abs(base));
  const better =
    Math.abs(absolute) <= equal * size ? null : limitIs === 'least' ? absolute > 0 : absolute < 0;
  return {
    difference: absolute,
    ...(relative === undefined ? {} : { ratio: Math.abs(value) / Math.abs(base) }),
    better,
  };
}

/** The figures that at least two alternatives have, the one that differs most first. */
export function ranked(summaries: readonly AlternativeSummary[]): RankedFigure[] {
  const known = new Map<string, { title: string; values: number[] }>();
  for (const { figures } of summaries)
    for (const { id, title, value } of figures) {
      if (value === undefined) continue;
      const one = known.get(id) ?? { title, values: [] };
      known.set(id, one);
      one.values.push(Math.abs(value));
    }
  return [...known]
    .filter(([, { values }]) => values.length > 1)
    .map(([figure, { title, values }]) => ({ figure, title, spread: spreadOf(values) }))
    .sort((a, b) => b.spread - a.spread);
}

function spreadOf(values: readonly number[]): number {
  const greatest = Math.max(...values);
  return greatest === 0 ? 0 : (greatest - Math.min(...values)) / greatest;
}
