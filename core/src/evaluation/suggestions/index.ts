export {
  suggest,
  suggestInParts,
  type NearestSet,
  type SuggestedGroup,
  type SuggestOptions,
  type SuggestProgress,
  type Suggestions,
} from './suggest.js';
export type { Governing, GroupState, SetState } from './words.js';
