import type { Design, Step } from '../document/types.js';
import { freeId } from './ids.js';
import { changed, movedTo, withFields, withItem, withPath, without } from './lists.js';
import { withoutPatches } from './choices/patches.js';

/** Sets fields of a step; `undefined` takes a field away. */
export function setStep(design: Design, id: string, fields: Readonly<Record<string, unknown>>): Design {
  return { ...design, steps: changed(design.steps, id, (step) => withFields(step, fields)) };
}

/** Sets one field within a step by its path, such as `bays/0` or `deck/height`. */
export function setStepField(design: Design, id: string, path: string, value: unknown): Design {
  return { ...design, steps: changed(design.steps, id, (step) => withPath(step, path.split('/'), value)) };
}

/** Adds a step at a place of the recipe, at the end without one. */
export function addStep(design: Design, step: Step, index?: number): Design {
  return { ...design, steps: withItem(design.steps, step, index) };
}

/** Adds a copy of a step behind it. */
export function duplicateStep(design: Design, id: string): { design: Design; id: string } {
  const index = design.steps.findIndex((step) => step.id === id);
  const step = design.steps[index]!;
  const copy = {
    ...step,
    id: freeId(
      id,
      design.steps.map((one) => one.id),
    ),
  };
  return { design: addStep(design, copy, index + 1), id: copy.id };
}

/** Removes a step, also what options change of it; what refers to it stays and is reported. */
export function removeStep(design: Design, id: string): Design {
  return withoutPatches({ ...design, steps: without(design.steps, id) }, 'steps', [id]);
}

/** Moves a step to another place of the recipe. */
export function moveStep(design: Design, id: string, index: number): Design {
  return { ...design, steps: movedTo(design.steps, id, index) };
}

/** Switches a step on or off. */
export function switchStep(design: Design, id: string, on: boolean): Design {
  return setStep(design, id, { off: on ? undefined : true });
}
