import type { Shape } from '../../model/types.js';
import { edges, type Ring } from './outline.js';
import { outlineOf } from './outlines.js';

export type OutlineCorner = readonly [y: number, z: number];

/** A ring of an outline as straight lines, m, in the outline's own axes. */
export interface FlatRing {
  /** All points along it; arcs as chords. */
  readonly points: readonly OutlineCorner[];
  /** Where edges along a member are seen: its corners, and of wide arcs where they begin. */
  readonly corners: readonly OutlineCorner[];
}

/** Radius of an arc, as a share of the ring's extent, from which it is wide: a tube, not a fillet. */
const wide = 0.2;
const chordsOfWide = 6;
const chordsOfFillet = 2;

const known = new WeakMap<Shape, readonly FlatRing[]>();

/** The boundary of a shape with its arcs made straight. */
export function flattened(shape: Shape): readonly FlatRing[] {
  let rings = known.get(shape);
  if (!rings) known.set(shape, (rings = outlineOf(shape).map(flatRing)));
  return rings;
}

function flatRing(ring: Ring): FlatRing {
  const extent = Math.max(...[0, 1].map((k) => spread(ring.map((corner) => corner[k]!))));
  const points: OutlineCorner[] = [];
  const corners: OutlineCorner[] = ring
    .filter(([, , radius = 0]) => radius < wide * extent)
    .map(([y, z]) => [y, z]);
  for (const edge of edges(ring)) {
    if (edge.kind === 'line') {
      points.push([edge.y0, edge.z0]);
      continue;
    }
    const count = edge.r < wide * extent ? chordsOfFillet : chordsOfWide;
    const on = (i: number): OutlineCorner => {
      const angle = edge.from + (edge.sweep * i) / count;
      return [edge.y + edge.r * Math.cos(angle), edge.z + edge.r * Math.sin(angle)];
    };
    if (count === chordsOfWide) corners.push(on(0));
    for (let i = 0; i < count; i++) points.push(on(i));
  }
  return { points, corners };
}

const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
