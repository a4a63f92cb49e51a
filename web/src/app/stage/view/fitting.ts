import {
  fitView,
  standardViews,
  type DrawnScene,
  type Margins,
  type View,
  type ViewName,
} from '@hashira/core';
import { roomOn } from './dimension-lines';
import type { SheetSize } from '../types';

/** Room round a frame for its loads, values and dimensions where a sheet has all of it, px; and without dimensions. */
const margins: Margins = { left: 138, right: 108, top: 92, bottom: 116 };
const bareMargins: Margins = { left: 60, right: 60, top: 44, bottom: 64 };

/** The view of a whole frame on a sheet, with the room that what is written round it needs. */
export function fittedView(
  { points, space }: Pick<DrawnScene, 'points' | 'space'>,
  direction: ViewName,
  size: SheetSize,
  dimensions: boolean,
): View {
  const { left, right, top, bottom } = dimensions ? margins : bareMargins;
  const room = roomOn(size);
  return fitView(points, standardViews[space === 'plane' ? 'front' : direction], size, {
    left: left * room,
    right: right * room,
    top: top * room,
    bottom: bottom * room,
  });
}
