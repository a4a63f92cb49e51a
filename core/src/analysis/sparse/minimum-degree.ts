import type { BlockGraph } from './graph.js';
import { QuotientGraph } from './quotient-graph.js';

/**
 * Fill-reducing order by approximate minimum degree. Source: Amestoy, Davis, Duff, An approximate minimum degree ordering algorithm,
 * SIAM Journal on Matrix Analysis and Applications 17 (1996).
 *
 * @returns the blocks in the order of elimination
 */
export function minimumDegreeOrder(graph: BlockGraph): Int32Array {
  const quotient = new QuotientGraph(graph);
  quotient.eliminate();
  return quotient.order();
}
