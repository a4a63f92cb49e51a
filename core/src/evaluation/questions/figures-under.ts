import { figureSourceOf, figureSummary, placeOf, selectionsOf } from '../figures/figure-table.js';
import { figureKindOf } from '../figures/index.js';
import type { FigureSummary } from '../summaries/summary.js';
import type { Question } from './question.js';

/** Every figure under one load case or combination alone, without a verdict; those that no load changes as they are. */
export const figuresUnder: Question<{ readonly result: string }, FigureSummary[]> = (of, { result }) => {
  const source = figureSourceOf(of);
  if (!source) return [];
  const alone = selectionsOf(source, result);
  return of.design.figures.map((spec) => {
    const kind = figureKindOf(spec);
    const whole = figureSummary(of, spec, source);
    if (kind.needs !== 'forces' || kind.judgedBy === 'none' || whole.wrong) return whole;
    const found = kind.compute(source, spec, alone);
    const { value: _, ...rest } = whole;
    return found
      ? {
          ...rest,
          value: found.value,
          place: placeOf(found, { namer: of.namer!, units: of.units }),
          status: 'none',
        }
      : { ...rest, place: '', status: 'none' };
  });
};
