import { forceAt, type ForceName, type ResultSelection } from '../../results/index.js';
import { joinedFieldOf, isCovered, type MemberCheck } from '../../checks/index.js';
import type { EvaluatedAlternative } from '../alternative.js';
import type { FigureResult } from '../figures/index.js';
import { byLoadCase, type CaseShares } from './load-cases.js';

/** A force at the place of a governing condition, with its load cases. */
export interface ForceShare extends CaseShares {
  readonly component: ForceName;
  /** N, N·m. */
  readonly value: number;
}

const names: readonly ForceName[] = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** The governing condition of a utilisation, and the forces at its place. */
export function conditionForces(
  of: EvaluatedAlternative,
  selection: ResultSelection,
  { member, x = 0, value: used }: FigureResult,
  checks: readonly MemberCheck[],
): {
  readonly condition?: { readonly clause: string; readonly title: string };
  readonly forces: readonly ForceShare[];
} {
  const { forces } = of.evaluation!;
  const { frame, states } = forces;
  const check = checks.find((one) => one.member === member && one.utilisation === used)!;
  const pieces = check.of.map((id) => frame.memberIndex.get(id)!);
  const at = (id: string, name: ForceName) => {
    const state = states.get(id)!;
    return forceAt(
      joinedFieldOf(pieces, frame.length, (m) => state.field(m)),
      name,
      x,
    );
  };
  const size = Math.max(...names.map((name) => Math.abs(at(selection.id, name))));
  const { governs } = check;
  return {
    ...(governs && isCovered(governs) ? { condition: { clause: governs.clause, title: governs.title } } : {}),
    forces: names.flatMap((component): ForceShare[] => {
      const value = at(selection.id, component);
      if (Math.abs(value) <= 1e-9 * size) return [];
      const valueIn = (state: { readonly field: (m: number) => ReturnType<typeof joinedFieldOf> }) =>
        forceAt(
          joinedFieldOf(pieces, frame.length, (m) => state.field(m)),
          component,
          x,
        );
      return [{ component, value, ...byLoadCase(of, selection, valueIn) }];
    }),
  };
}
