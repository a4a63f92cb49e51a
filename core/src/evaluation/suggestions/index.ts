export {
  suggest,
  suggestInParts,
  type NearestSet,
  type SuggestedGroup,
  type SuggestOptions,
  type SuggestProgress,
  type Suggestions,
} from './suggest.js';
export { governing, type Governing, type GroupState, type SetState } from './words.js';
