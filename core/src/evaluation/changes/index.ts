export { drawingOfChanges } from './drawing.js';
export {
  changesBetween,
  designChangesInShort,
  designChangesInWords,
  type Changed,
  type Comparable,
  type FrameChanges,
  type Part,
} from './changes.js';
