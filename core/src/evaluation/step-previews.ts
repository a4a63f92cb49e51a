import { attempt, type Problem } from '../base/problem.js';
import { drawPreview, stepPicture, type DrawnScene, type PictureSize } from '../drawing/index.js';
import { resolveAlternative } from '../build/resolve.js';
import { runSteps } from '../build/run-steps.js';
import type { Alternative, Design, Step } from '../document/types.js';

/** What a step did, as SVG. */
export interface StepMiniature {
  readonly step: string;
  readonly svg: string;
}

const size: PictureSize = { width: 64, height: 44 };

/** Frames of more members than this are a blot at that size, and slow to draw. */
const mostDrawn = 3000;

/** A small picture of what each step of an alternative did; none of those that fail, are off, or leave too many members. */
export function stepMiniatures(design: Design, alternative: Alternative): StepMiniature[] {
  const outcome = attempt(() => {
    const { design: own, names } = resolveAlternative(design, alternative);
    return runSteps(own, names)
      .results.filter(({ after }) => after.members.size <= mostDrawn)
      .map((result) => ({ step: result.step, svg: stepPicture(result, size) }));
  });
  return outcome.ok ? outcome.value : [];
}

/** What a step would do if it were added at the end: the drawing, or why it would not do. */
export interface Preview {
  readonly scene?: DrawnScene;
  readonly problem?: string;
  /** The field of the step at which it is wrong, where it is at one. */
  readonly field?: string;
}

/** A step before it is accepted, drawn into what is there. */
export function previewStep(design: Design, alternative: Alternative, step: Step): Preview {
  const outcome = attempt((): Preview => {
    const { design: own, names } = resolveAlternative(design, alternative);
    const { results, problems } = runSteps({ space: own.space, steps: [...own.steps, step] }, names);
    const made = results.find((result) => result.step === step.id);
    if (made) return { scene: drawPreview(made, own.space) };
    const problem = problems.find(({ where }) => where['step'] === step.id) ?? problems[0];
    return problem ? told(problem) : {};
  });
  return outcome.ok ? outcome.value : told(outcome.problems[0]!);
}

/** What is wrong, at the first field of the path that it names. */
function told({ message, where }: Problem): Preview {
  const { field } = where;
  return { problem: message, ...(typeof field === 'string' ? { field: field.split('/')[0]! } : {}) };
}
