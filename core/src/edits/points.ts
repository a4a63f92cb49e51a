import { turned, type Point } from '../geometry/vector.js';
import { isPlain, writtenPoints, type PointHandle } from '../build/point-handles.js';
import type { Design } from '../document/types.js';
import { setStepField } from './steps.js';

type Place = Pick<PointHandle, 'step' | 'list' | 'index'>;

const metres = (value: number): string => `${Number(value.toFixed(3))} m`;

/**
 * Moves a point of a step by a distance, m, global: coordinates written as plain lengths change, formulas stay.
 *
 * @param handle the point as it was found in the design
 */
export function movePoint(design: Design, handle: PointHandle, by: Point): Design {
  const written = pointOf(design, handle);
  if (!Array.isArray(written)) return design;
  const own = turned(by, -handle.turn);
  const next = (written as string[]).map((one, k) => {
    const axis = handle.axes[k]!;
    if (!handle.free.includes(axis) || own[axis] === 0) return one;
    return metres(lengthOf(one) + own[axis]!);
  });
  return setStepField(design, handle.step, `${handle.list}/${handle.index}`, next);
}

const lengthOf = (text: string): number => {
  const factor = text.endsWith('mm') ? 1e-3 : text.endsWith('cm') ? 1e-2 : 1;
  return Number.parseFloat(text) * factor;
};

/** Adds a point half-way to the next one (of the last half-way to the first); a point that is named gets none. */
export function addPoint(design: Design, place: Place): Design {
  const list = listOf(design, place);
  const here = list[place.index];
  const next = list[place.index + 1] ?? list[0];
  if (!Array.isArray(here) || !Array.isArray(next) || here.length !== next.length) return design;
  const middle = here.map((one, k) => {
    const [a, b] = [String(one), String(next[k])];
    return isPlain(a) && isPlain(b) ? metres((lengthOf(a) + lengthOf(b)) / 2) : `(${a} + ${b}) / 2`;
  });
  const points = [...list.slice(0, place.index + 1), middle, ...list.slice(place.index + 1)];
  return setStepField(design, place.step, place.list, points);
}

/** Removes a point; the last few that a step needs stay. */
export function removePoint(design: Design, place: Place & Pick<PointHandle, 'least'>): Design {
  const list = listOf(design, place);
  if (list.length <= place.least) return design;
  return setStepField(
    design,
    place.step,
    place.list,
    list.filter((_, i) => i !== place.index),
  );
}

function listOf(design: Design, { step, list }: Place): readonly unknown[] {
  const found = design.steps.find(({ id }) => id === step);
  return found ? writtenPoints(found, list) : [];
}

const pointOf = (design: Design, place: Place): unknown => listOf(design, place)[place.index];
