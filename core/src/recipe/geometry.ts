import type { Place, Role } from './types.js';

/** Attributes of a generated node that rules read. */
export interface GeometryNode {
  /** Stable name: step, place, index. */
  readonly id: string;
  readonly step: string;
  readonly place: Place;
  readonly bay: number;
  readonly side: 'left' | 'right' | 'middle';
  /** m, global. */
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** Attributes of a generated member that rules read. */
export interface GeometryMember {
  readonly id: string;
  readonly step: string;
  readonly role: Role;
  readonly bay: number;
  readonly side: 'left' | 'right' | 'middle';
  readonly start: string;
  readonly end: string;
}

/** A measured length on the drawing that belongs to an expression of the recipe. */
export interface Dimension {
  readonly id: string;
  /** The two points measured between, m, in X–Z. */
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  /** `span`: horizontal, below the frame; `height`: vertical, beside it; `slope`: an angle at `from`. */
  readonly kind: 'span' | 'height' | 'slope';
  /** m or rad. */
  readonly value: number;
  /** The expression behind it; a plain parameter name can be edited on the stage. */
  readonly expression: string;
}

/** What a generator makes. */
export interface Geometry {
  readonly nodes: readonly GeometryNode[];
  readonly members: readonly GeometryMember[];
  readonly dimensions: readonly Dimension[];
}
