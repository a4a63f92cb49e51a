import type { ResultSelection } from '../../results/index.js';
import type { Figure } from './figure.js';
import { columnMoment, rafterMoment } from './member-moment.js';
import { apexDeflection, eavesSway } from './node-displacement.js';
import { steelMass } from './steel-mass.js';
import { baseMoment, horizontalReaction, verticalReaction } from './support-reaction.js';
import { utilisation } from './utilisation.js';

/** Every figure that alternatives are compared by, in the order of the table. */
export const figures: readonly Figure[] = [
  steelMass,
  eavesSway,
  apexDeflection,
  columnMoment,
  rafterMoment,
  baseMoment,
  horizontalReaction,
  verticalReaction,
  utilisation,
];

/** The combinations that judge a figure. */
export function governingSelections(
  figure: Figure,
  selections: readonly ResultSelection[],
): ResultSelection[] {
  return selections.filter((s) => s.kind === 'combination' && s.state === figure.judgedBy);
}

export type { Figure, FigureId, FigureResult, FigureSource } from './figure.js';
