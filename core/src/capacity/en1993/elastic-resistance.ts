import { forceAt, forceCandidates } from '../../results/index.js';
import type { MemberField } from '../../analysis/index.js';
import { checkItem, logInto, type CalculationStep, type Check, type CheckContext } from '../check.js';

/** The forces at one place of the member. */
interface Forces {
  N: number;
  Vy: number;
  Vz: number;
  My: number;
  Mz: number;
}

/** Stresses at one point of the cross-section, magnitudes that add, Pa. */
interface PointStress {
  point: string;
  sigma: number;
  tau: number;
  sigmaFrom: string;
  tauFrom: string;
}

const clause = '6.2.1(5) eq. 6.1';

/**
 * Elastic cross-section resistance of an I section with N, V and M: EN 1993-1-1 6.2.1(5), eq. 6.1.
 *
 * The demand is √((σ/fyd)² + 3(τ/fyd)²), the square root of the equation's left side, so that it grows in proportion to
 * the load and passes at the same place. Looked at are the tip and the middle of the flange, the end of the web at the
 * fillet, and the middle of the web; τ by eq. 6.20 with the true first moments of area.
 */
export const elasticResistance: Check = (context, withSteps) => {
  const { section } = context;
  if (!section.dimensions)
    return {
      notCovered: `Elastic resistance needs the dimensions of an I section; "${section.id}" gives none.`,
    };
  const fyd = context.fy / context.factors.gammaM0;
  let worst: { demand: number; combination: string; x: number; forces: Forces } | undefined;
  for (const { id, field } of context.combinations)
    for (const { x, before } of places(field)) {
      const forces = forcesAt(field, x, before);
      for (const stress of stresses(context, forces)) {
        const demand = vonMises(stress) / fyd;
        if (!worst || demand > worst.demand) worst = { demand, combination: id, x, forces };
      }
    }
  if (!worst) return [];
  const steps = withSteps ? explain(context, worst.forces, fyd) : undefined;
  return [
    checkItem({
      clause,
      title: 'Cross-section, elastic: N, V, M',
      combination: worst.combination,
      x: worst.x,
      demand: worst.demand,
      capacity: 1,
      ...(steps ? { steps } : {}),
    }),
  ];
};

function vonMises(stress: PointStress): number {
  return Math.sqrt(stress.sigma ** 2 + 3 * stress.tau ** 2);
}

/** Places looked at: ends and turning points of every force, both sides of jumps, and eighths between. */
function places(field: MemberField): { x: number; before: boolean }[] {
  const out: { x: number; before: boolean }[] = [];
  for (let s = 0; s + 1 < field.breaks.length; s++) {
    const from = field.breaks[s]!;
    const to = field.breaks[s + 1]!;
    for (let i = 0; i <= 8; i++) out.push({ x: from + ((to - from) * i) / 8, before: i === 8 });
  }
  const length = field.breaks[field.breaks.length - 1]!;
  for (const name of ['My', 'Mz'] as const)
    for (const { x } of forceCandidates(field, name)) if (x > 0 && x < length) out.push({ x, before: false });
  return out;
}

function forcesAt(field: MemberField, x: number, before: boolean): Forces {
  return {
    N: forceAt(field, 'N', x, before),
    Vy: forceAt(field, 'Vy', x, before),
    Vz: forceAt(field, 'Vz', x, before),
    My: forceAt(field, 'My', x, before),
    Mz: forceAt(field, 'Mz', x, before),
  };
}

function stresses({ section }: CheckContext, f: Forces): PointStress[] {
  const { h, b, tw, tf, r } = section.dimensions!;
  const { A, Iy, Wely, Welz, Wply } = section.properties as Required<typeof section.properties>;
  const N = Math.abs(f.N) / A;
  const My = Math.abs(f.My);
  const Mz = Math.abs(f.Mz);
  const Vy = Math.abs(f.Vy);
  const Vz = Math.abs(f.Vz);
  const webEnd = h / 2 - tf - r;
  // First moments: half the plastic modulus above the axis, less the web up to the level for the web's end
  const atAxis = Wply / 2;
  const atWebEnd = atAxis - (tw * webEnd ** 2) / 2;
  return [
    {
      point: 'tip of the flange',
      sigma: N + My / Wely + Mz / Welz,
      tau: 0,
      sigmaFrom: '|N|/A + |My|/Wel,y + |Mz|/Wel,z',
      tauFrom: 'no shear at a free edge',
    },
    {
      point: 'middle of the flange',
      sigma: N + My / Wely,
      tau: (1.5 * Vy) / (2 * b * tf),
      sigmaFrom: '|N|/A + |My|/Wel,y',
      tauFrom: '1.5·|Vy|/(2·b·tf)',
    },
    {
      point: 'end of the web at the fillet',
      sigma: N + (My / Iy) * webEnd,
      tau: (Vz * atWebEnd) / (Iy * tw),
      sigmaFrom: '|N|/A + |My|·z/Iy',
      tauFrom: '|Vz|·S/(Iy·tw)',
    },
    {
      point: 'middle of the web',
      sigma: N,
      tau: (Vz * atAxis) / (Iy * tw),
      sigmaFrom: '|N|/A',
      tauFrom: '|Vz|·S/(Iy·tw)',
    },
  ];
}

function explain(context: CheckContext, forces: Forces, fyd: number): CalculationStep[] {
  const steps: CalculationStep[] = [];
  const log = logInto(steps);
  const { section } = context;
  const p = section.properties;
  log('fy', context.fy, 'N/m2', `${section.material.id}, thickest part`, 'Table 3.1');
  log('γM0', context.factors.gammaM0, '', 'recommended value', '6.1(1)');
  log('A', p.A, 'm2', section.title);
  log('Wel,y', p.Wely!, 'm3', section.title);
  log('Iy', p.Iy!, 'm4', section.title);
  log('NEd', forces.N, 'N', 'analysis');
  log('Vz,Ed', forces.Vz, 'N', 'analysis');
  log('My,Ed', forces.My, 'N·m', 'analysis');
  if (forces.Mz !== 0) log('Mz,Ed', forces.Mz, 'N·m', 'analysis');
  const worst = stresses(context, forces).reduce((a, b) => (vonMises(b) > vonMises(a) ? b : a));
  log('σx,Ed', worst.sigma, 'N/m2', `${worst.sigmaFrom}, ${worst.point}`, '6.2.1(5)');
  log('τEd', worst.tau, 'N/m2', `${worst.tauFrom}, ${worst.point}`, '6.2.6(4) eq. 6.20');
  const left = (worst.sigma / fyd) ** 2 + 3 * (worst.tau / fyd) ** 2;
  log('left side', left, '', '(σx,Ed/(fy/γM0))² + 3·(τEd/(fy/γM0))²', clause);
  log('utilisation', Math.sqrt(left), '', '√(left side), limit 1', clause);
  return steps;
}
