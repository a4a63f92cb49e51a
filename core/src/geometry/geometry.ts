import type { Tags } from '../language/types.js';
import type { Point } from './vector.js';

/** A node with the tags that rules read. Coordinates in m, global. */
export interface GeometryNode {
  /** Stable name: step, place, indices. */
  readonly id: string;
  readonly at: Point;
  /** `step`, `place`, and `storey`, `bay`, `row`, `side` where they have a meaning. */
  readonly tags: Tags;
}

/** A member, or a piece of one that nodes divide. */
export interface GeometryMember {
  /** Stable name: step, role, indices. */
  readonly id: string;
  readonly start: string;
  readonly end: string;
  /** `step`, `role`, and others where they have a meaning. */
  readonly tags: Tags;
  /** Id of the physical member. */
  readonly line: string;
  /** How its section varies, from start to end; absent: not at all. */
  readonly taper?: Taper;
  readonly setOut?: SetOut;
  readonly cuts?: { readonly start?: Cut; readonly end?: Cut };
}

/**
 * A section that varies linearly along the piece between fractions of a target at its start and end: fraction 0 is the member's own section.
 */
export interface Taper {
  /** `added`: a depth added below, m. `depth`: the whole depth, m. `section`: another section. */
  readonly target: { readonly added: number } | { readonly depth: number } | { readonly section: string };
  readonly fractions: readonly [start: number, end: number];
  /** What stays in line, for the drawing. */
  readonly flush: 'top' | 'centre' | 'bottom';
}

/** Which point of the section's box lies on the line: −1, 0, 1 for left, centre, right and bottom, middle, top. */
export interface SetOut {
  readonly across: -1 | 0 | 1;
  readonly up: -1 | 0 | 1;
  /** Turn of the section about its axis, rad, and whether it is mirrored left to right. */
  readonly turn: number;
  readonly mirrored: boolean;
}

/** How a member is cut at an end for the workshop. */
export interface Cut {
  readonly corner: 'mitre' | 'butt';
  /** The member that it is cut to. */
  readonly to: string;
  /** m */
  readonly gap: number;
}

/** A physical member: its pieces from start to end. */
export interface Line {
  readonly id: string;
  readonly members: readonly string[];
}

/** Nodes that move as one. */
export interface Floor {
  readonly id: string;
  readonly nodes: readonly string[];
  readonly kind: 'plane' | 'body';
  readonly normal: Point;
}

/** A live dimension line in space: pressing it edits a field of a step. */
export interface Dimension {
  readonly id: string;
  readonly step: string;
  /** Path of the field in the step, e.g. `eaves` or `bays/0`. */
  readonly field: string;
  readonly from: Point;
  readonly to: Point;
  /** Where the line is drawn: away from the measured points, a unit vector. */
  readonly away: Point;
  readonly kind: 'length' | 'angle';
  /** SI. */
  readonly value: number;
}

/** Something worth saying that is no error. */
export interface Note {
  readonly code: string;
  readonly message: string;
  readonly where: Readonly<Record<string, unknown>>;
}

/** Nodes and members by their names, in the order in which they were made. */
export interface Geometry {
  readonly nodes: ReadonlyMap<string, GeometryNode>;
  readonly members: ReadonlyMap<string, GeometryMember>;
  readonly lines: ReadonlyMap<string, Line>;
  /** Names of nodes that became others, so that what names them still finds them. */
  readonly aliases: ReadonlyMap<string, string>;
  readonly floors: readonly Floor[];
  readonly dimensions: readonly Dimension[];
  readonly notes: readonly Note[];
}

/** Nothing yet. */
export const emptyGeometry: Geometry = {
  nodes: new Map(),
  members: new Map(),
  lines: new Map(),
  aliases: new Map(),
  floors: [],
  dimensions: [],
  notes: [],
};

/** Most members and nodes of a frame. */
export const mostMembers = 20_000;
