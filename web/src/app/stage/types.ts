import type { Colour, DiagramKind, DrawnScene, Layer, View } from '@hashira/core';

/** A point on the sheet, px from its top left corner. */
export type Point = readonly [x: number, y: number];

/** A sheet's size, px. */
export interface SheetSize {
  readonly width: number;
  readonly height: number;
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

/** What one stage shows, without what the stage itself decides. */
export interface StageContent {
  readonly scene: DrawnScene;
  readonly layers: readonly Layer[];
  readonly scales: StageScales;
  /** Dimension lines are drawn and can be changed. */
  readonly dimensions: boolean;
}

/** Members on the sheet that a band marks, by number of the scene. */
export interface StageBand {
  readonly member: number;
  /** px. */
  readonly width: number;
  /** Makes what is told of smaller: drawn open instead of full. */
  readonly against: boolean;
  /** What is told of it, in words, for pointers and readers. */
  readonly title: string;
  /** Written beside the middle of the band. */
  readonly text?: string;
}

/** A force that is drawn on the sheet beside what the scene has. */
export interface StageArrow {
  /** Where its head is, m. */
  readonly at: readonly [number, number, number];
  readonly direction: readonly [number, number, number];
  readonly text: string;
}

/** A sheet to be painted. */
export interface Sheet extends StageContent {
  readonly view: View;
  readonly size: SheetSize;
  /** From −1 to 1: where the moving picture stands; 1 at rest. */
  readonly phase: number;
  /** Thumbnails have no text, thinner lines and smaller symbols. */
  readonly thumbnail: boolean;
}

/** What paints sheets over the whole of one canvas. */
export interface SheetPainter {
  /** @param pixelRatio pixels of the screen for a CSS px */
  paint(sheet: Sheet, pixelRatio: number): void;
  dispose(): void;
}

/** Text on the stage. */
export interface StageLabel {
  readonly key: string;
  readonly text: string;
  /** Anchor, px. */
  readonly at: Point;
  /** What it is read at, where it is led there when it stands apart, px. */
  readonly of?: Point;
  /** Which side of the anchor the text stands on. */
  readonly align: 'middle' | 'left' | 'right';
  readonly tone: Colour;
  /** Higher ones stay where labels would overlap. */
  readonly priority: number;
  /** It is written wherever there is a place for it, however many there are. */
  readonly governs?: boolean;
  /** The exact value, shown on hover. */
  readonly title: string;
}

export type { DiagramKind, View };

/** What is read at a place of a member, ready to be shown. */
export interface Readout {
  readonly title: string;
  readonly about: string;
  readonly rows: readonly (readonly [string, string])[];
}

/** What was pressed or taken in by a box; with `add` beside what is selected already. */
export interface Pressed {
  readonly of: 'members' | 'nodes';
  readonly ids: readonly string[];
  readonly add: boolean;
  /** The sheet was pressed beside the frame. */
  readonly beside?: boolean;
}

/** A place of a member that is pointed at. */
export interface PointedPlace {
  readonly member: string;
  readonly fraction: number;
}

/** A point of a sheet, px, and how the sheet is looked at. */
export interface OnSheet {
  readonly at: Point;
  readonly view: View;
  readonly size: SheetSize;
}
