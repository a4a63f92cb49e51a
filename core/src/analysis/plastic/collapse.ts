import { drain } from '../../base/drain.js';
import { attempt, fail, type Outcome } from '../../base/problem.js';
import type { FrameModel } from '../../model/types.js';
import { prepareFrame } from '../frame/frame.js';
import { isUnilateral } from '../first-order/unilateral.js';
import { FirstOrderGrowth } from './first-order-growth.js';
import { SecondOrderGrowth } from './second-order-growth.js';
import type { GrowthParts, PlasticGrowth, PlasticLoads, PlasticOptions } from './types.js';

/**
 * Growth of loads on a plane frame of elastic–perfectly plastic members: hinges form one after the other where a moment reaches the
 * plastic one that the axial force leaves (EN 1993-1-1 6.2.9), follow it while it changes, and close where they would turn backwards,
 * until the frame is a mechanism or, in second order, carries no more. First the constant loads are put on, then the raised ones.
 *
 * @throws ProblemError `not-supported`, `invalid-model`, `mechanism`, `not-converged`
 */
export const plasticGrowth = (
  model: FrameModel,
  loads: PlasticLoads,
  options: PlasticOptions = {},
): GrowthParts =>
  options.secondOrder || isUnilateral(prepareFrame(model))
    ? new SecondOrderGrowth(model, loads, options).run()
    : new FirstOrderGrowth(model, loads, options).run();

/** Growth of all loads together up to collapse, by the factors on the model's load cases. */
export function plasticCollapse(
  model: FrameModel,
  factors: Float64Array,
  options: PlasticOptions = {},
): Outcome<PlasticGrowth> {
  return attempt(() => {
    const loads = { constant: new Float64Array(factors.length), raised: factors };
    const growth = drain(plasticGrowth(model, loads, options));
    if (growth.end === 'most')
      fail('no-collapse', `The frame does not collapse plastically up to ${growth.factor} times its loads.`, {
        most: growth.factor,
      });
    return growth;
  });
}
