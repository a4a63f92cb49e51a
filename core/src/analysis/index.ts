export { prepareFrame, releases, type Frame } from './frame.js';
export {
  addStartForces,
  integrate,
  memberFlexibility,
  type Dislocation,
  type InitialStrain,
  type MemberField,
} from './member-field.js';
export type { MemberLoadFields } from './member-loads.js';
export { derivative, evaluate, rootsBetween } from './polynomial.js';
export { solveStatic, type StaticResults } from './static.js';
