import { superpose } from '../../results/index.js';
import type { Figure, FigureId, FigureResult } from './figure.js';
import { worse } from './figure.js';
import { superpositionSteps } from './superposition.js';
import type { QuantityName } from '../../units/quantities.js';

/** Greatest reaction of any support in one component: what the ground does to the frame, global axes. */
function greatestReaction(
  id: FigureId,
  title: string,
  quantity: QuantityName,
  component: number,
  symbol: string,
  unit: string,
): Figure {
  return {
    id,
    title,
    quantity,
    signed: false,
    judgedBy: 'strength',
    compute(source, selections) {
      let worst: FigureResult | undefined;
      for (const { id: result, factors } of selections) {
        const reactions = superpose(source.results.reactions, factors);
        for (const { node } of source.built.model.supports ?? []) {
          const value = reactions[6 * source.frame.nodeIndex.get(node)! + component]!;
          worst = worse(worst, { value, result, node });
        }
      }
      return worst;
    },
    trace(source, { node, result }) {
      if (node === undefined || result === undefined) return [];
      const at = 6 * source.frame.nodeIndex.get(node)! + component;
      return superpositionSteps(
        source,
        `${symbol} ${node}`,
        unit,
        result,
        (c) => source.results.reactions[c]![at]!,
      );
    },
  };
}

export const baseMoment = greatestReaction('base-moment', 'Base moment', 'moment', 4, 'RMy', 'N·m');
export const horizontalReaction = greatestReaction(
  'horizontal-reaction',
  'Horizontal reaction',
  'force',
  0,
  'RFx',
  'N',
);
export const verticalReaction = greatestReaction(
  'vertical-reaction',
  'Vertical reaction',
  'force',
  2,
  'RFz',
  'N',
);
