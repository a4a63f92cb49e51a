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
  trace(source, spec, { node, result }) {
    if (node === undefined || result === undefined) return [];
    const component = componentOf(reaction, spec);
    const at =
      6 * source.forces.frame.nodeIndex.get(node)! + ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'].indexOf(component);
    const symbol = { ux: 'RX', uy: 'RY', uz: 'RZ', rx: 'MX', ry: 'MY', rz: 'MZ' }[component]!;
    return resultSteps(source, result, {
      symbol,
      unit: component.startsWith('r') ? 'N·m' : 'N',
      valueOf: (state) => state.reactions[at]!,
    });
  },
};
