export {
  colourNames,
  cornerAt,
  cornerSize,
  Draughtsman,
  layerNames,
  scaleNames,
  strokeAt,
  strokeSize,
  type Colour,
  type Drawing,
  type DrawnLines,
  type DrawingText,
  type Layer,
  type Scale,
} from './drawing.js';
export { forceQuantity } from './parts/diagram.js';
export { drawAlternative, type DrawnScene } from './draw.js';
export { movesOfShape } from './parts/shape.js';
export { drawHeld } from './frame.js';
export { groupByNames, type GroupBy } from './parts/group-by.js';
export {
  envelopeStates,
  isShape,
  shownKinds,
  shownResults,
  type DrawnSource,
  type KnownResults,
  type LegendLine,
  type Shapes,
  type ShownResult,
} from './shown/index.js';
export type { ChosenSlice, DiagramKind, DrawingOptions, Slice } from './options.js';
export { emptySheet } from './empty-sheet.js';
export { differingFrom } from './signatures.js';
export { sliceWords } from './slices.js';
export { drawPreview, kindPicture, optionPicture, stepPicture, type PictureSize } from './parts/steps.js';
export { startPicture } from './parts/start.js';
export { clearance, leastBefore } from './view/behind.js';
export { layFlat, type FlatOptions, type FlatPen, type Ink } from './view/flat.js';
export { Raster } from './view/raster.js';
export { toFilm } from './view/film.js';
export { colourValues } from './view/colours.js';
export { toSvg } from './view/svg.js';
export {
  depthOf,
  extentOf,
  fading,
  fadingLayers,
  fitView,
  projected,
  projection,
  standardViews,
  viewAxes,
  type Depth,
  type Margins,
  type View,
  type ViewName,
} from './view/view.js';
