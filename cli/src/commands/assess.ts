import {
  differingLoads,
  metric,
  type AlternativeSummary,
  summaryOf,
  evaluateAlternative,
} from '@hashira/core';
import { parseDesign, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { readText, writeDocument } from '../output.js';
import { progressOf, type CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** The `hashira-assessment` document: what the comparison screen shows of every alternative. */
interface AssessmentFile {
  readonly format: 'hashira-assessment';
  readonly version: 1;
  readonly title: string;
  readonly reference: string;
  readonly alternatives: readonly Assessment[];
}

/** An alternative's verdict, figures (SI, with their limits and places) and members, the worst first. */
type Assessment = Pick<
  AlternativeSummary,
  | 'id'
  | 'status'
  | 'problems'
  | 'alphaCr'
  | 'alphaCrOf'
  | 'alphaCrMember'
  | 'secondOrderNeeded'
  | 'order'
  | 'code'
  | 'figures'
  | 'members'
  | 'notes'
> & { readonly title: string };

/** `hashira assess`: design file → verdict and figures of every alternative, or of one. */
export async function assess(
  file: string,
  options: CommandOptions & { alternative?: string },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const asked =
    options.alternative === undefined ? design.alternatives : [findAlternative(design, options.alternative)];
  useThreads();
  const runs = asked.map((alternative) => {
    const run = evaluateAlternative(
      design,
      alternative,
      'complete',
      progressOf(options.progress, alternative.title),
    );
    return { title: alternative.title, summary: summaryOf(run, '') };
  });
  const alternatives = runs.map(({ title, summary }): Assessment => {
    const {
      id,
      status,
      problems,
      alphaCr,
      alphaCrOf,
      alphaCrMember,
      secondOrderNeeded,
      order,
      code,
      figures,
      members,
      notes,
    } = summary;
    return {
      id,
      title,
      status,
      problems,
      ...(alphaCr === undefined ? {} : { alphaCr, alphaCrOf: alphaCrOf! }),
      ...(alphaCrMember === undefined ? {} : { alphaCrMember }),
      secondOrderNeeded,
      order,
      code,
      figures,
      members,
      notes: [
        ...notes,
        ...differingLoads(summary, runs, metric).map((message) => ({
          code: 'loads-differ',
          message,
          where: {},
        })),
      ],
    };
  });
  const { title, reference } = design;
  const document: AssessmentFile = {
    format: 'hashira-assessment',
    version: 1,
    title,
    reference,
    alternatives,
  };
  await writeDocument(document, options.out);
}
