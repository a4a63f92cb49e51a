import {
  downwardForce,
  downwardLine,
  withReducedStiffness,
  type Analysis,
  type Frame,
  type FrameState,
} from '../../analysis/index.js';
import { resolveSections } from '../../sections/sections.js';
import { gravity, type FrameModel, type Load } from '../../model/types.js';
import type { ResultSelection } from '../../results/index.js';
import { withLoads, type WithOwnLoads } from '../frame/imperfections.js';
import { allSenses } from '../frame/senses.js';
import { yieldStrengthOf } from '../members/section.js';

/** Notional loads, C2.2b(a) eq. C2-1. */
const notional = 0.002;
/** On every stiffness, C2.3(a). */
const elastic = 0.8;

/**
 * The model with the notional loads of the direct analysis method (ANSI/AISC 360-22 C2.2b) in every strength combination: 0.002 times
 * the downward loads, at the nodes that they go to, in both senses of every direction.
 */
export function withNotionalLoads(model: FrameModel, frame: Frame): WithOwnLoads {
  const gravityAt = gravityByCase(model, frame);
  const said = new Map<string, string>();
  const loaded = withLoads(
    model,
    ({ id, state, factors }) => {
      if (state !== 'strength') return [];
      said.set(id, `with notional loads 0.002·Yi ${allSenses(frame)[0]!.words}, stiffness by 0.8·τb (C2)`);
      const Y = new Float64Array(frame.nodeIds.length);
      for (const [id, factor] of Object.entries(factors))
        gravityAt.get(id)?.forEach((value, n) => (Y[n]! += Math.max(0, factor * value)));
      return allSenses(frame).map(({ direction, words }) => ({
        direction,
        words,
        loads: frame.nodeIds.flatMap((node, n): Load[] =>
          Y[n] === 0
            ? []
            : [
                {
                  kind: 'node',
                  node,
                  F: [notional * Y[n]! * direction[0], notional * Y[n]! * direction[1], 0],
                },
              ],
        ),
      }));
    },
    'notional loads',
  );
  return {
    model: loaded,
    said,
    notes: [
      'Direct analysis method (AISC 360-22 C2): notional loads of 0.002·Yi in both senses in every strength combination, stiffnesses by 0.8 and τb, K = 1.',
    ],
  };
}

/** Downward loads of each load case by the nodes that they go to, N; those along members by the lever rule. */
function gravityByCase(model: FrameModel, frame: Frame): Map<string, Float64Array> {
  return new Map(
    (model.loadCases ?? []).map(({ id, loads = [], selfWeight = 0 }) => {
      const Y = new Float64Array(frame.nodeIds.length);
      const onMember = (m: number, force: number, fraction: number) => {
        Y[frame.start[m]!]! += force * (1 - fraction);
        Y[frame.end[m]!]! += force * fraction;
      };
      if (selfWeight !== 0)
        frame.memberIds.forEach((_, m) =>
          onMember(m, selfWeight * gravity * frame.massPerLength[m]! * frame.length[m]!, 0.5),
        );
      for (const load of loads) {
        if (load.kind === 'node') Y[frame.nodeIndex.get(load.node)!]! += Math.max(0, -(load.F?.[2] ?? 0));
        else if (load.kind === 'point' || load.kind === 'distributed') {
          const m = frame.memberIndex.get(load.member)!;
          for (const { force, fraction } of downward(load, frame, m)) onMember(m, force, fraction);
        }
      }
      return [id, Y];
    }),
  );
}

/** What a member's load brings downwards, N, and where it acts as a fraction of the length. */
function downward(
  load: Extract<Load, { kind: 'point' | 'distributed' }>,
  frame: Frame,
  m: number,
): { force: number; fraction: number }[] {
  if (load.kind === 'point') {
    const force = downwardForce(load, frame, m);
    return force > 0 ? [{ force, fraction: load.at }] : [];
  }
  const { from = 0, to = 1 } = load;
  const [start, end] = downwardLine(load, frame, m);
  const h = to - from;
  const half = (h * frame.length[m]!) / 2;
  // A trapezoid as its two triangles, each at its third
  return [
    { force: start * half, fraction: from + h / 3 },
    { force: end * half, fraction: from + (2 * h) / 3 },
  ].filter(({ force }) => force > 0);
}

/**
 * The frame with the stiffnesses of C2.3: 0.8 on all, and τb in bending by the greatest compression of the member in any strength
 * combination, Pns = Fy·Ag.
 */
export function withDirectStiffness(
  model: FrameModel,
  frame: Frame,
  { states }: Pick<Analysis, 'states'>,
  selections: readonly ResultSelection[],
): Frame {
  const sections = resolveSections(model);
  const strength = selections
    .filter(({ state }) => state === 'strength')
    .flatMap(({ id }): FrameState[] => {
      const state = states.get(id);
      return state ? [state] : [];
    });
  const tau = Float64Array.from(model.members, ({ section }, m) => {
    const resolved = sections.get(section)!;
    const fy = yieldStrengthOf(resolved);
    if (fy === undefined || frame.axialOnly[m]) return 1;
    const Pr = Math.max(
      0,
      ...strength.map((state) => Math.max(state.memberForces[12 * m]!, -state.memberForces[12 * m + 6]!)),
    );
    const fraction = Pr / (fy * resolved.properties.A);
    // eq. C2-2
    return fraction <= 0.5 ? 1 : Math.max(1e-3, 4 * fraction * (1 - fraction));
  });
  return withReducedStiffness(frame, elastic, tau);
}
