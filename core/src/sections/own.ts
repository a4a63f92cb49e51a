import { shapeSchemaOf } from '../model/schema.js';
import type { OutlinePoint, Shape } from '../model/types.js';
import { problem, type Outcome } from '../base/problem.js';
import { shapeProblem } from './shapes/index.js';

/** A kind of shape that own sections are made of, and what it begins with, m. */
export interface ShapeStart {
  readonly title: string;
  readonly shape: Shape;
}

/** Every kind of shape an own section can have. */
export const shapeStarts: readonly ShapeStart[] = [
  { title: 'welded I', shape: { type: 'i', h: 0.4, b: 0.2, tw: 0.008, tf: 0.015 } },
  {
    title: 'I with unequal flanges',
    shape: { type: 'i', h: 0.5, bTop: 0.3, tfTop: 0.02, bBottom: 0.2, tfBottom: 0.015, tw: 0.01 },
  },
  {
    title: 'I with plates',
    shape: { type: 'plated-i', h: 0.3, b: 0.15, tw: 0.0071, tf: 0.0107, r: 0.015, bp: 0.18, tp: 0.012 },
  },
  { title: 'box of plates', shape: { type: 'plate-box', h: 0.4, b: 0.3, tw: 0.01, tf: 0.015 } },
  {
    title: 'two channels',
    shape: {
      type: 'double-channel',
      h: 0.2,
      b: 0.075,
      tw: 0.0085,
      tf: 0.0115,
      r: 0.0115,
      gap: 0.01,
      facing: 'backs',
    },
  },
  { title: 'channel', shape: { type: 'channel', h: 0.2, b: 0.075, tw: 0.006, tf: 0.01 } },
  { title: 'tee', shape: { type: 'tee', h: 0.15, b: 0.15, tw: 0.008, tf: 0.012 } },
  { title: 'angle', shape: { type: 'angle', h: 0.1, b: 0.1, t: 0.01 } },
  { title: 'rectangular hollow', shape: { type: 'rectangular-hollow', h: 0.2, b: 0.1, t: 0.006 } },
  { title: 'circular hollow', shape: { type: 'circular-hollow', d: 0.1683, t: 0.006 } },
  { title: 'rectangle', shape: { type: 'rectangle', h: 0.2, b: 0.1 } },
  { title: 'round', shape: { type: 'round', d: 0.04 } },
  {
    title: 'outline',
    shape: {
      type: 'outline',
      points: [
        [0, 0],
        [0.2, 0],
        [0.2, 0.02],
        [0.02, 0.02],
        [0.02, 0.3],
        [0, 0.3],
      ],
    },
  },
];

/** One dimension of a shape as it is asked for. */
export interface ShapeDimension {
  readonly name: string;
  /** m; a word where it is chosen. */
  readonly value: number | string | undefined;
  /** The words to choose from; a length without them. */
  readonly choices?: readonly string[];
  readonly optional: boolean;
}

/** Dimensions that only profiles of the library have. */
const ofProfiles = new Set(['type', 'points', 'holes', 'slope', 'tfAt']);

/** The dimensions of a shape, in the order in which they are usually named; none of an outline. */
export function dimensionsOf(shape: Shape): ShapeDimension[] {
  const { properties, required } = shapeSchemaOf(shape) as {
    properties: Record<string, { enum?: readonly string[] }>;
    required: readonly string[];
  };
  const values = shape as unknown as Record<string, number | string | undefined>;
  return Object.entries(properties)
    .filter(([name]) => !ofProfiles.has(name))
    .map(([name, { enum: choices }]) => ({
      name,
      value: values[name],
      ...(choices ? { choices } : {}),
      optional: !required.includes(name),
    }));
}

/** The shape with a dimension changed, m or a word; undefined takes an optional one away. */
export function withDimension(shape: Shape, name: string, value: number | string | undefined): Shape {
  const next = Object.entries({ ...shape, [name]: value }).filter(([, one]) => one !== undefined);
  return Object.fromEntries(next) as unknown as Shape;
}

/**
 * An outline from corners as they are pasted: a line each, y and z and perhaps a rounding radius in mm, divided by spaces, tabs, commas
 * or semicolons.
 */
export function readOutline(text: string): Outcome<Shape> {
  const lines = text.split(/\r?\n/).map((line, i) => ({ line: line.trim(), number: i + 1 }));
  const points: OutlinePoint[] = [];
  for (const { line, number } of lines) {
    if (line === '') continue;
    const values = line.split(/[\s,;]+/).map((cell) => Number(cell) / 1000);
    if (values.length < 2 || values.length > 3 || !values.every(Number.isFinite))
      return wrong(`Line ${number} ("${line}") is no corner; give y and z in mm, and perhaps a radius.`);
    points.push(values as unknown as OutlinePoint);
  }
  if (points.length < 3) return wrong('An outline has three corners or more, a line each: y and z in mm.');
  const shape: Shape = { type: 'outline', points };
  const problemOfShape = shapeProblem(shape);
  return problemOfShape === undefined
    ? { ok: true, value: shape }
    : wrong(`In the outline ${problemOfShape}.`);
}

const wrong = (message: string): Outcome<Shape> => ({
  ok: false,
  problems: [problem('invalid-table', message, {})],
});

/** An outline's corners as they can be pasted again, mm. */
export const outlineText = (points: readonly OutlinePoint[]): string =>
  points.map((corner) => corner.map((value) => Number((value * 1000).toPrecision(9))).join(' ')).join('\n');
