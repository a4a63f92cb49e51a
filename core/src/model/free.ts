import type { FrameModel } from './types.js';

/** Motions of a body that strain nothing: in the plane, and in space. */
export const rigidMotions = { plane: 3, solid: 6 } as const;

/** Whether nothing holds a frame. */
export const isFree = ({ supports = [] }: FrameModel): boolean => supports.length === 0;

/** Whether a frame that nothing holds carries nothing either: then it is asked how it vibrates. */
export const onlyVibrates = (model: FrameModel): boolean =>
  isFree(model) &&
  (model.trains ?? []).length === 0 &&
  (model.loadCases ?? []).every(({ loads = [], selfWeight = 0 }) => loads.length === 0 && selfWeight === 0);
