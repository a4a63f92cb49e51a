import { attempt } from '../base/problem.js';
import { quantityOf, type Written } from '../language/evaluate.js';
import type { Names } from '../language/compile.js';
import { add, turned, type Point } from '../geometry/vector.js';
import { resolveAlternative } from './resolve.js';
import { placingOf } from './run-steps.js';
import type { Alternative, Design, Step } from '../document/types.js';
import type { Field, FieldForm, Fields } from '../fields/index.js';
import { kindOf } from '../steps/index.js';

/** A point that is written in a step and can be dragged on the stage. */
export interface PointHandle {
  readonly step: string;
  /** The list it stands in, such as `points` or `curve/through`, and its place there. */
  readonly list: string;
  readonly index: number;
  /** Axes of its numbers as they are written (0 is x). */
  readonly axes: readonly number[];
  /** How many points must stay in its list. */
  readonly least: number;
  /** m, global. */
  readonly at: Point;
  /** Coordinates that a hand may change: those written as plain lengths, by number (0 is x). Formulas stay as they are. */
  readonly free: readonly number[];
  /** Turn of the step about the vertical, rad. */
  readonly turn: number;
}

/** A list of points that a kind of step declares. */
interface PointList {
  readonly path: string;
  readonly form: Extract<FieldForm, { kind: 'points' }>;
}

/** The lists of points among fields, those within records and variants too. */
function pointLists(fields: Fields, before = ''): PointList[] {
  return Object.entries(fields).flatMap(([name, { form }]: [string, Field<unknown>]) => {
    const path = `${before}${name}`;
    if (form.kind === 'points') return [{ path, form }];
    if (form.kind === 'record') return pointLists(form.fields, `${path}/`);
    return form.kind === 'variants' ? pointLists(form.variants, `${path}/`) : [];
  });
}

/** The points of a step that are written by coordinates; none where it has no list of points, or its names cannot be evaluated. */
export function pointHandles(design: Design, alternative: Alternative, id: string): PointHandle[] {
  const outcome = attempt(() => {
    const { design: own, names } = resolveAlternative(design, alternative);
    const step = own.steps.find((one) => one.id === id);
    // Only generators have an origin; `at` of an edit is something else
    if (step?.make === undefined || step.off) return [];
    return pointLists(kindOf(step)?.fields ?? {}).flatMap((list) => handlesIn(step, list, names));
  });
  return outcome.ok ? outcome.value : [];
}

function handlesIn(step: Step, { path: list, form }: PointList, names: Names): PointHandle[] {
  const points = writtenPoints(step, list);
  if (points.length === 0) return [];
  const place = { what: 'a point', where: {} };
  const length = (written: Written) => quantityOf(written, names, 'length', place);
  const { at: origin, turn } = placingOf(step, names, place);
  return points.flatMap((written, index) => {
    if (!Array.isArray(written)) return [];
    const coordinates = written as Written[];
    const axes = coordinates.length === 3 ? [0, 1, 2] : form.plane === 'xz' ? [0, 2] : [0, 1];
    const local: [number, number, number] = [0, 0, 0];
    coordinates.forEach((one, k) => (local[axes[k]!] = length(one)));
    const free = axes.filter((_, k) => isPlain(coordinates[k]!));
    const at = add(turned(local, turn), origin);
    return [{ step: step.id, list, index, axes, least: form.least, at, free, turn }];
  });
}

/** Whether a coordinate is a number with a unit of length and no formula. */
export const isPlain = (written: Written): boolean =>
  /^-?[\d.]+(\s*(mm|cm|m))?$/.test(String(written).trim());

/** What is written in a list of points of a step. */
export function writtenPoints(step: Step, list: string): readonly unknown[] {
  const found = list
    .split('/')
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], step);
  return Array.isArray(found) ? found : [];
}
