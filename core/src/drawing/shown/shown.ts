import type { BucklingMode, Frame, VibrationMode } from '../../analysis/index.js';
import type { MemberCheck, Stability } from '../../checks/index.js';
import type { Analysed } from '../../evaluation/stages/index.js';
import type { BuiltFrame } from '../../build/build.js';
import type { Namer } from '../../geometry/names.js';
import type { Units } from '../../units/units.js';
import type { Draughtsman } from '../drawing.js';
import type { DrawingOptions, Slice } from '../options.js';

/** What can be shown on the stage. Ids of load cases and combinations hold no point; those of all others begin with a word and one. */
export interface ShownResult {
  readonly id: string;
  readonly title: string;
  /** Name of its kind, as `shownKinds` lists them. */
  readonly kind: string;
  readonly state?: 'strength' | 'service';
}

/** Shapes in which a frame buckles or vibrates, worked out when they are asked for. */
export interface Shapes {
  /** The shape of that number, from 1, in which a combination buckles; undefined where there is none. */
  buckling(combination: string, number: number): BucklingMode | undefined;
  /** The mode of that number, from 1. */
  mode(number: number): VibrationMode | undefined;
}

/** What is known of an alternative when it is drawn. */
export interface DrawnSource {
  readonly built: BuiltFrame;
  /** In which values are told. */
  readonly units: Units;
  /** Names of its members and nodes, where they are known already. */
  readonly namer?: Namer;
  readonly forces?: Analysed;
  readonly checks?: readonly MemberCheck[];
  /** The same under one strength combination alone; undefined for everything else. */
  readonly checksUnder?: (result: string) => readonly MemberCheck[] | undefined;
  readonly shapes?: Shapes;
  /** Displacements of nodes that a mechanism allows, 6 a node by id. */
  readonly mechanism?: Readonly<Record<string, readonly number[]>>;
}

/** What lists of shown results go by; what is not known yet is absent. */
export interface KnownResults {
  readonly built: BuiltFrame;
  readonly units: Units;
  /** By strength combination. */
  readonly stability?: ReadonlyMap<string, Stability>;
  /** The combination with the least critical factor. */
  readonly nearest?: string;
  readonly modes?: readonly VibrationMode[];
}

/** A line of the legend: words, and how what they name is drawn. */
export interface LegendLine {
  readonly text: string;
  /** The exact value or more words, on hover. */
  readonly title?: string;
  readonly sample?: LegendSample;
}

export interface LegendSample {
  readonly colour: string;
  /** Lengths of a dash and a gap; absent: drawn through. */
  readonly dash?: readonly [number, number];
}

/** Greatest magnitudes that common scales are chosen by: N or N·m, m, N/m. */
export interface Greatest {
  readonly diagram: number;
  readonly deformation: number;
  readonly load: number;
}

/** What a result is drawn with. */
export interface ShownContext {
  readonly pen: Draughtsman;
  readonly source: DrawnSource;
  readonly forces: Analysed;
  readonly frame: Frame;
  readonly options: DrawingOptions;
  readonly units: Units;
  readonly namer: Namer;
  readonly slice?: Slice;
  /** Whether a member belongs to the slice that is looked at. */
  readonly shown: (member: number) => boolean;
}

/** A kind of result that can be shown. */
export interface ShownKind {
  readonly kind: string;
  /** Heading of its results in lists. */
  readonly group: string;
  /** With what the ids of its results begin; of load cases and combinations they are names that the design gives. */
  readonly prefix?: string;
  /** Its results are shapes: displacements without forces. */
  readonly isShape?: true;
  /** Its results, as far as they are known or can be asked for. */
  list(known: KnownResults): ShownResult[];
  /** Draws the result of that id; undefined where it is none of this kind, or not known. */
  draw(id: string, context: ShownContext): { greatest: Partial<Greatest>; legend: LegendLine[] } | undefined;
}
