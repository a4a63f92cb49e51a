import { memberEndMoves, type Frame } from '../../analysis/index.js';
import { pointOn } from '../../results/index.js';
import { add, times, type Point } from '../../geometry/vector.js';
import type { Draughtsman } from '../drawing.js';
import { axisOf } from '../places.js';

/** Parts into which a bent member is divided. */
const parts = 10;

export interface ShapeOptions {
  readonly shown?: (member: number) => boolean;
  /** Share of each member in the energy by which it buckles: those that have some while no node moves bend between their nodes. */
  readonly alone?: Float64Array;
}

/**
 * Draws a shape that is given at the nodes: members are bent between them as their ends ask, cubic in their length, straight where
 * they carry axial force only.
 *
 * @param shape 6 a node, global; its largest translation is drawn as 1 m times the scale of deformations
 * @returns whether members buckle between nodes that stay in place
 */
export function drawShape(
  pen: Draughtsman,
  frame: Frame,
  shape: Float64Array,
  { shown = () => true, alone }: ShapeOptions = {},
): boolean {
  const bowing = bowingMembers(shape, alone);
  const moves = movesOfShape(frame, shape, alone);
  for (let m = 0; m < frame.memberIds.length; m++) {
    if (!shown(m)) continue;
    const L = frame.length[m]!;
    const bows = bowing?.(m) ?? false;
    const move = moves(m);
    const count = bows || frame.axialOnly[m] === 0 ? parts : 1;
    const at = Array.from({ length: count + 1 }, (_, i) => i / count);
    pen.on('moving').path(
      at.map((fraction) => pointOn(frame, m, fraction * L)),
      { colour: 'indigo', width: 2.2, scale: 'deformation' },
      at.map(move),
    );
  }
  return bowing !== undefined;
}

/** Which members buckle between their nodes; undefined where the nodes move, or nothing is known of members. */
function bowingMembers(
  shape: Float64Array,
  alone: Float64Array | undefined,
): ((member: number) => boolean) | undefined {
  const most = alone?.reduce((a, b) => Math.max(a, b), 0) ?? 0;
  const still = shape.every((value) => Math.abs(value) < 1e-9);
  return still && alone !== undefined && most > 0 ? (m) => alone[m]! > 0.1 * most : undefined;
}

/** Displacement of a shape along each member, as it is drawn: of a member by its number, at a fraction of its length, global. */
export function movesOfShape(
  frame: Frame,
  shape: Float64Array,
  alone?: Float64Array,
): (m: number) => (fraction: number) => Point {
  const bowing = bowingMembers(shape, alone);
  return (m) => (bowing?.(m) ? halfWave(frame, m) : cubicMove(frame, m, memberEndMoves(frame, m, shape)));
}

/** A mechanism's motion, told by the displacements of nodes: rigid between them. */
export function drawMotion(pen: Draughtsman, frame: Frame, move: (node: number) => Point): void {
  for (let m = 0; m < frame.memberIds.length; m++)
    pen
      .on('moving')
      .line(
        pointOn(frame, m, 0),
        pointOn(frame, m, frame.length[m]!),
        { colour: 'vermilion', width: 2.2, scale: 'deformation' },
        move(frame.start[m]!),
        move(frame.end[m]!),
      );
}

/** The shape of a bar between nodes that stay: half a wave about its weaker axis, in the plane of a plane frame. */
function halfWave(frame: Frame, m: number): (fraction: number) => Point {
  const [, Iy, Iz] = [0, 1, 2].map((k) => frame.rigidity[6 * m + k]!) as [number, number, number];
  const axis = axisOf(frame, m, !frame.plane && Iz < Iy ? 1 : 2);
  return (fraction) => times(axis, Math.sin(Math.PI * fraction));
}

/** Displacement along a member from those of its ends (local, 12): linear along it, cubic across, without moment at hinges. */
function cubicMove(frame: Frame, m: number, ends: Float64Array): (fraction: number) => Point {
  const L = frame.length[m]!;
  const [ex, ey, ez] = [0, 1, 2].map((axis) => axisOf(frame, m, axis as 0 | 1 | 2)) as [Point, Point, Point];
  // Slopes: v' = θz, w' = −θy
  const v = bent(ends[1]!, ends[7]!, slopesOf(frame, m, ends, { across: 1, turn: 5, sign: 1 }), L);
  const w = bent(ends[2]!, ends[8]!, slopesOf(frame, m, ends, { across: 2, turn: 4, sign: -1 }), L);
  return (fraction) =>
    add(
      times(ex, ends[0]! + fraction * (ends[6]! - ends[0]!)),
      add(times(ey, v(fraction)), times(ez, w(fraction))),
    );
}

/** Slopes at both ends; where a hinge or a bar leaves them free they are those of a cubic without moment there. */
function slopesOf(
  frame: Frame,
  m: number,
  ends: Float64Array,
  { across, turn, sign }: { readonly across: number; readonly turn: number; readonly sign: 1 | -1 },
): [number, number] {
  const chord = (ends[6 + across]! - ends[across]!) / frame.length[m]!;
  if (frame.axialOnly[m]) return [chord, chord];
  const free = (end: 0 | 1) => !Number.isNaN(frame.hinges[12 * m + 6 * end + turn]!);
  const [a, b] = [sign * ends[turn]!, sign * ends[6 + turn]!];
  if (free(0) && free(1)) return [chord, chord];
  if (free(0)) return [1.5 * chord - 0.5 * b, b];
  if (free(1)) return [a, 1.5 * chord - 0.5 * a];
  return [a, b];
}

/** The cubic through two values with two slopes over a length. */
function bent(from: number, to: number, [a, b]: readonly [number, number], L: number): (s: number) => number {
  return (s) =>
    from * (1 - 3 * s * s + 2 * s ** 3) +
    to * (3 * s * s - 2 * s ** 3) +
    L * (a * (s - 2 * s * s + s ** 3) + b * (s ** 3 - s * s));
}
