export { failure, failureInParts } from './failure.js';
export type {
  FailureEvent,
  FailureFile,
  FailureOptions,
  FailureProgress,
  FollowedPlace,
} from './failure-file.js';
export { raisedLoads, type CaseFactors, type RaisedLoads, type RaiseOptions } from './loads.js';
export type { FailurePicture } from './picture.js';
