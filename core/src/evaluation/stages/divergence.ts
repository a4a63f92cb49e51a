import { analyse, frameBuckling, type Frame, type FrameState } from '../../analysis/index.js';
import { attempt, ProblemError, unwrapped, type Problem } from '../../base/problem.js';
import { memberStations, type ResultSelection } from '../../results/index.js';

/** Places along each member in what is told of a frame past its critical load. */
const stations = 11;

/** Factor up to which a second order that does not settle is past its critical load, and not merely near it. */
const past = 1.001;

/**
 * Runs an analysis of second order; where it fails, what is known in first order goes with the problem: forces, αcr and the shape in
 * which the frame buckles. A frame that did not settle because αcr lies below 1 is past its critical load.
 */
export function explainingDivergence(frame: Frame, combinations: readonly ResultSelection[]) {
  return <T>(run: () => T): T => {
    const outcome = attempt(run);
    if (outcome.ok) return outcome.value;
    throw new ProblemError(outcome.problems.map((one) => explained(frame, combinations, one)));
  };
}

function explained(frame: Frame, combinations: readonly ResultSelection[], one: Problem): Problem {
  const { code, where } = one;
  const selection = combinations.find(({ id }) => id === where['result']);
  if ((code !== 'diverged' && code !== 'not-converged') || !selection) return one;
  const found = attempt(() => {
    const { prepared, states } = unwrapped(analyse(frame, [selection]));
    const state = states.get(selection.id)!;
    const { frame: ofFrame, member } = frameBuckling(prepared, state, 1);
    const lowest = [ofFrame, member].flatMap((mode) => mode ?? []).sort((a, b) => a.factor - b.factor)[0];
    return { state, lowest };
  });
  // Without forces of first order there is nothing to add
  if (!found.ok || !found.value.lowest) return one;
  const { state, lowest } = found.value;
  const isPast = code === 'diverged' || lowest.factor <= past;
  const factor = lowest.factor.toPrecision(3);
  return {
    ...one,
    code: isPast ? 'diverged' : code,
    message: isPast
      ? `Under "${selection.id}" the frame is past its critical load: αcr = ${factor}, it buckles at that share of the loads. Reduce the loads or stiffen the frame; the forces shown are of first order.`
      : one.message,
    result: { ...entryOf(frame, state), alphaCr: lowest.factor, shape: nodesOf(frame, lowest.shape) },
  };
}

const nodesOf = (frame: Frame, values: Float64Array) =>
  Object.fromEntries(
    frame.nodeIds.map((id, n) => [
      id,
      { u: [...values.subarray(6 * n, 6 * n + 3)], r: [...values.subarray(6 * n + 3, 6 * n + 6)] },
    ]),
  );

/** A state of first order as results files have it. */
function entryOf(frame: Frame, state: FrameState) {
  const supported = frame.nodeIds.flatMap((id, n) =>
    frame.restraint.subarray(6 * n, 6 * n + 6).some((value) => value > 0) ? [[id, n] as const] : [],
  );
  return {
    order: 1,
    nodes: nodesOf(frame, state.displacements),
    reactions: Object.fromEntries(
      supported.map(([id, n]) => [
        id,
        {
          F: [...state.reactions.subarray(6 * n, 6 * n + 3)],
          M: [...state.reactions.subarray(6 * n + 3, 6 * n + 6)],
        },
      ]),
    ),
    members: Object.fromEntries(
      frame.memberIds.map((id, m) => [id, memberStations(frame, state.field(m), m, stations)]),
    ),
  };
}
