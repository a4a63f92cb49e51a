export { drawingOfChanges } from './drawing.js';
export {
  changesBetween,
  designChangesInWords,
  type Changed,
  type Comparable,
  type FrameChanges,
  type Part,
} from './changes.js';
