import type { ResultSelection } from '../../results/index.js';
import { drawDeformed, greatestMove } from '../deformed.js';
import { drawAlongMembers } from '../along-members.js';
import type { Layer } from '../drawing.js';
import { actingLoads, drawLoads } from '../loads.js';
import { drawReactions } from '../reactions.js';
import type { ShownContext, ShownKind } from './shown.js';

/** Loads, reactions, deformed shape and forces of one state. */
function drawState(
  id: string,
  kind: ResultSelection['kind'],
  context: ShownContext,
): ReturnType<ShownKind['draw']> {
  const { pen, forces, frame, options, shown } = context;
  const selection = forces.selections.find((one) => one.id === id && one.kind === kind);
  const state = forces.states.get(id);
  if (!selection || !state) return undefined;
  const nodes =
    options.slice &&
    new Set(frame.memberIds.flatMap((_, m) => (shown(m) ? [frame.start[m]!, frame.end[m]!] : [])));
  const isSeen = (layer: Layer) => !options.without?.includes(layer);
  const loads = actingLoads(frame, selection.factors);
  if (isSeen('loads')) drawLoads(pen, frame, loads, shown);
  if (isSeen('deformed')) drawDeformed(pen, frame, state);
  if (isSeen('reactions'))
    drawReactions(context, state, (node) => !nodes || nodes.has(frame.nodeIndex.get(node)!));
  const drawn = drawAlongMembers(context, [{ id, state }]);
  return {
    greatest: { diagram: drawn.greatest, deformation: greatestMove(state), load: loads.greatest },
    legend: drawn.legend,
  };
}

export const loadCase: ShownKind = {
  kind: 'case',
  group: 'Load cases',
  list: ({ built }) => built.design.loadCases.map(({ id, title }) => ({ id, title, kind: 'case' })),
  draw: (id, context) => drawState(id, 'case', context),
};

export const combination: ShownKind = {
  kind: 'combination',
  group: 'Combinations',
  list: ({ built }) =>
    built.combinations.map(({ id, title, state }) => ({
      id,
      title: title ?? state,
      kind: 'combination',
      state,
    })),
  draw: (id, context) => drawState(id, 'combination', context),
};
