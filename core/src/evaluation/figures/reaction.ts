import { componentOf, nodesOf, worse, type FigureKind, type FigureResult } from './figure.js';
import { resultSteps } from './superposition.js';

const components = ['uz', 'ux', 'uy', 'rx', 'ry', 'rz'];

/** Greatest reaction of any support in one component: what the ground does to the frame, global axes. */
export const reaction: FigureKind = {
  kind: 'reaction',
  title: 'Reaction',
  needs: 'forces',
  signed: true,
  hasSense: true,
  limitIs: 'most',
  judgedBy: 'strength',
  of: 'nodes',
  components,
  quantity: (spec) => (componentOf(reaction, spec).startsWith('r') ? 'moment' : 'force'),
  compute(source, spec, selections) {
    const { frame, states, model } = source.forces;
    const k = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'].indexOf(componentOf(reaction, spec));
    const held = new Set((model.supports ?? []).map(({ node }) => frame.nodeIndex.get(node)!));
    const nodes = nodesOf(source, spec).filter((n) => held.has(n));
    const { sense = 'magnitude' } = spec;
    const sign = sense === 'least' ? -1 : 1;
    let worst: FigureResult | undefined;
    for (const { id } of selections)
      for (const n of nodes) {
        const one = { value: states.get(id)!.reactions[6 * n + k]!, result: id, node: frame.nodeIds[n]! };
        if (sense === 'magnitude') worst = worse(worst, one);
        else if (!worst || sign * one.value > sign * worst.value) worst = one;
      }
    return worst;
  },
  valueIn({ forces }, spec, { node }) {
    const n = node === undefined ? undefined : forces.frame.nodeIndex.get(node);
    if (n === undefined) return undefined;
    const at = 6 * n + ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'].indexOf(componentOf(reaction, spec));
    return (state) => state.reactions[at]!;
  },
  trace(source, spec, found) {
    const valueOf = reaction.valueIn!(source, spec, found);
    if (!valueOf || found.result === undefined) return [];
    const component = componentOf(reaction, spec);
    const symbol = { ux: 'RX', uy: 'RY', uz: 'RZ', rx: 'MX', ry: 'MY', rz: 'MZ' }[component]!;
    const unit = component.startsWith('r') ? 'N·m' : 'N';
    return resultSteps(source, found.result, { symbol, unit, valueOf });
  },
};
