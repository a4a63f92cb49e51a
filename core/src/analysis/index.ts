export { downwardForce, downwardLine } from './loads/downward-loads.js';
export { framingNodes } from './eigen/framing-nodes.js';
export { withReducedStiffness } from './first-order/reduced-stiffness.js';
export { prepareFrame, releases, type Frame } from './frame/frame.js';
export { spreadMassOf } from './frame/spread-masses.js';
export { memberEndMoves } from './frame/transform.js';
export {
  addStartForces,
  fieldOf,
  memberFlexibility,
  type Dislocation,
  type InitialStrain,
  type MemberField,
} from './member-field.js';
export type { MemberLoadFields } from './loads/member-loads.js';
export { derivative, polynomialAt, rootsBetween, shiftOrigin } from './polynomial.js';
export {
  analyse,
  analyseInParts,
  type Analysis,
  type FrameState,
  type LoadSelection,
} from './first-order/states.js';
export type { CaseLoads } from './loads/case-loads.js';
export { invert } from './first-order/dense.js';
export type { Progress } from './sparse/factor.js';
export {
  BucklingMemory,
  bucklingModes,
  effectiveLengths,
  type BucklingMode,
  type EffectiveLength,
} from './eigen/buckling.js';
export { frameBuckling, type FrameBuckling } from './eigen/frame-buckling.js';
export { vibrationModes, type VibrationMode } from './eigen/modes.js';
export { prepareEquations, type Prepared } from './first-order/static.js';
export {
  influenceAreas,
  influenceAt,
  influenceLine,
  trainExtremes,
  type InfluenceLine,
  type InfluenceTarget,
  type Train,
  type TrainExtreme,
  type TravelLine,
} from './influence/influence-line.js';
export { factorFrame } from './first-order/static.js';
export { isUnilateral } from './first-order/unilateral.js';
export { plasticCollapse, plasticGrowth } from './plastic/collapse.js';
export { splitLoad } from './plastic/hinged-model.js';
export { sumOfFields } from './sum-of-fields.js';
export type {
  PlasticEvent,
  PlasticGrowth,
  PlasticLoads,
  PlasticOptions,
  PlasticState,
} from './plastic/types.js';
export {
  equivalentForces,
  initialBow,
  initialSway,
  type Bow,
  type Imperfections,
} from './loads/imperfections.js';
export { helpFactorize, useHelpers, type FactorizationJob, type Helpers } from './sparse/threads.js';
export { flexibilityCount } from './frame/taper.js';
