import {
  extentOf,
  fitView,
  standardViews,
  type DrawnScene,
  type Margins,
  type View,
  type ViewName,
} from '@hashira/core';
import { roomOn } from './dimension-lines';
import { reachOf } from './scales';
import type { SheetSize } from '../types';

/** Room round a frame for its loads, values and dimensions where a sheet has all of it, px; and without dimensions. */
const margins: Margins = { left: 138, right: 108, top: 92, bottom: 116 };
const bareMargins: Margins = { left: 60, right: 60, top: 44, bottom: 64 };

/** Room beyond the tip of a diagram for its value, across and up, px. */
const roomOfValue = { across: 75, up: 24 };
/** Part of the margins that values take at the most: on small sheets they stand closer, and the frame comes first. */
const mostForValues = 0.7;

/** The view of a whole frame on a sheet, with the room that what is written round it needs, and its diagrams. */
export function fittedView(
  scene: DrawnScene,
  direction: ViewName,
  size: SheetSize,
  dimensions: boolean,
): View {
  const { left, right, top, bottom } = dimensions ? margins : bareMargins;
  const room = roomOn(size);
  const least = { left: left * room, right: right * room, top: top * room, bottom: bottom * room };
  const seen = standardViews[scene.space === 'plane' ? 'front' : direction];
  return fitView(
    scene.points,
    seen,
    size,
    withDiagrams({ points: scene.points, reach: reachOf(scene) }, seen, size, least),
  );
}

/**
 * Margins that also hold diagrams and their values: these grow with the frame, while what else is written round it does not.
 *
 * @param reach how far diagrams may reach from the frame, m
 * @param least for what does not grow, px
 */
export function withDiagrams(
  { points, reach }: { readonly points: ArrayLike<number>; readonly reach: number },
  direction: Pick<View, 'turn' | 'tilt'>,
  size: SheetSize,
  least: Margins,
): Margins {
  const { x, y } = extentOf(points, direction);
  const across = Math.min(roomOfValue.across, mostForValues * Math.min(least.left, least.right));
  const up = Math.min(roomOfValue.up, mostForValues * Math.min(least.top, least.bottom));
  const scale = Math.min(
    largestScale(x[1] - x[0], size.width, [least.left, least.right], { reach, value: across }),
    largestScale(y[1] - y[0], size.height, [least.top, least.bottom], { reach, value: up }),
  );
  const grown = (margin: number, value: number) => Math.max(margin, reach * scale + value);
  return {
    left: grown(least.left, across),
    right: grown(least.right, across),
    top: grown(least.top, up),
    bottom: grown(least.bottom, up),
  };
}

/** The largest scale, px/m, at which a length fits between two sides of which each takes its margin or its diagram, whichever is more. */
function largestScale(
  length: number,
  px: number,
  [before, after]: readonly [number, number],
  { reach, value }: { reach: number; value: number },
): number {
  const needs = (margins: number, metres: number) =>
    Math.max(20, px - margins) / Math.max(length + metres, 0.1);
  return Math.min(
    needs(before + after, 0),
    needs(before + value, reach),
    needs(value + after, reach),
    needs(2 * value, 2 * reach),
  );
}
