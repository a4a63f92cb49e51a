import shed from '../../demo/slip-shed.json' with { type: 'json' };
import { buildFrame, type BuiltFrame } from '../build/build.js';
import { validateDesign } from '../document/read.js';
import type { Problem } from '../base/problem.js';
import type { Design, Rule, Step } from '../document/types.js';

/** A document as a design; a spec that writes a wrong one fails. */
export function designOf(document: unknown): Design {
  const outcome = validateDesign(document);
  if (!outcome.ok) throw new Error(outcome.problems.map(({ message }) => message).join(' '));
  return outcome.value;
}

/** A fresh copy of the demo design. */
export const slipShed = (): Design => designOf(structuredClone(shed));

/** The demo design with some parameters set. */
export function slipShedWith(values: Record<string, string>): Design {
  const design = slipShed();
  for (const parameter of design.parameters) parameter.value = values[parameter.name] ?? parameter.value;
  return design;
}

/** A small design of the steps, in S355, of one section, without supports and loads beside those of `more`. */
export function designWith(steps: readonly Step[], more: Partial<Design> = {}): Design {
  const { rules = [], ...rest } = more;
  const sections: Rule = { id: 'sections', members: 'true', section: 'IPE 300', material: 'S355' };
  return designOf({
    format: 'hashira-design',
    version: 2,
    title: 'Spec',
    space: 'solid',
    steps,
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
    ...rest,
    rules: [sections, ...rules],
  });
}

/** The frame of an alternative. */
export function built(design: Design, alternative = 0): BuiltFrame {
  const outcome = buildFrame(design, design.alternatives[alternative]!);
  if (!outcome.ok) throw new Error(outcome.problems.map(({ message }) => message).join(' '));
  return outcome.value;
}

/** What is wrong with the first alternative. */
export function problemsOf(design: Design): readonly Problem[] {
  const outcome = buildFrame(design, design.alternatives[0]!);
  return outcome.ok ? [] : outcome.problems;
}

/** Coordinates of a node, m. */
export function at({ model }: Pick<BuiltFrame, 'model'>, node: string): [number, number, number] {
  const found = model.nodes.find(({ id }) => id === node);
  if (!found) throw new Error(`no node ${node} among ${model.nodes.map(({ id }) => id).join(' ')}`);
  return [found.x, found.y ?? 0, found.z];
}
