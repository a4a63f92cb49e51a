import type { ResultSelection } from '../../results/index.js';
import { drawDeformed, greatestMove } from '../parts/deformed.js';
import { drawAlongMembers } from '../parts/along-members.js';
import type { Layer } from '../drawing.js';
import { actingLoads, drawLoads } from '../parts/loads.js';
import { nameSlack } from '../parts/slack.js';
import { drawReactions } from '../parts/reactions.js';
import type { LegendLine, ShownContext, ShownKind } from './shown.js';
import { significant } from '../../units/significant.js';

/** Loads, reactions, deformed shape and forces of one state. */
function drawState(
  id: string,
  kind: ResultSelection['kind'],
  context: ShownContext,
): ReturnType<ShownKind['draw']> {
  const { pen, forces, frame, options, shown, slice, units } = context;
  const selection = forces.selections.find((one) => one.id === id && one.kind === kind);
  const state = forces.states.get(id);
  if (!selection || !state) return undefined;
  const nodes =
    slice && new Set(frame.memberIds.flatMap((_, m) => (shown(m) ? [frame.start[m]!, frame.end[m]!] : [])));
  const isSeen = (layer: Layer) => !options.without?.includes(layer);
  const loads = actingLoads(frame, selection.factors);
  if (isSeen('loads')) drawLoads(pen, frame, loads, { shown, units, light: options.diagram !== 'none' });
  if (isSeen('deformed')) drawDeformed(context, state);
  if (isSeen('reactions'))
    drawReactions(context, state, (node) => !nodes || nodes.has(frame.nodeIndex.get(node)!));
  const drawn = drawAlongMembers(context, [{ id, state }]);
  return {
    greatest: { diagram: drawn.greatest, deformation: greatestMove(state), load: loads.greatest },
    legend: [...besideLoads(context, selection), ...drawn.legend, ...nameSlack(context, state)],
  };
}

/** What acts in a state and is not drawn as a load, or how it came about: own weight, imperfections, where trains stand. */
function besideLoads(
  { forces, options }: ShownContext,
  { id, factors, situation, kind }: ResultSelection,
): LegendLine[] {
  const weight = forces.frame.loadCases.reduce(
    (sum, { selfWeight = 0 }, c) => sum + selfWeight * factors[c]!,
    0,
  );
  const stands = situation?.words.startsWith('first force') ? situation.words : undefined;
  const own = kind === 'combination' ? forces.said.get(id) : undefined;
  const wasAsked = forces.order === 1 && options.order === 2 && kind === 'combination';
  return [
    ...(wasAsked ? [{ text: 'forces of first order: past its critical load' }] : []),
    ...(weight === 0 ? [] : [{ text: `with own weight × ${significant(weight)}` }]),
    ...(stands === undefined
      ? []
      : [
          {
            text: stands,
            title:
              'the position of the greatest moment; checks look at every position that brings an extreme',
          },
        ]),
    ...(own === undefined ? [] : [{ text: own }]),
  ];
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
