export {
  hasInfluence,
  influenceOf,
  standingForces,
  trainsOf,
  type AlongLine,
  type EnvelopePlace,
  type InfluenceReading,
  type NamedTrain,
  type StandingForce,
  type TrainInfluence,
} from './influence.js';
