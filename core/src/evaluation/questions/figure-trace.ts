import type { CalculationStep } from '../../checks/index.js';
import { figureSourceOf, figureSummary, placeOf, selectionsOf } from '../figures/figure-table.js';
import { figureKindOf, judging } from '../figures/index.js';
import type { FigureSummary } from '../summaries/summary.js';
import type { Question } from './question.js';

/** The way to a figure, line by line; under one load case or combination only where `result` is given. */
export const figureTrace: Question<
  { readonly figure: string; readonly result?: string },
  | {
      readonly figure: FigureSummary;
      readonly steps: CalculationStep[];
      /** The physical member that it is of, where it is of one, and its pieces. */
      readonly member?: { readonly id: string; readonly of: readonly string[] };
    }
  | undefined
> = (of, { figure: id, result }) => {
  const source = figureSourceOf(of);
  const spec = of.design.figures.find((one) => one.id === id);
  if (!source || !spec) return undefined;
  const whole = figureSummary(of, spec, source);
  if (whole.wrong) return undefined;
  const kind = figureKindOf(spec);
  const selections =
    result === undefined ? judging(spec, source.forces.selections) : selectionsOf(source, result);
  const found = kind.compute(source, spec, selections);
  if (!found) return undefined;
  const { members, lines } = source.built.geometry;
  const line =
    found.member === undefined ? undefined : lines.get(members.get(found.member)?.line ?? found.member);
  return {
    figure: { ...whole, value: found.value, place: placeOf(found, { namer: of.namer!, units: of.units }) },
    steps: kind.trace(source, spec, found),
    ...(line ? { member: { id: line.id, of: line.members } } : {}),
  };
};
