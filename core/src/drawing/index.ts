export {
  colourNames,
  cornerSize,
  Draughtsman,
  layerNames,
  scaleNames,
  strokeSize,
  type Colour,
  type Drawing,
  type DrawingText,
  type Layer,
  type Scale,
} from './drawing.js';
export { drawAlternative, type DrawnScene } from './draw.js';
export type { DiagramKind, DrawingOptions, Slice } from './options.js';
export { drawPreview, geometryPicture, kindPicture, stepPicture, type PictureSize } from './steps.js';
export { layFlat, type FlatOptions, type FlatPen, type Ink } from './view/flat.js';
export { colourValues, toSvg } from './view/svg.js';
export {
  fitView,
  projected,
  standardViews,
  viewAxes,
  type Margins,
  type View,
  type ViewName,
} from './view/view.js';
