import type { FrameState } from '../../analysis/index.js';
import { componentOf, nodesOf, worse, type FigureKind, type FigureResult } from './figure.js';
import { resultSteps } from './superposition.js';

const components = ['uz', 'ux', 'uy', 'rx', 'ry', 'rz', 'u', 'horizontal'];

/** A component of a node's displacement, m or rad. */
function componentAt(state: FrameState, node: number, component: string): number {
  const u = (k: number) => state.displacements[6 * node + k]!;
  const k = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'].indexOf(component);
  if (k >= 0) return u(k);
  return component === 'horizontal' ? Math.hypot(u(0), u(1)) : Math.hypot(u(0), u(1), u(2));
}

/** Largest displacement of nodes in one direction. */
export const displacement: FigureKind = {
  kind: 'displacement',
  title: 'Displacement',
  needs: 'forces',
  signed: true,
  limitIs: 'most',
  judgedBy: 'service',
  of: 'nodes',
  components,
  quantity: (spec) => (componentOf(displacement, spec).startsWith('r') ? 'angle' : 'deflection'),
  compute(source, spec, selections) {
    const nodes = nodesOf(source, spec);
    const component = componentOf(displacement, spec);
    let worst: FigureResult | undefined;
    for (const { id } of selections) {
      const state = source.forces.states.get(id)!;
      for (const n of nodes)
        worst = worse(worst, {
          value: componentAt(state, n, component),
          result: id,
          node: source.forces.frame.nodeIds[n]!,
        });
    }
    return worst;
  },
  trace(source, spec, { node, result }) {
    if (node === undefined || result === undefined) return [];
    const n = source.forces.frame.nodeIndex.get(node)!;
    const component = componentOf(displacement, spec);
    return resultSteps(source, result, {
      symbol: component,
      unit: component.startsWith('r') ? 'rad' : 'm',
      valueOf: (state) => componentAt(state, n, component),
    });
  },
};

/** Largest drift of a storey: difference of horizontal displacement over an upright member, by its height. */
export const drift: FigureKind = {
  kind: 'drift',
  title: 'Storey drift',
  needs: 'forces',
  signed: false,
  limitIs: 'most',
  judgedBy: 'service',
  of: 'nodes',
  components: ['horizontal', 'ux', 'uy'],
  readsAs: 'h',
  quantity: () => 'number',
  compute(source, spec, selections) {
    const { frame, states } = source.forces;
    const component = componentOf(drift, spec);
    const chosen = new Set(nodesOf(source, spec));
    let worst: FigureResult | undefined;
    frame.memberIds.forEach((member, m) => {
      const upright = Math.abs(frame.axes[9 * m + 2]!) > 0.9;
      if (!upright || !chosen.has(frame.start[m]!) || !chosen.has(frame.end[m]!)) return;
      for (const { id } of selections)
        worst = worse(worst, {
          value: driftOf(source.forces, states.get(id)!, m, component),
          result: id,
          member,
        });
    });
    return worst;
  },
  trace(source, spec, { member, result }) {
    if (member === undefined || result === undefined) return [];
    const { frame } = source.forces;
    const m = frame.memberIndex.get(member)!;
    const component = componentOf(drift, spec);
    const state = source.forces.states.get(result)!;
    const value = driftOf(source.forces, state, m, component);
    const height = Math.abs(frame.xyz[3 * frame.end[m]! + 2]! - frame.xyz[3 * frame.start[m]! + 2]!);
    return [
      {
        symbol: 'Δu',
        value: value * height,
        unit: 'm',
        from: `difference of ${component} displacement between head and foot under ${result}`,
      },
      { symbol: 'h', value: height, unit: 'm', from: 'height between them' },
      { symbol: 'drift', value, unit: '', from: 'Δu / h' },
    ];
  },
};

function driftOf(
  { frame }: { frame: { start: Int32Array; end: Int32Array; xyz: Float64Array } },
  state: FrameState,
  m: number,
  component: string,
): number {
  const [a, b] = [frame.start[m]!, frame.end[m]!];
  const d = (k: number) => state.displacements[6 * b + k]! - state.displacements[6 * a + k]!;
  const height = Math.abs(frame.xyz[3 * b + 2]! - frame.xyz[3 * a + 2]!);
  const move =
    component === 'ux' ? Math.abs(d(0)) : component === 'uy' ? Math.abs(d(1)) : Math.hypot(d(0), d(1));
  return move / height;
}
