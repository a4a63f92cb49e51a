import type { FrameModel } from '../model/types.js';

/** A load case or combination as factors on the load cases, in their order. */
export interface ResultSelection {
  readonly id: string;
  readonly kind: 'case' | 'combination';
  /** `strength` or `service` for combinations. */
  readonly state?: 'strength' | 'service';
  readonly factors: Float64Array;
}

/** Every load case, then every combination, as factors. */
export function resultSelections(model: FrameModel): ResultSelection[] {
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
  }));
  return [...single, ...combined];
}
