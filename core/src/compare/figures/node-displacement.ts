import { globalDisplacementAt, displacementExtremes, memberField, superpose } from '../../results/index.js';
import type { Figure, FigureResult, FigureSource } from './figure.js';
import { worse } from './figure.js';
import { superpositionSteps } from './superposition.js';
import type { ResultSelection } from '../../results/index.js';
import type { Place } from '../../recipe/types.js';

/** Largest displacement of the nodes at some places in one direction (0 ux, 2 uz). */
function largestAtNodes(
  source: FigureSource,
  selections: readonly ResultSelection[],
  places: readonly Place[],
  direction: 0 | 2,
): FigureResult | undefined {
  const nodes = source.built.geometry.nodes.filter((node) => places.includes(node.place));
  let worst: FigureResult | undefined;
  for (const { id, factors } of selections) {
    const u = superpose(source.results.displacements, factors);
    for (const node of nodes) {
      const value = u[6 * source.frame.nodeIndex.get(node.id)! + direction]!;
      worst = worse(worst, { value, result: id, node: node.id });
    }
  }
  return worst;
}

function traceNode(source: FigureSource, result: FigureResult, direction: 0 | 2, symbol: string) {
  if (result.node === undefined || result.result === undefined) return [];
  const n = source.frame.nodeIndex.get(result.node)!;
  return superpositionSteps(
    source,
    `${symbol} ${result.node}`,
    'm',
    result.result,
    (c) => source.results.displacements[c]![6 * n + direction]!,
  );
}

/** Largest horizontal displacement of the eaves and valleys; positive to the right. */
export const eavesSway: Figure = {
  id: 'sway',
  title: 'Eaves sway',
  quantity: 'deflection',
  signed: true,
  judgedBy: 'service',
  compute: (source, selections) => largestAtNodes(source, selections, ['eaves', 'valley'], 0),
  trace: (source, result) => traceNode(source, result, 0, 'ux'),
};

/** Largest vertical displacement of the apex, or along the rafters of a roof without one; positive upwards. */
export const apexDeflection: Figure = {
  id: 'deflection',
  title: 'Apex deflection',
  quantity: 'deflection',
  signed: true,
  judgedBy: 'service',
  compute: (source, selections) =>
    largestAtNodes(source, selections, ['apex'], 2) ?? largestOnRafters(source, selections),
  trace(source, result) {
    if (result.member === undefined) return traceNode(source, result, 2, 'uz');
    const m = source.frame.memberIndex.get(result.member)!;
    return superpositionSteps(source, `uz ${result.member}`, 'm', result.result ?? '', (_, alone) => {
      const field = memberField(source.frame, source.results, m, alone);
      return globalDisplacementAt(source.frame, field, m, result.x ?? 0)[2];
    });
  },
};

/** At the place where a rafter's deflection across its own axis is largest. */
function largestOnRafters(
  source: FigureSource,
  selections: readonly ResultSelection[],
): FigureResult | undefined {
  let worst: FigureResult | undefined;
  for (const { id, factors } of selections)
    for (const member of source.built.geometry.members) {
      if (member.role !== 'rafter') continue;
      const m = source.frame.memberIndex.get(member.id)!;
      const field = memberField(source.frame, source.results, m, factors);
      const { min, max } = displacementExtremes(field, 'w');
      for (const { x } of [min, max])
        worst = worse(worst, {
          value: globalDisplacementAt(source.frame, field, m, x)[2],
          result: id,
          member: member.id,
          x,
        });
    }
  return worst;
}
