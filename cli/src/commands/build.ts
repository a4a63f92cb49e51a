import {
  type Alternative,
  buildFrame,
  type Design,
  fail,
  parseDesign,
  unwrapped,
} from '@hashira/core/validation';
import { readText, writeDocument, writeNotes } from '../output.js';

/** `hashira build`: design file → frame model of one alternative; what is worth saying goes to standard error. */
export async function build(file: string, options: { alternative?: string; out?: string }): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  const { model, notes } = unwrapped(buildFrame(design, alternative));
  writeNotes(notes);
  await writeDocument(model, options.out);
}

/** The alternative of that id or title. @throws ProblemError `unknown-alternative` */
export function findAlternative(design: Design, name: string): Alternative {
  const found = design.alternatives.find((a) => a.id === name || a.title === name);
  if (found) return found;
  const titles = design.alternatives.map((a) => `"${a.title}"`).join(', ');
  return fail('unknown-alternative', `The design has no alternative "${name}"; it has ${titles}.`, {
    alternative: name,
  });
}
