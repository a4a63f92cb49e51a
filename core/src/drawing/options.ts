import type { Tags } from '../language/types.js';
import type { Layer } from './drawing.js';
import type { GroupBy } from './parts/group-by.js';

/** What is drawn along members: an internal force, stress, or utilisation. */
export type DiagramKind = 'none' | 'N' | 'Vz' | 'My' | 'Vy' | 'Mz' | 'T' | 'stress' | 'utilisation';

/** One grid line, storey or face of a solid frame; the rest is faint. */
export interface Slice {
  readonly tag: string;
  readonly value: string | number;
}

/** A slice, or that of the member in which the force that is drawn is greatest. */
export type ChosenSlice = Slice | 'governing';

/** What of an alternative is drawn. */
export interface DrawingOptions {
  /** Id of a shown result: a load case, a combination, an envelope, a buckling shape, a mode. */
  readonly result: string;
  /** Order that the design asks for; absent: what was calculated. */
  readonly order?: 1 | 2;
  readonly diagram: DiagramKind;
  readonly slice?: ChosenSlice;
  /** A step whose members stand in ink while the rest is faint. */
  readonly step?: string;
  /** Parts that are lit up. */
  readonly highlighted?: readonly string[];
  /** Outlines of the sections are drawn true to scale. */
  readonly sections?: boolean;
  /** Members are drawn in groups by this. */
  readonly groupBy?: GroupBy;
  /** Layers that are not looked at: their parts are left out. */
  readonly without?: readonly Layer[];
}

/** Whether a part belongs to a slice. */
export function inSlice(tags: Tags, { tag, value }: Slice): boolean {
  return tags[tag] === value;
}
