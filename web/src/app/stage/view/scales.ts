import type { DiagramKind, DrawnScene } from '@hashira/core';
import type { StageScales } from '../types';

/** Factor on displacements: found, true, or typed. */
export type DeformationScale =
  | { readonly kind: 'automatic' }
  | { readonly kind: 'fixed'; readonly factor: number };

/** What 1 SI unit along 1 m of the drawing is in the reader's units: 1 N·m a metre is 0.001 kN·m a metre, or 0.000225 kip·ft a foot. */
export interface ReadersScale {
  /** Of N or N·m a metre. */
  readonly diagram: number;
  /** Of N/m a metre. */
  readonly load: number;
}

const asInSI: ReadersScale = { diagram: 1, load: 1 };

/** Largest diagram ordinate, displacement and load, as fractions of the frame's size. */
const diagramShare: Readonly<Record<DiagramKind, number>> = {
  none: 0,
  stress: 0,
  utilisation: 0,
  N: 0.1,
  Vz: 0.1,
  Vy: 0.1,
  T: 0.1,
  My: 0.13,
  Mz: 0.13,
};
const deformationShare = 0.07;
const loadShare = 0.05;
/** The same as fractions of the distance at which members stand from one another. */
const diagramReach = 0.9;
const loadReach = 0.45;
/** Members no longer together than so many times the frame's longest side stand in a line, if a bent one. */
const lineLength = 1.25;

/**
 * One set of scales for all frames that are compared, so that what is larger is drawn larger: found from the largest value of all of
 * them under the shown load case or combination. A metre of the drawing, or a foot where the reader counts in feet, stands for a round
 * value, so that diagrams grow and shrink with their values while a parameter is dragged.
 *
 * @param readers SI where it is left out
 */
export function commonScales(
  scenes: readonly DrawnScene[],
  diagram: DiagramKind,
  deformation: DeformationScale,
  readers = asInSI,
): StageScales {
  let [size, spacing, force, move, load] = [1, Infinity, 0, 0, 0];
  for (const scene of scenes) {
    const { most } = scene;
    const around = measured(scene);
    size = Math.max(size, around.size);
    spacing = Math.min(spacing, around.spacing);
    force = Math.max(force, most.diagram);
    move = Math.max(move, most.deformation);
    load = Math.max(load, most.load);
  }
  return {
    diagram: roundScale(
      Math.min(diagramShare[diagram] * size, diagramReach * spacing),
      force,
      readers.diagram,
    ),
    load: roundScale(Math.min(loadShare * size, loadReach * spacing), load, readers.load),
    deformation:
      deformation.kind === 'fixed'
        ? deformation.factor
        : move > 0
          ? niceFactor((deformationShare * size) / move)
          : 1,
  };
}

/** How far from a frame its largest diagram may reach, m. */
export function reachOf(scene: Pick<DrawnScene, 'points' | 'members'>): number {
  const { size, spacing } = measured(scene);
  return Math.min(Math.max(...Object.values(diagramShare)) * size, diagramReach * spacing);
}

/** What scales go by: the diagonal of the box around a frame, and how far apart its members stand, m. */
interface Measures {
  readonly size: number;
  readonly spacing: number;
}

/** Found once for each scene, by its points. */
const measures = new WeakMap<Float32Array, Measures>();

function measured({ points, members: { ends } }: Pick<DrawnScene, 'points' | 'members'>): Measures {
  let known = measures.get(points);
  if (!known) measures.set(points, (known = measure(points, ends)));
  return known;
}

/**
 * A square grid of spacing s has 2/s metres of members a square metre, a cubic one 3/s² a cubic metre. Members in about
 * one line stand apart from nothing.
 */
function measure(points: Float32Array, ends: Float32Array): Measures {
  const [a, b, c] = sidesOf(points);
  const diagonal = Math.hypot(a, b, c);
  let length = 0;
  for (let i = 0; i < ends.length; i += 6) {
    const x = ends[i + 3]! - ends[i]!;
    const y = ends[i + 4]! - ends[i + 1]!;
    const z = ends[i + 5]! - ends[i + 2]!;
    length += Math.sqrt(x * x + y * y + z * z);
  }
  if (length <= lineLength * a) return { size: diagonal, spacing: Infinity };
  // Overlapping members in one line take no area
  const spacing = Math.max((2 * a * b) / length, Math.sqrt((3 * a * b * c) / length)) || Infinity;
  return { size: diagonal, spacing };
}

/** Sides of the box around points, the longest first, m. */
function sidesOf(points: ArrayLike<number>): [number, number, number] {
  if (points.length < 3) return [0, 0, 0];
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < points.length; i++) {
    low[i % 3] = Math.min(low[i % 3]!, points[i]!);
    high[i % 3] = Math.max(high[i % 3]!, points[i]!);
  }
  return high.map((h, k) => h - low[k]!).sort((a, b) => b - a) as [number, number, number];
}

/**
 * m of the drawing for an SI unit of what is drawn, so that the greatest value takes no more than `room` m; its inverse is round in the
 * reader's units, of which 1 SI unit a metre is `readers`.
 */
function roundScale(room: number, greatest: number, readers: number): number {
  if (!(room > 0 && greatest > 0)) return 0;
  const least = (readers * greatest) / room;
  const power = 10 ** Math.floor(Math.log10(least));
  return readers / (power * (roundSteps.find((step) => step * power >= least) ?? 10));
}

const roundSteps = [1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8];

/** The largest of 1, 1.5, 2, 3, 5, 7 × 10ⁿ that is not above the value. */
export function niceFactor(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value));
  const digit = value / power;
  return ([7, 5, 3, 2, 1.5].find((step) => digit >= step) ?? 1) * power;
}
