import { fail } from '../../base/problem.js';
import { quantityOf } from '../../language/evaluate.js';
import type { FigureSpec } from '../../document/types.js';
import type { ResultSelection } from '../../results/index.js';
import { deflection } from './deflection.js';
import { displacement, drift } from './displacement.js';
import type { FigureKind, FigureSource } from './figure.js';
import { axial, moment, shear } from './forces.js';
import { frequency, period } from './frequency.js';
import { cost, mass, surface } from './mass.js';
import { reaction } from './reaction.js';
import { bucklingFactor } from './stability.js';
import { utilisation } from './utilisation.js';

/** Every kind of figure. A new kind is one file and one line here. */
export const figureKinds: readonly FigureKind[] = [
  mass,
  surface,
  displacement,
  drift,
  deflection,
  moment,
  axial,
  shear,
  reaction,
  utilisation,
  bucklingFactor,
  frequency,
  period,
  cost,
];

const byKind = new Map(figureKinds.map((kind) => [kind.kind, kind]));

/** The kind of a figure. @throws ProblemError `invalid-design` for one that is not known */
export function figureKindOf(spec: FigureSpec): FigureKind {
  return (
    byKind.get(spec.kind) ??
    fail(
      'invalid-design',
      `The figure "${spec.title}" is of the kind "${spec.kind}", which is not known; choose ${figureKinds.map(({ kind }) => kind).join(', ')}.`,
      { figure: spec.id },
    )
  );
}

/** The combinations that judge a figure. */
export function judging(spec: FigureSpec, selections: readonly ResultSelection[]): ResultSelection[] {
  const state = spec.judgedBy ?? figureKindOf(spec).judgedBy;
  return selections.filter((s) => s.kind === 'combination' && s.state === state);
}

/** The limit of a figure, SI; undefined where it has none. */
export function limitOf({ built }: FigureSource, spec: FigureSpec): number | undefined {
  if (spec.limit === undefined) return undefined;
  const place = { what: `figure "${spec.title}", limit`, where: { figure: spec.id, field: 'limit' } };
  return quantityOf(spec.limit, built.names, figureKindOf(spec).quantity(spec), place);
}

/** Whether a value keeps within its limit. */
export function keepsLimit(spec: FigureSpec, value: number, limit: number): boolean {
  const slack = 1 + 1e-9;
  return figureKindOf(spec).limitIs === 'most' ? Math.abs(value) <= limit * slack : value * slack >= limit;
}

export type { FigureKind, FigureResult, FigureSource, Needs } from './figure.js';
