import { prepareFrame, solveStatic } from '../analysis/index.js';
import type { FrameModel } from '../model/types.js';
import { attempt, problem, ProblemError, type Outcome } from '../problem.js';
import {
  appliedResultants,
  equilibrium,
  memberField,
  memberStations,
  resultSelections,
  superpose,
  type Station,
} from '../results/index.js';

/** One load case or combination in a results file; SI, global axes unless the frame model says otherwise. */
export interface ResultEntry {
  order: 1;
  iterations: 1;
  nodes: Record<string, { u: number[]; r: number[] }>;
  reactions: Record<string, { F: number[]; M: number[] }>;
  members: Record<string, Station[]>;
  slack: string[];
  equilibrium: { applied: number[]; reactions: number[]; residual: number };
}

/** The `hashira-results` document. */
export interface ResultsFile {
  format: 'hashira-results';
  version: 1;
  results: Record<string, ResultEntry>;
  notes: string[];
}

/**
 * Analyses a checked model and lays the results out as a `hashira-results` document.
 *
 * @param stations equally spaced places along each member, at least 2
 */
export function solveToFile(model: FrameModel, stations = 11): Outcome<ResultsFile> {
  return attempt(() => {
    const frame = prepareFrame(model);
    const solved = solveStatic(frame);
    if (!solved.ok) throw new ProblemError(solved.problems);
    const results = solved.value;
    const resultants = appliedResultants(frame);
    const entries: Record<string, ResultEntry> = {};
    for (const { id, factors } of resultSelections(model)) {
      const u = superpose(results.displacements, factors);
      const r = superpose(results.reactions, factors);
      const six = (values: Float64Array, n: number) => ({
        first: [...values.subarray(6 * n, 6 * n + 3)],
        second: [...values.subarray(6 * n + 3, 6 * n + 6)],
      });
      const balance = equilibrium(frame, results, resultants, factors);
      entries[id] = {
        order: 1,
        iterations: 1,
        nodes: Object.fromEntries(
          frame.nodeIds.map((node, n) => {
            const { first, second } = six(u, n);
            return [node, { u: first, r: second }];
          }),
        ),
        reactions: Object.fromEntries(
          (model.supports ?? []).map(({ node }) => {
            const { first, second } = six(r, frame.nodeIndex.get(node)!);
            return [node, { F: first, M: second }];
          }),
        ),
        members: Object.fromEntries(
          frame.memberIds.map((member, m) => [
            member,
            memberStations(frame, memberField(frame, results, m, factors), m, stations),
          ]),
        ),
        slack: [],
        equilibrium: {
          applied: [...balance.applied],
          reactions: [...balance.reactions],
          residual: balance.residual,
        },
      };
    }
    assertFinite(entries, '/results');
    return { format: 'hashira-results', version: 1, results: entries, notes: [...results.notes] };
  });
}

/** A number that is not finite never reaches an output. */
function assertFinite(value: unknown, path: string): void {
  if (typeof value === 'number' && !Number.isFinite(value))
    throw new ProblemError([
      problem(
        'not-finite',
        `The analysis overflowed at ${path}; the model's stiffnesses or loads are too far apart.`,
        { path },
      ),
    ]);
  if (value !== null && typeof value === 'object')
    for (const [key, item] of Object.entries(value)) assertFinite(item, `${path}/${key}`);
}
