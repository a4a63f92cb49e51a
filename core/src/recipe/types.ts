import type { Freedom, Nature, Release } from '../model/types.js';
import type { QuantityName } from '../units/quantities.js';

/** Text of the expression language, e.g. `22 m`, `span / 8`, `-(g_roof * spacing)`. */
export type Expression = string;

/** The document that is saved: everything else is computed from it. */
export interface Design {
  format: 'hashira-design';
  version: 1;
  title: string;
  space: 'plane' | 'solid';
  parameters: Parameter[];
  steps: Step[];
  rules: Rule[];
  loadCases: DesignLoadCase[];
  combinations: DesignCombination[];
  choices: Choice[];
  alternatives: Alternative[];
  /** Id of the alternative that differences refer to. */
  reference: string;
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
}

export interface NameParameter {
  name: string;
  title: string;
  kind: 'section' | 'material';
  value: string;
}

/** One entry of the recipe. */
export type Step = PortalStep;

export interface PortalStep {
  id: string;
  make: 'portal';
  /** Widths of the bays, left to right. */
  bays: Expression[];
  /** Height of the eaves above the bases. */
  eaves: Expression;
  roof: 'flat' | 'mono' | 'duo';
  /** Slope of the roof; not used by a flat one. */
  pitch?: Expression;
}

/** A section, material or support given by name, or by a name parameter. */
export type NameReference = string | { parameter: string };

/** What all members or nodes that match `where` get. Later rules win. */
export interface Rule {
  id: string;
  title?: string;
  where: Expression;
  set?: { section?: NameReference; material?: NameReference; lengths?: LengthsRule };
  support?: SupportKind;
  /** Released at all but one of the members that meet at the node. */
  hinge?: Release[];
  load?: LineLoadRule;
}

/** Buckling lengths and the distance of lateral restraints that the checks take, see the frame model's `design`. */
export type LengthsRule = Partial<Record<'Lcy' | 'Lcz' | 'LT' | 'LLT', Expression>>;

/** A usual support, or by freedom `fixed` or an expression for a spring. */
export type SupportKind = 'fixed' | 'pinned' | 'roller' | Partial<Record<Freedom, Expression>>;

export interface LineLoadRule {
  case: string;
  axes?: 'global' | 'local';
  direction: 'x' | 'y' | 'z';
  /** Positive along the direction. */
  q: Expression;
  per?: 'length' | 'projected';
}

export interface DesignLoadCase {
  id: string;
  title: string;
  nature: Nature;
  /** Factor on own weight. */
  selfWeight?: number;
}

export interface DesignCombination {
  id: string;
  title?: string;
  state: 'strength' | 'service';
  factors: Record<string, number>;
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

/** Changes to a design: parameter values, fields of steps, rules replaced (same id) or added. */
export interface Changes {
  parameters?: Record<string, string>;
  steps?: Record<string, Partial<Omit<PortalStep, 'id' | 'make'>>>;
  rules?: Rule[];
}

/** The design with one option of each choice, and perhaps other parameter values; stored as its differences. */
export interface Alternative {
  id: string;
  title: string;
  /** Choice id → option id; a choice that is not named takes its first option. */
  picks: Record<string, string>;
  parameters?: Record<string, string>;
}

/** Where a generated node is. */
export type Place = 'base' | 'eaves' | 'apex' | 'valley';

/** What a generated member is. */
export type Role = 'column' | 'rafter';
