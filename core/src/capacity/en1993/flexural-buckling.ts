import { forceExtremes } from '../../results/index.js';
import {
  checkItem,
  logInto,
  type CalculationStep,
  type Check,
  type CheckContext,
  type CheckItem,
} from '../check.js';
import { bucklingCurves, imperfectionFactor, reductionFactor } from './buckling-curves.js';

const clause = '6.3.1.1(1) eq. 6.46';

/**
 * Flexural buckling of a member about y and about z with its own length as buckling length: EN 1993-1-1 6.3.1,
 * NEd ≤ Nb,Rd = χ·A·fy/γM1. The gross area counts (class 4 is not reduced here). No item for a member that is never in
 * compression.
 */
export const flexuralBuckling: Check = (context, withSteps) => {
  const { section } = context;
  if (!section.dimensions)
    return {
      notCovered: `Flexural buckling needs the dimensions of an I section; "${section.id}" gives none.`,
    };
  let worst: { N: number; x: number; combination: string } | undefined;
  for (const { id, field } of context.combinations) {
    const lowest = forceExtremes(field, 'N').min;
    if (lowest.value < 0 && (!worst || lowest.value < worst.N))
      worst = { N: lowest.value, x: lowest.x, combination: id };
  }
  if (!worst) return [];
  return [buckling('y', context, worst, withSteps), buckling('z', context, worst, withSteps)];
};

function buckling(
  axis: 'y' | 'z',
  context: CheckContext,
  worst: { N: number; x: number; combination: string },
  withSteps: boolean,
): CheckItem {
  const { section, fy, length, factors } = context;
  const steps: CalculationStep[] = [];
  const log = logInto(steps);
  const A = section.properties.A;
  const I = axis === 'y' ? section.properties.Iy! : section.properties.Iz!;
  const curve = bucklingCurves(section.dimensions!, section.rolled, fy)[axis];
  const alpha = imperfectionFactor[curve];
  const Ncr = (Math.PI ** 2 * section.material.E * I) / length ** 2;
  const lambdaBar = Math.sqrt((A * fy) / Ncr);
  const { phi, chi } = reductionFactor(lambdaBar, alpha);
  const NbRd = (chi * A * fy) / factors.gammaM1;
  if (withSteps) {
    log('NEd', -worst.N, 'N', 'analysis, compression');
    log(`Lcr,${axis}`, length, 'm', 'the member’s own length');
    log('E', section.material.E, 'N/m2', section.material.id, '3.2.6(1)');
    log(`I${axis}`, I, 'm4', section.title);
    log('A', A, 'm2', section.title);
    log('fy', fy, 'N/m2', `${section.material.id}, thickest part`, 'Table 3.1');
    log(`Ncr,${axis}`, Ncr, 'N', `π²·E·I${axis}/Lcr,${axis}²`, '6.3.1.2(1)');
    log(`λ̄${axis}`, lambdaBar, '', `√(A·fy/Ncr,${axis})`, '6.3.1.2(1)');
    log('α', alpha, '', `buckling curve ${curve}`, 'Tables 6.1 and 6.2');
    log(`Φ${axis}`, phi, '', '0.5·(1 + α·(λ̄ − 0.2) + λ̄²)', '6.3.1.2(1)');
    log(`χ${axis}`, chi, '', '1/(Φ + √(Φ² − λ̄²)) ≤ 1', '6.3.1.2(1) eq. 6.49');
    log('γM1', factors.gammaM1, '', 'recommended value', '6.1(1)');
    log('Nb,Rd', NbRd, 'N', 'χ·A·fy/γM1', '6.3.1.1(3) eq. 6.47');
    log('utilisation', -worst.N / NbRd, '', 'NEd/Nb,Rd', clause);
  }
  return checkItem({
    clause,
    title: `Flexural buckling about ${axis}`,
    axis,
    combination: worst.combination,
    x: worst.x,
    demand: -worst.N,
    capacity: NbRd,
    ...(withSteps ? { steps } : {}),
  });
}
