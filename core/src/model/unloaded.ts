import type { Combination, FrameModel, Load } from './types.js';

const isZero = (values: readonly number[] | undefined): boolean =>
  (values ?? []).every((value) => value === 0);

function isNothing(load: Load): boolean {
  switch (load.kind) {
    case 'node':
    case 'point':
      return isZero(load.F) && isZero(load.M);
    case 'distributed':
      return isZero(load.q);
    case 'temperature':
      return isZero([load.uniform ?? 0, load.gradientY ?? 0, load.gradientZ ?? 0]);
    case 'pretension':
      return load.force === 0;
    case 'settlement':
      return isZero([load.ux ?? 0, load.uy ?? 0, load.uz ?? 0, load.rx ?? 0, load.ry ?? 0, load.rz ?? 0]);
  }
}

/** Strength combinations whose loads add up to nothing at all: what is checked under them passes whatever it is. */
export function unloadedCombinations({
  loadCases = [],
  combinations = [],
  trains = [],
}: FrameModel): Combination[] {
  const acting = new Set(
    loadCases
      .filter(({ loads = [], selfWeight = 0 }) => selfWeight !== 0 || loads.some((load) => !isNothing(load)))
      .map(({ id }) => id),
  );
  for (const train of trains) if (train.forces.some((force) => force !== 0)) acting.add(train.case);
  return combinations.filter(
    ({ state, factors }) =>
      state === 'strength' && !Object.entries(factors).some(([id, factor]) => factor !== 0 && acting.has(id)),
  );
}
