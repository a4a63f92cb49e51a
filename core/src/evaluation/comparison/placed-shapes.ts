import type { BucklingMode, VibrationMode } from '../../analysis/index.js';
import { movesOfShape } from '../../drawing/index.js';
import { pointOn } from '../../results/index.js';
import type { Analysed } from '../stages/index.js';

/** The shapes in which a frame vibrates or buckles, at places that it may have in common with another one. Plain data. */
export interface PlacedShapes {
  /** By place its name: a physical member's and how far along it, or a node's. */
  readonly places: readonly string[];
  /** By place the physical member that it is on; empty for nodes. */
  readonly lines: readonly string[];
  /** By place its mass, kg, and where it is, m: x, y and z one after the other. */
  readonly masses: Float64Array;
  readonly points: Float64Array;
  readonly shapes: readonly PlacedShape[];
}

export interface PlacedShape {
  /** Its number among the shapes that are shown, from 1; rigid motions count there. */
  readonly number: number;
  /** Frequency, Hz, or critical factor. */
  readonly value: number;
  /** By place its displacement, global: x, y and z one after the other. */
  readonly moves: Float64Array;
}

/** A frame whose shapes are placed. */
export type Framed = Pick<Analysed, 'frame' | 'model'>;

/** Places along a physical member, both ends among them. */
const placesOnLine = 21;

/** The elastic modes of a frame at its places. */
export const placedModes = (forces: Framed, modes: readonly VibrationMode[]): PlacedShapes =>
  placed(
    forces,
    modes.flatMap((mode, i) =>
      mode.frequency > 0 ? [{ ...mode, number: i + 1, value: mode.frequency, move: mode.moveAlong }] : [],
    ),
  );

/** Buckling shapes of a frame at its places, bent between its nodes as they are drawn. */
export const placedBuckling = (forces: Framed, modes: readonly BucklingMode[]): PlacedShapes =>
  placed(
    forces,
    modes.map((mode, i) => {
      const along = movesOfShape(forces.frame, mode.shape, mode.shares);
      const known = new Map<number, ReturnType<typeof along>>();
      const move = (m: number, x: number) => {
        let own = known.get(m);
        if (!own) known.set(m, (own = along(m)));
        return own(x / forces.frame.length[m]!);
      };
      return { ...mode, number: i + 1, value: mode.factor, move };
    }),
  );

interface GivenShape {
  readonly number: number;
  readonly value: number;
  readonly shape: Float64Array;
  readonly move: (member: number, x: number) => readonly [number, number, number];
}

/** Places along the physical members, with ρ·A·L/20 at each and half at the ends; nodes with their given masses. */
function placed({ frame, model }: Framed, given: readonly GivenShape[]): PlacedShapes {
  const places: string[] = [];
  const lines: string[] = [];
  const masses: number[] = [];
  const points: number[] = [];
  const moves: number[][] = given.map(() => []);
  for (const [name, line] of linesOf(model, frame.length))
    for (let i = 0; i < placesOnLine; i++) {
      const { member, x } = placeOn(line, i / (placesOnLine - 1));
      const step = line.length / (placesOnLine - 1);
      const { material, properties } = frame.sections[member]!;
      places.push(`${name} ${i}`);
      lines.push(name);
      const isEnd = i === 0 || i === placesOnLine - 1;
      masses.push(material.density * properties.A * step * (isEnd ? 0.5 : 1));
      points.push(...pointOn(frame, member, x));
      given.forEach(({ move }, k) => moves[k]!.push(...move(member, x)));
    }
  frame.nodeIds.forEach((id, n) => {
    if (!(frame.masses[n]! > 0)) return;
    places.push(`node ${id}`);
    lines.push('');
    masses.push(frame.masses[n]!);
    points.push(...frame.xyz.subarray(3 * n, 3 * n + 3));
    given.forEach(({ shape }, k) => moves[k]!.push(...shape.subarray(6 * n, 6 * n + 3)));
  });
  return {
    places,
    lines,
    masses: Float64Array.from(masses),
    points: Float64Array.from(points),
    shapes: given.map(({ number, value }, k) => ({ number, value, moves: Float64Array.from(moves[k]!) })),
  };
}

interface Line {
  readonly length: number;
  /** Pieces from its start on, m. */
  readonly pieces: readonly { readonly member: number; readonly from: number; readonly length: number }[];
}

/** Physical members by name. */
function linesOf({ members }: Framed['model'], lengths: ArrayLike<number>): Map<string, Line> {
  const lines = new Map<string, { length: number; pieces: Line['pieces'][number][] }>();
  members.forEach(({ id, design }, member) => {
    const name = design?.group ?? id;
    const line = lines.get(name) ?? { length: 0, pieces: [] };
    lines.set(name, line);
    line.pieces.push({ member, from: line.length, length: lengths[member]! });
    line.length += lengths[member]!;
  });
  return lines;
}

function placeOn({ length, pieces }: Line, share: number): { readonly member: number; readonly x: number } {
  const at = share * length;
  const piece =
    pieces.find(({ from, length: own }) => at <= from + own + 1e-9 * length) ?? pieces[pieces.length - 1]!;
  return { member: piece.member, x: Math.min(piece.length, Math.max(0, at - piece.from)) };
}
