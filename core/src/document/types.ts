import type { CodeChoice, LoadCategory, Material, Section } from '../model/types.js';
import type { QuantityName } from '../units/quantities.js';
import type { Written, WrittenList } from '../language/evaluate.js';

/** Text of the expression language, e.g. `22 m`, `span / 8`, `-(g_roof * spacing)`. */
export type Expression = string;

/** The document that is saved: everything else is computed from it. Lists that a file leaves out are empty. */
export interface Design {
  format: 'hashira-design';
  version: 2;
  title: string;
  space: 'plane' | 'solid';
  /** What every alternative is calculated by. */
  analysis: AnalysisChoice;
  code: CodeChoice;
  /** Own sections and materials, as in the frame model. */
  sections: Section[];
  materials: Material[];
  parameters: Parameter[];
  axes: AxisSet[];
  steps: Step[];
  rules: Rule[];
  loadCases: DesignLoadCase[];
  combinations: DesignCombination[];
  combine?: Combine;
  choices: Choice[];
  alternatives: Alternative[];
  figures: FigureSpec[];
  /** Id of the alternative that differences refer to. */
  reference: string;
  decision?: Decision;
}

/** The alternative that was decided for, and why. */
export interface Decision {
  alternative: string;
  note?: string;
}

export interface AnalysisChoice {
  order: 1 | 2;
  /** Sway and bow imperfections in every strength combination. */
  imperfections: boolean;
  /** Load cases whose downward loads count as masses in modes, with a factor each. */
  massFrom?: Record<string, number>;
}

/** A named value with one place: a number with a unit, or the name of a section or material. */
export type Parameter = QuantityParameter | NameParameter;

export interface QuantityParameter {
  name: string;
  title: string;
  kind: 'quantity';
  quantity: QuantityName;
  value: Expression;
  /** Range of the slider; a value outside is an error. */
  min?: Expression;
  max?: Expression;
  /** Step of the slider and of the arrow keys. */
  step?: Expression;
  /** Heading under which it stands. */
  group?: string;
}

export interface NameParameter {
  name: string;
  title: string;
  kind: 'section' | 'material';
  value: string;
  group?: string;
}

/** Labelled grid lines: a first position, then spacings; `4 * 6 m` repeats. */
export interface AxisSet {
  along: 'x' | 'y' | 'z';
  at: Expression[];
  names: 'A' | '1';
}

/** One entry of the recipe; its other fields are those of its kind. */
export interface Step {
  id: string;
  title?: string;
  off?: boolean;
  make?: string;
  edit?: string;
  at?: Written[];
  turn?: Written;
  [field: string]: unknown;
}

/** A section, material or support given by name, or by a name parameter. */
export type NameReference = string | { parameter: string };

/** What all members or nodes that match get. Later rules win. What it gives is declared by the kinds of `rules/kinds/`, each its own fields. */
export interface Rule {
  id: string;
  title?: string;
  off?: boolean;
  /** Condition on members, or on nodes: exactly one of the two. */
  members?: Expression;
  nodes?: Expression;
}

/** Buckling lengths and the distance of lateral restraints that the checks take, see the frame model's `design`. */
export type LengthsRule = Partial<Record<'Lcy' | 'Lcz' | 'LT', Written>> & {
  LLT?: Written | { top: Written; bottom: Written };
};

/** A usual support, or by freedom `fixed` or an expression for a spring. */
export type SupportKind = 'fixed' | 'pinned' | 'roller' | Partial<Record<string, Written>>;

/** Forces that are released, or with a spring each. */
export type HingeRule = string[] | Record<string, Written>;

/** A force by its components, or by its size and angle. */
export type ForceRule = Written[] | { size: Written; angle: Written; turn?: Written };

export type LoadRule =
  | {
      case: string;
      kind?: 'line';
      axes?: 'global' | 'local';
      direction: 'x' | 'y' | 'z';
      /** Positive along the direction; two for start and end. */
      q: Written | [Written, Written];
      from?: Written;
      to?: Written;
      per?: 'length' | 'projected';
    }
  | { case: string; kind: 'point'; at: Written; axes?: 'global' | 'local'; F?: ForceRule; M?: Written[] }
  | { case: string; kind: 'temperature'; uniform?: Written; gradientY?: Written; gradientZ?: Written }
  | { case: string; kind: 'pretension'; force: Written }
  | { case: string; kind: 'node'; F?: ForceRule; M?: Written[] }
  | ({ case: string; kind: 'settlement' } & Partial<
      Record<'ux' | 'uy' | 'uz' | 'rx' | 'ry' | 'rz', Written>
    >);

export interface AreaRule {
  case: string;
  direction: 'x' | 'y' | 'z';
  q: Written;
  share?: 'two-way' | 'x' | 'y' | 'long' | 'short';
  per?: 'length' | 'projected';
}

export interface TrainRule {
  case: string;
  forces: WrittenList;
  gaps: WrittenList;
  direction?: string;
}

export interface DesignLoadCase {
  id: string;
  title: string;
  category: LoadCategory;
  /** Use of an imposed load (EN 1990 Table A1.1); of snow the altitude: low up to 1000 m. */
  use?: 'A' | 'B' | 'C' | 'D' | 'E' | 'F' | 'G' | 'H';
  altitude?: 'low' | 'high';
  /** Factor on own weight. */
  selfWeight?: number;
  /** Cases that never act with this one. */
  excludes?: string[];
}

export interface DesignCombination {
  id: string;
  title?: string;
  state: 'strength' | 'service';
  factors: Record<string, number>;
}

/** Combinations made by a code's rule. */
/**
 * What combinations are made for: resistance; characteristic and quasi-permanent values; frequent or quasi-permanent ones alone;
 * anchorage; accidental and seismic situations.
 */
export type CombineState =
  | 'strength'
  | 'service'
  | 'frequent'
  | 'quasi-permanent'
  | 'equilibrium'
  | 'accidental'
  | 'seismic';

export interface Combine {
  by: string;
  states: CombineState[];
}

/** Something to vary, and its options. */
export interface Choice {
  id: string;
  title: string;
  options: Option[];
}

export interface Option {
  id: string;
  title: string;
  changes: Changes;
}

/** A step or rule with the fields that change; an id that is not known yet is added. */
export type Patch = { id: string; after?: string; off?: boolean } & Record<string, unknown>;

/** Changes to a design: parameter values, fields of steps and rules by id, steps and rules added. */
export interface Changes {
  parameters?: Record<string, string>;
  steps?: Patch[];
  rules?: Patch[];
}

/** The design with one option of each choice, and perhaps other parameter values; stored as its differences. */
export interface Alternative {
  id: string;
  title: string;
  /** Choice id → option id; a choice that is not named takes its first option. */
  picks: Record<string, string>;
  parameters?: Record<string, string>;
}

/** A figure that alternatives are compared by; its kinds are in `compare/figures`. */
export interface FigureSpec {
  id: string;
  title: string;
  kind: string;
  members?: Expression;
  nodes?: Expression;
  component?: string;
  /** Of a reaction: the greatest magnitude (default), the greatest value, or the least, such as uplift. */
  sense?: 'magnitude' | 'greatest' | 'least';
  number?: number;
  limit?: Written;
  judgedBy?: 'strength' | 'service' | 'none';
  rates?: Record<string, Written>;
}
