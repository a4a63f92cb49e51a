import type { PlasticLoads } from '../../analysis/index.js';
import type { FrameModel } from '../../model/types.js';
import { withOwnLoads } from '../stages/index.js';
import type { RaisedLoads } from './loads.js';

/**
 * The model and its factors with what its code brings in beside the loads: imperfections under the constant part stay, what they grow
 * by under the raised one grows with it.
 */
export function withImperfections(
  given: FrameModel,
  { constant, raised }: RaisedLoads,
  secondOrder: boolean,
): { model: FrameModel; loads: PlasticLoads; notes: readonly string[] } {
  const both: Record<string, number> = { ...constant };
  for (const [id, factor] of Object.entries(raised)) both[id] = (both[id] ?? 0) + factor;
  const hasConstant = Object.values(constant).some((factor) => factor !== 0);
  const combinations = [
    ...(hasConstant ? [{ id: 'constant', state: 'strength' as const, factors: { ...constant } }] : []),
    { id: 'with what is raised', state: 'strength' as const, factors: both },
  ];
  const { model, notes } = withOwnLoads({ ...given, combinations }, secondOrder, undefined);
  const factorsOf = (id: string) => model.combinations?.find((one) => one.id === id)?.factors ?? {};
  const cases = model.loadCases ?? [];
  const all = factorsOf('with what is raised');
  const first: Readonly<Record<string, number>> = hasConstant ? factorsOf('constant') : {};
  return {
    model: { ...model, combinations: [] },
    loads: {
      constant: Float64Array.from(cases, ({ id }) => first[id] ?? 0),
      raised: Float64Array.from(cases, ({ id }) => (all[id] ?? 0) - (first[id] ?? 0)),
    },
    notes,
  };
}
