import { foundationsOf, massRate, type Foundation, type MassRate } from '../comparison/index.js';
import { scheduleOf, type Standing } from '../schedule/schedule.js';
import type { Question } from './question.js';

/** What alternatives are compared by beside their figures. */
export interface MakeUp {
  /** What gives members their section, in the design's order, with the worst member of each. */
  readonly groups: readonly MadeGroup[];
  readonly foundations: readonly Foundation[];
  readonly mass?: MassRate;
}

export interface MadeGroup {
  readonly id: string;
  readonly title: string;
  readonly section: string;
  readonly standing?: Standing;
  readonly utilisation?: number;
  /** Name of the worst member. */
  readonly worst?: string;
}

/** Sections, utilisation by group, foundation loads and mass of an alternative; undefined before its members are checked. */
export const makeUp: Question<object, MakeUp | undefined> = (of) => {
  const { evaluation, namer, problems } = of;
  const scheduled = scheduleOf(of);
  if (!scheduled || !evaluation || !namer || problems.length > 0) return undefined;
  const mass = massRate(evaluation.forces.frame);
  return {
    groups: scheduled.map(({ group: { id, title, section }, members: [worst] }): MadeGroup => ({
      id,
      title,
      section,
      ...(worst ? { standing: worst.standing, worst: worst.title } : {}),
      ...(worst?.utilisation === undefined ? {} : { utilisation: worst.utilisation }),
    })),
    foundations: foundationsOf(evaluation.forces, namer),
    ...(mass ? { mass } : {}),
  };
};
