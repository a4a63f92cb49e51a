import type { Combination, FrameModel } from '../model/types.js';

/** Of which combination a state is one, where it has several: another place of a train, another sense of an imperfection. */
export interface Situation {
  readonly combination: string;
  /** What tells it from the combination's other states, in words. */
  readonly words: string;
  /** Numbers of the members that it can govern; absent: all. */
  readonly members?: ReadonlySet<number>;
  /** Its axial forces are next to those of the combination's first state. */
  readonly sameAxialForces?: boolean;
}

/** A load case or combination as factors on the load cases, in their order. */
export interface ResultSelection {
  readonly id: string;
  readonly kind: 'case' | 'combination';
  /** `strength` or `service` for combinations. */
  readonly state?: 'strength' | 'service';
  readonly factors: Float64Array;
  /** Which state of a combination it is, where there are several. */
  readonly situation?: Situation;
}

/** A combination, or one of its states beside the first. */
export type CombinedState = Combination & { readonly situation?: Situation };

/** A model whose combinations may have several states. */
export type ExpandedModel = Omit<FrameModel, 'combinations'> & { combinations?: CombinedState[] };

/** The combination that a selection is of: its own id, but for further states of one. */
export const combinationOf = ({ id, situation }: ResultSelection): string => situation?.combination ?? id;

/** Every load case, then every combination with all its states, as factors. */
export function resultSelections(model: ExpandedModel): ResultSelection[] {
  const cases = model.loadCases ?? [];
  const single = cases.map((loadCase, i): ResultSelection => {
    const factors = new Float64Array(cases.length);
    factors[i] = 1;
    return { id: loadCase.id, kind: 'case', factors };
  });
  const combined = (model.combinations ?? []).map((combination): ResultSelection => ({
    id: combination.id,
    kind: 'combination',
    state: combination.state,
    factors: Float64Array.from(cases, (loadCase) =>
      Object.hasOwn(combination.factors, loadCase.id) ? combination.factors[loadCase.id]! : 0,
    ),
    ...(combination.situation ? { situation: combination.situation } : {}),
  }));
  return [...single, ...combined];
}
