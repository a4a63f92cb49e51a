import type { Tags } from '../recipe/expressions/types.js';

/** Internal force whose diagram is drawn. */
export type DiagramKind = 'none' | 'N' | 'Vz' | 'My' | 'Vy' | 'Mz' | 'T' | 'utilisation';

/** One grid line, storey or face of a solid frame; the rest is faint. */
export interface Slice {
  readonly tag: string;
  readonly value: string | number;
}

/** What of an alternative is drawn. */
export interface DrawingOptions {
  /** Load case or combination, or `shape:` and the number of a buckling shape or mode. */
  readonly result: string;
  readonly diagram: DiagramKind;
  readonly slice?: Slice;
  /** A step whose members stand in ink while the rest is faint. */
  readonly step?: string;
  /** Parts that are lit up. */
  readonly lit?: readonly string[];
}

/** Whether a part belongs to a slice. */
export function inSlice(tags: Tags, { tag, value }: Slice): boolean {
  return tags[tag] === value;
}
