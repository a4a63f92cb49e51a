import type {
  Choice,
  Design,
  FigureSpec,
  DesignLoadCase as LoadCase,
  Option,
  Parameter,
  Rule,
  Step,
} from '../document/types.js';

/** A starting point: a complete design of one kind, with numbers from the first moment on. */
export interface StartingPoint {
  readonly kind: string;
  readonly title: string;
  /** What it is and what its alternatives compare, in one sentence. */
  readonly about: string;
  /** A fresh design. */
  readonly design: () => Design;
}

/** A length that a slider changes. */
export function length(name: string, title: string, value: string, min: string, max: string): Parameter {
  return {
    name,
    title,
    kind: 'quantity',
    quantity: 'length',
    value,
    min,
    max,
    step: '0.1 m',
    group: 'Shape',
  };
}

export function angle(name: string, title: string, value: string, min: string, max: string): Parameter {
  return { name, title, kind: 'quantity', quantity: 'angle', value, min, max, step: '1 deg', group: 'Shape' };
}

export function count(name: string, title: string, value: string, min: string, max: string): Parameter {
  return { name, title, kind: 'quantity', quantity: 'number', value, min, max, step: '1', group: 'Shape' };
}

/** A load on an area, on a line, or a force. */
export function load(
  name: string,
  title: string,
  quantity: 'areaLoad' | 'lineLoad' | 'force',
  value: string,
  max: string,
): Parameter {
  const unit = value.replace(/^[\d.]+ /, '');
  return {
    name,
    title,
    kind: 'quantity',
    quantity,
    value,
    min: `0 ${unit}`,
    max,
    step: `0.05 ${unit}`,
    group: 'Loads',
  };
}

/** A profile of the library. */
export function profile(name: string, title: string, value: string): Parameter {
  return { name, title, kind: 'section', value, group: 'Sections' };
}

/** A rule that gives members the profile of a parameter, in S355. */
export function section(id: string, title: string, members: string, parameter: string): Rule {
  return { id, title, members, section: { parameter }, material: 'S355' };
}

/** Spacing of the frames, and what a roof carries. */
export function roofParameters(spacing: string, roofing: string, snowLoad: string): Parameter[] {
  return [
    length('spacing', 'Frame spacing', spacing, '2 m', '12 m'),
    load('roofing', 'Roofing', 'areaLoad', roofing, '2 kN/m^2'),
    load('snow', 'Snow', 'areaLoad', snowLoad, '4 kN/m^2'),
  ];
}

/** Roofing along the members, snow on their plan. */
export function roofRules(members: string): Rule[] {
  return [
    {
      id: 'roofing',
      title: 'Roofing',
      members,
      load: { case: 'G', direction: 'z', q: '-roofing * spacing' },
    },
    {
      id: 'snow',
      title: 'Snow',
      members,
      load: { case: 'S', direction: 'z', q: '-snow * spacing', per: 'projected' },
    },
  ];
}

/** Floors hold columns at every storey, and beams all along. */
export function heldByFloors(beams: string): Rule[] {
  return [
    {
      id: 'column-lengths',
      title: 'Columns buckle between floors',
      members: 'role == "column"',
      lengths: { Lcy: 'storey_height', Lcz: 'storey_height' },
    },
    {
      id: 'beam-lengths',
      title: 'Floors hold the beams',
      members: beams,
      lengths: { LLT: '0 m', Lcz: '1 m' },
    },
  ];
}

/** Braces of the profile of `brace_section`. */
export function bracing(action: 'axial' | 'tension-only'): Rule & Record<string, unknown> {
  return { ...section('braces', 'Bracing', 'role == "brace"', 'brace_section'), action };
}

export const own: LoadCase = { id: 'G', title: 'Own weight', category: 'permanent', selfWeight: 1 };
export const imposed: LoadCase = { id: 'Q', title: 'Imposed load', category: 'imposed', use: 'B' };
export const snow: LoadCase = { id: 'S', title: 'Snow', category: 'snow', altitude: 'low' };
export const wind: LoadCase = { id: 'W', title: 'Wind from the left', category: 'wind' };

/** An option with its changes. */
export const option = (id: string, title: string, changes: Option['changes'] = {}): Option => ({
  id,
  title,
  changes,
});

export const utilisation: FigureSpec = {
  id: 'utilisation',
  title: 'Utilisation',
  kind: 'utilisation',
  limit: 1,
};
export const mass: FigureSpec = { id: 'mass', title: 'Steel mass', kind: 'mass' };
export const alphaCr: FigureSpec = { id: 'alpha-cr', title: 'Buckling factor αcr', kind: 'bucklingFactor' };

/** Deflection of nodes under service combinations, with a limit. */
export function deflection(
  id: string,
  title: string,
  nodes: string,
  component: 'ux' | 'uy' | 'uz',
  limit: string,
): FigureSpec {
  return { id, title, kind: 'displacement', nodes, component, limit };
}

interface Parts {
  readonly title: string;
  readonly space?: 'plane' | 'solid';
  readonly parameters: readonly Parameter[];
  readonly steps: readonly Step[];
  readonly rules: readonly Rule[];
  readonly loadCases: readonly LoadCase[];
  /** What is varied: one alternative an option. */
  readonly choice: Choice;
  readonly figures: readonly FigureSpec[];
  readonly secondOrder?: boolean;
}

/** A design whose alternatives are the options of one choice, with EN 1990 combinations, checked by EN 1993. */
export function designOfParts({
  title,
  space = 'plane',
  choice,
  secondOrder = false,
  ...parts
}: Parts): Design {
  return {
    format: 'hashira-design',
    version: 2,
    title,
    space,
    analysis: { order: secondOrder ? 2 : 1, imperfections: secondOrder },
    code: { name: 'EN1993' },
    sections: [],
    materials: [],
    axes: [],
    parameters: [...parts.parameters],
    steps: [...parts.steps],
    rules: [...parts.rules],
    loadCases: [...parts.loadCases],
    combinations: [],
    combine: { by: 'EN1990-6.10', states: ['strength', 'service'] },
    choices: [choice],
    alternatives: choice.options.map(({ id, title: name }) => ({
      id,
      title: name.charAt(0).toUpperCase() + name.slice(1),
      picks: { [choice.id]: id },
    })),
    figures: [...parts.figures],
    reference: choice.options[0]!.id,
  };
}
