import { buildFrame, cutList, cutListCsv, parseDesign, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { readText, writeDocument, writeNotes, writeTextTo } from '../output.js';

/** `hashira cutlist`: design file → pieces of steel of one alternative, as JSON (SI) or CSV (mm, degrees, kg). */
export async function cutlist(
  file: string,
  options: { alternative?: string; csv?: boolean; out?: string },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  const { notes, ...list } = cutList(unwrapped(buildFrame(design, alternative)));
  writeNotes(notes);
  if (options.csv) await writeTextTo(cutListCsv({ ...list, notes }), options.out);
  else await writeDocument({ format: 'hashira-cutlist', version: 1, ...list }, options.out);
}
