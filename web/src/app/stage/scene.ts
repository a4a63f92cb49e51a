import type { Calculated, Geometry, FrameModel, ResultSelection } from '@hashira/core';
import type { Camera, SheetSize } from './camera';
import type { Point } from './pen';

/** Internal force whose diagram is drawn; `none` for the bare frame. */
export type DiagramKind = 'none' | 'N' | 'V' | 'M';

/** What a stage draws beside the frame itself. */
export interface StageLayers {
  readonly diagram: DiagramKind;
  readonly deformed: boolean;
  readonly loads: boolean;
  readonly reactions: boolean;
  readonly dimensions: boolean;
}

/** Scales common to all stages that are compared. */
export interface StageScales {
  /** m of the drawing per N or N·m. */
  readonly diagram: number;
  /** Factor on displacements; 1 is true scale. */
  readonly deformation: number;
  /** m of the drawing per N/m. */
  readonly load: number;
}

/** Everything that one stage shows. */
export interface StageScene {
  readonly geometry: Geometry;
  readonly model: FrameModel;
  /** Absent when the alternative could not be analysed. */
  readonly calculated?: Calculated;
  /** Load case or combination that is shown. */
  readonly selection?: ResultSelection;
  /** Displacements of nodes that a mechanism allows, by node id, to be drawn instead of results. */
  readonly mechanism?: Readonly<Record<string, readonly number[]>>;
  readonly layers: StageLayers;
  readonly scales: StageScales;
  readonly camera: Camera;
  readonly size: SheetSize;
  /** From −1 to 1: where the moving picture of the deformed shape stands; 1 at rest. */
  readonly phase: number;
  /** Thumbnails have no text, thinner lines and smaller symbols. */
  readonly thumbnail: boolean;
}

/** Text on the stage. */
export interface StageLabel {
  readonly key: string;
  readonly text: string;
  /** Anchor, px. */
  readonly at: Point;
  /** Which side of the anchor the text stands on. */
  readonly align: 'middle' | 'left' | 'right';
  readonly tone: 'ink' | 'soft' | 'indigo' | 'vermilion' | 'moss' | 'plum' | 'teal' | 'ochre';
  /** Higher ones stay where labels would overlap. */
  readonly priority: number;
  /** The exact value, shown on hover. */
  readonly title?: string;
}
