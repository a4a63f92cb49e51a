import type { Frame, FrameState } from '../../analysis/index.js';
import type { FigureSpec } from '../../document/types.js';
import type { Load, Vector } from '../../model/types.js';
import { displacementAt } from '../../results/index.js';
import { joinedFieldOf } from '../../checks/index.js';
import { componentOf, type FigureResult } from '../figures/figure.js';
import { figureKindOf } from '../figures/index.js';

/** Unit loads of which the virtual work is a displacement, and where that is. */
export interface UnitLoads {
  readonly loads: readonly Load[];
  /** Sum of the shares times this is the figure's value. */
  readonly factor: number;
  readonly component: string;
}

/** A unit force or moment at a node along a component. */
function atNode(node: string, direction: readonly number[], by = 1): Load {
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = direction.map((value) => by * value);
  return { kind: 'node', node, F: [a, b, c], M: [d, e, f] };
}

/** Direction of a component, six numbers: of a resultant that in which the node moves. */
function directionOf(component: string, moves: readonly number[]): number[] {
  const k = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'].indexOf(component);
  if (k >= 0) return [0, 1, 2, 3, 4, 5].map((i) => (i === k ? 1 : 0));
  const part = component === 'horizontal' ? [moves[0]!, moves[1]!, 0] : moves.slice(0, 3);
  const size = Math.hypot(...part);
  return size === 0 ? [1, 0, 0, 0, 0, 0] : [...part.map((value) => value / size), 0, 0, 0];
}

const movesOf = ({ displacements }: FrameState, n: number): number[] => [
  ...displacements.subarray(6 * n, 6 * n + 6),
];

/** Unit loads of a displacement, a drift or a deflection; undefined for other figures. */
export function unitLoadsOf(
  spec: FigureSpec,
  result: FigureResult,
  frame: Frame,
  state: FrameState,
  piecesOf: (line: string) => readonly number[],
): UnitLoads | undefined {
  const component = componentOf(figureKindOf(spec), spec);
  switch (spec.kind) {
    case 'displacement': {
      const n = frame.nodeIndex.get(result.node!)!;
      const direction = directionOf(component, movesOf(state, n));
      return { loads: [atNode(result.node!, direction)], factor: 1, component };
    }
    case 'drift': {
      const m = frame.memberIndex.get(result.member!)!;
      const [foot, head] = [frame.start[m]!, frame.end[m]!];
      const [a, b] = [movesOf(state, foot), movesOf(state, head)];
      const moved = b.map((value, k) => value - a[k]!);
      const signed = directionOf(component, moved);
      const k = ['ux', 'uy'].indexOf(component);
      const sense = k >= 0 && moved[k]! < 0 ? -1 : 1;
      const height = Math.abs(frame.xyz[3 * head + 2]! - frame.xyz[3 * foot + 2]!);
      const loads = [
        atNode(frame.nodeIds[head]!, signed, sense),
        atNode(frame.nodeIds[foot]!, signed, -sense),
      ];
      return { loads, factor: 1 / height, component };
    }
    case 'deflection':
      return { ...acrossMember(spec, result, frame, state, piecesOf(result.member!)), component };
    default:
      return undefined;
  }
}

/** A unit force where a member deflects, and what holds its reference line: its chord, or the tangent at an end. */
function acrossMember(
  spec: FigureSpec,
  { x = 0 }: FigureResult,
  frame: Frame,
  state: FrameState,
  pieces: readonly number[],
): Pick<UnitLoads, 'loads' | 'factor'> {
  const from = spec.component ?? 'chord';
  const length = pieces.reduce((sum, m) => sum + frame.length[m]!, 0);
  const field = joinedFieldOf(pieces, frame.length, (m) => state.field(m));
  const first = pieces[0]!;
  const axis = (k: number) => [0, 1, 2].map((i) => frame.axes[9 * first + 3 * k + i]!);
  const [along, y, z] = [axis(0), axis(1), axis(2)];
  const across = (name: 'v' | 'w'): number => {
    const at = (place: number) => displacementAt(field, name, place);
    if (from === 'chord') return at(x) - at(0) - ((at(length) - at(0)) * x) / length;
    const h = 1e-5 * length;
    return from === 'start'
      ? at(x) - at(0) - ((-3 * at(0) + 4 * at(h) - at(2 * h)) / (2 * h)) * x
      : at(x) -
          at(length) +
          ((3 * at(length) - 4 * at(length - h) + at(length - 2 * h)) / (2 * h)) * (length - x);
  };
  const [v, w] = [across('v'), across('w')];
  const size = Math.hypot(v, w) || 1;
  const direction = [0, 1, 2].map((i) => (v * y[i]! + w * z[i]!) / size);
  const pointAt = (place: number, by: number, moment?: readonly number[]): Load => {
    let before = 0;
    let k = 0;
    while (k + 1 < pieces.length && place > before + frame.length[pieces[k]!]! - 1e-9 * length)
      before += frame.length[pieces[k++]!]!;
    const m = pieces[k]!;
    return {
      kind: 'point',
      member: frame.memberIds[m]!,
      at: Math.min(1, Math.max(0, (place - before) / frame.length[m]!)),
      F: direction.map((value) => by * value) as Vector,
      ...(moment ? { M: moment as Vector } : {}),
    };
  };
  if (from === 'chord')
    return { loads: [pointAt(x, 1), pointAt(0, x / length - 1), pointAt(length, -x / length)], factor: 1 };
  // The tangent turns with the section at that end: a unit force there and the moment that keeps both in balance
  const arm = from === 'start' ? x : x - length;
  const turn = cross(along, direction).map((value) => -arm * value);
  return { loads: [pointAt(x, 1), pointAt(from === 'start' ? 0 : length, -1, turn)], factor: 1 };
}

const cross = (a: readonly number[], b: readonly number[]): number[] => [
  a[1]! * b[2]! - a[2]! * b[1]!,
  a[2]! * b[0]! - a[0]! * b[2]!,
  a[0]! * b[1]! - a[1]! * b[0]!,
];
