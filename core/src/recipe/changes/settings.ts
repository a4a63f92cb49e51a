import type { AnalysisChoice, Design } from '../types.js';
import type { CodeChoice, Section } from '../../model/types.js';
import { withFields, withItem, without } from './lists.js';

export function setTitle(design: Design, title: string): Design {
  return { ...design, title };
}

/** Sets what every alternative is calculated by. */
export function setAnalysis(design: Design, analysis: Partial<AnalysisChoice>): Design {
  return { ...design, analysis: { ...design.analysis, ...analysis } };
}

/** Sets fields of the design code's choice; `undefined` takes one back to its recommended value. */
export function setCode(
  design: Design,
  fields: Readonly<Partial<Record<keyof CodeChoice, unknown>>>,
): Design {
  return { ...design, code: withFields(design.code, fields) };
}

/** Adds an own section; nothing changes if its id is taken. */
export function addSection(design: Design, section: Section): Design {
  return { ...design, sections: withItem(design.sections, section) };
}

export function removeSection(design: Design, id: string): Design {
  return { ...design, sections: without(design.sections, id) };
}
