import { fail } from '../base/problem.js';
import type { Condition } from '../language/evaluate.js';
import type { Geometry, GeometryMember, GeometryNode } from '../geometry/geometry.js';
import { Tagged } from '../geometry/select.js';
import { condition, optional } from '../fields/index.js';
import type { StepContext } from './step.js';

type Matches = Condition | undefined;

/** The field by which an edit selects members. */
export const selectsMembers = optional(
  condition('members', {
    title: 'Members',
    about: 'Which members it is for; left out: all that came before.',
  }),
);
/** The field by which an edit selects nodes. */
export const selectsNodes = optional(
  condition('nodes', { title: 'Nodes', about: 'Which nodes it is for; left out: all that came before.' }),
);

/** The members an edit is for. @throws ProblemError `nothing-selected` */
export function selectMembers(
  before: Geometry,
  matches: Matches,
  { id, written }: StepContext,
  field = 'members',
): GeometryMember[] {
  const found = matches ? Tagged.of(before).selectMembers(matches) : [...before.members.values()];
  return found.length > 0 ? found : nothing(id, field, written[field]);
}

/** The nodes an edit is for. @throws ProblemError `nothing-selected` */
export function selectNodes(
  before: Geometry,
  matches: Matches,
  { id, written }: StepContext,
  field = 'nodes',
): GeometryNode[] {
  const found = matches ? Tagged.of(before).selectNodes(matches) : [...before.nodes.values()];
  return found.length > 0 ? found : nothing(id, field, written[field]);
}

function nothing(id: string, field: string, condition: unknown): never {
  const what = field === 'members' || field === 'panels' || field === 'by' ? 'members' : 'nodes';
  return fail(
    'nothing-selected',
    typeof condition === 'string'
      ? `Step "${id}" selects no ${what}: nothing that stands before it matches "${condition}". Change the condition or the order of the steps.`
      : `Step "${id}" selects no ${what}: there are none before it. Put it behind a step that makes some.`,
    { step: id, field },
  );
}

/** A stretch of a physical member that is selected: consecutive pieces. */
export interface Run {
  readonly line: string;
  readonly pieces: readonly string[];
  /** The whole physical member is selected. */
  readonly whole: boolean;
}

/** Selected members as stretches of physical members. */
export function runsOf(geometry: Geometry, selected: readonly GeometryMember[]): Run[] {
  const chosen = new Set(selected.map(({ id }) => id));
  const lines = new Set(selected.map(({ line }) => line));
  const runs: Run[] = [];
  for (const line of lines) {
    const { members } = geometry.lines.get(line)!;
    let pieces: string[] = [];
    const close = () => {
      if (pieces.length > 0) runs.push({ line, pieces, whole: pieces.length === members.length });
      pieces = [];
    };
    for (const id of members)
      if (chosen.has(id)) pieces.push(id);
      else close();
    close();
  }
  return runs;
}
