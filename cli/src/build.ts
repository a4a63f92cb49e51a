import { buildFrame, fail, type Alternative, type Design } from '@hashira/core';
import { parseDesign } from '@hashira/core/validation';
import { readText, valueOf, writeDocument } from './output.js';

/** `hashira build`: design file → frame model of one alternative. */
export async function build(file: string, options: { alternative?: string; out?: string }): Promise<void> {
  const design = valueOf(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  await writeDocument(valueOf(buildFrame(design, alternative)).model, options.out);
}

function findAlternative(design: Design, name: string): Alternative {
  const found = design.alternatives.find((a) => a.id === name || a.title === name);
  if (found) return found;
  const titles = design.alternatives.map((a) => `"${a.title}"`).join(', ');
  return fail('unknown-alternative', `The design has no alternative "${name}"; it has ${titles}.`, {
    alternative: name,
  });
}
