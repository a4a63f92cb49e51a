export { appliedResultants, pointOn, stateEquilibrium, type Equilibrium } from './equilibrium.js';
export {
  displacementAt,
  displacementExtremes,
  forceAt,
  forceCandidates,
  forceExtremes,
  forceExtremesInto,
  forceFormula,
  forceNames,
  globalDisplacementAt,
  type DisplacementName,
  type ForceName,
  type PlacedValue,
} from './member-functions.js';
export {
  combinationOf,
  resultSelections,
  type CombinedState,
  type ExpandedModel,
  type ResultSelection,
  type Situation,
} from './selection.js';
export { memberStations, type Station } from './stations.js';
export { envelope, type EnvelopePiece, type NamedField } from './envelope.js';
export { elasticStress } from './stress.js';
