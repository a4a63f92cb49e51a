import { attempt } from '../../base/problem.js';
import {
  influenceOf,
  standingForces,
  trainsOf,
  type InfluenceReading,
  type NamedTrain,
  type StandingForce,
  type TrainInfluence,
} from '../influence/index.js';
import type { Question } from './question.js';

/** The trains of an alternative; of one of them what it brings to a reading, or why that cannot be said. */
export interface InfluenceAnswer {
  readonly trains: readonly NamedTrain[];
  readonly influence?: TrainInfluence;
  readonly problem?: string;
}

/** Undefined while the forces are not known. */
export const influence: Question<
  { readonly train?: string; readonly reading?: InfluenceReading },
  InfluenceAnswer | undefined
> = (of, { train, reading }) => {
  if (!of.evaluation) return undefined;
  const trains = trainsOf(of);
  if (train === undefined || reading === undefined || !trains.some(({ id }) => id === train))
    return { trains };
  const outcome = attempt(() => influenceOf(of, train, reading));
  return outcome.ok
    ? { trains, influence: outcome.value }
    : { trains, problem: outcome.problems[0]!.message };
};

/** Where the forces of a train stand while its first is so many m along its line. */
export const trainAt: Question<{ readonly train: string; readonly at: number }, readonly StandingForce[]> = (
  of,
  { train, at },
) => standingForces(of, train, at);
