import type { AnalysisChoice, AxisSet, Design } from '../document/types.js';
import type { OwnSection } from '../sections/table.js';
import type { Section } from '../model/types.js';
import { withFields, withItem, withPath } from './lists.js';

export function setTitle(design: Design, title: string): Design {
  return { ...design, title };
}

/** Sets what every alternative is calculated by. */
export function setAnalysis(design: Design, analysis: Partial<AnalysisChoice>): Design {
  return { ...design, analysis: { ...design.analysis, ...analysis } };
}

/** Adds an own section; nothing changes if its id is taken. */
export function addSection(design: Design, section: Section): Design {
  return { ...design, sections: withItem(design.sections, section) };
}

/** Adds sections that were made, in the material that the design's rules name first; those whose names are taken are left out. */
export function addSections(design: Design, made: readonly OwnSection[]): Design {
  const named = design.rules.find(({ material }) => typeof material === 'string')?.material;
  const material = typeof named === 'string' ? named : 'S355';
  return made.reduce((next, { name, ...rest }) => addSection(next, { id: name, material, ...rest }), design);
}

/** Sets one value of `settingsFields` by its path, such as `space` or `code/gammaM1`; `undefined` takes it back to its recommended value. */
export function setSetting(design: Design, path: string, value: unknown): Design {
  return withPath(design, path.split('/'), value);
}

/** Adds a set of grid lines. */
export function addAxis(design: Design, axis: AxisSet): Design {
  return { ...design, axes: [...design.axes, axis] };
}

/** Sets fields of a set of grid lines by its place in the list. */
export function setAxis(design: Design, index: number, fields: Readonly<Partial<AxisSet>>): Design {
  return { ...design, axes: design.axes.map((one, i) => (i === index ? withFields(one, fields) : one)) };
}

export function removeAxis(design: Design, index: number): Design {
  return { ...design, axes: design.axes.filter((_, i) => i !== index) };
}
