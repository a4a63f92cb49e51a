import { prepareEquations, prepareFrame, vibrationModes } from '../src/analysis/index.js';
import type { FrameModel, Material, Member, Section } from '../src/model/types.js';
import {
  clamped,
  displacement,
  model,
  stateOf,
  steel,
  type VerificationCase,
  type VerificationGroup,
} from './case.js';

const pieces = 64;
type Named = Partial<Member> & { id: string; start: string; end: string };

/** Members in line through points. */
const chain = (count: number, roll: (i: number) => number = () => 0): Named[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `m${i}`,
    start: `n${i}`,
    end: `n${i + 1}`,
    roll: roll(i),
  }));

/** A quarter of a circle of radius R in plan, clamped at its start, with a force on its tip. */
function quarter(R: number, F: [number, number, number], changes: Partial<FrameModel>): FrameModel {
  const points = Object.fromEntries(
    Array.from({ length: pieces + 1 }, (_, i) => {
      const angle = (Math.PI / 2) * (i / pieces);
      return [`n${i}`, [R * Math.sin(angle), R * (1 - Math.cos(angle)), 0]];
    }),
  );
  return model(points, chain(pieces), [clamped('n0')], [{ kind: 'node', node: `n${pieces}`, F }], changes);
}
const tip = `n${pieces}`;

const R = 5;
const round: Section = { id: 's', material: 'steel', properties: { A: 0.01, Iy: 1e-6, Iz: 1e-6, J: 2e-6 } };
const EI = steel.E * 1e-6;
const GJ = steel.G * 2e-6;
const mu = steel.density * 0.01;

/** A whole circle without supports: modes beyond its six rigid motions. */
function ringFrequencies(): number[] {
  const points = Object.fromEntries(
    Array.from({ length: pieces }, (_, i) => {
      const angle = (2 * Math.PI * i) / pieces;
      return [`n${i}`, [R * Math.cos(angle), R * Math.sin(angle), 0]];
    }),
  );
  const members = chain(pieces).map((one, i) => ({ ...one, end: `n${(i + 1) % pieces}` }));
  const frame = prepareFrame(model(points, members, [], [], { sections: [round] }));
  return vibrationModes(prepareEquations(frame), 14)
    .map(({ frequency }) => frequency)
    .filter((f) => f > 1e-6);
}
const ring = (n: number, more: number) =>
  Math.sqrt(((n * (n * n - 1)) ** 2 / (n * n + more)) * (EI / (mu * R ** 4))) / (2 * Math.PI);
const nearest = (wanted: number) =>
  ringFrequencies().reduce((a, b) => (Math.abs(b - wanted) < Math.abs(a - wanted) ? b : a));
const ringCase = (n: number, out: boolean): VerificationCase => {
  const expected = ring(n, out ? EI / GJ : 1);
  return {
    title: `Free ring ${out ? 'out of' : 'in'} its plane, ${n} waves`,
    source: out
      ? 'Love, Mathematical Theory of Elasticity, art. 293: ω² = n²(n²−1)²/(n²+EI/GJ)·EI/(μR⁴)'
      : 'Love, Mathematical Theory of Elasticity, art. 293: ω² = n²(n²−1)²/(n²+1)·EI/(μR⁴)',
    quantity: 'f, Hz',
    expected,
    tolerance: 5e-3,
    compute: () => nearest(expected),
  };
};

const harder =
  'MacNeal and Harder, A proposed standard set of problems to test finite element accuracy (1985)';
/** Their curved beam: radii 4.12 and 4.32, thickness 0.1, E 1e7, ν 0.25, in their own units. */
const arcMaterial: Material = { id: 'steel', E: 1e7, G: 4e6, density: 1, expansion: 0 };
const bars = (across: number, upright: number): Section['properties'] => {
  const [a, c] = [Math.max(across, upright) / 2, Math.min(across, upright) / 2];
  return {
    A: across * upright,
    Iy: (across * upright ** 3) / 12,
    Iz: (upright * across ** 3) / 12,
    // Roark's Formulas for Stress and Strain, Table 10.1, case 4
    J: a * c ** 3 * (16 / 3 - 3.36 * (c / a) * (1 - c ** 4 / (12 * a ** 4))),
  };
};
const arc = (F: [number, number, number]) =>
  stateOf(
    quarter(4.22, F, {
      materials: [arcMaterial],
      sections: [{ id: 's', material: 'steel', properties: bars(0.2, 0.1) }],
    }),
  );

/** Their twisted beam: 12 long, 1.1 by 0.32, turned by 90°, E 29e6, ν 0.22. */
function twisted(F: [number, number, number]) {
  const points = Object.fromEntries(
    Array.from({ length: pieces + 1 }, (_, i) => [`n${i}`, [(12 * i) / pieces, 0, 0]]),
  );
  const members = chain(pieces, (i) => ((i + 0.5) / pieces) * (Math.PI / 2));
  return stateOf(
    model(points, members, [clamped('n0')], [{ kind: 'node', node: tip, F }], {
      materials: [{ id: 'steel', E: 29e6, G: 29e6 / 2.44, density: 1, expansion: 0 }],
      // Its width stands upright at the root
      sections: [{ id: 's', material: 'steel', properties: bars(0.32, 1.1) }],
    }),
  );
}

export const curved: VerificationGroup = {
  title: 'Curved and twisted beams, rings',
  cases: [
    {
      title: 'Quarter circle clamped at one end, force across its plane at the other: deflection',
      source: 'by Castigliano: PR³·((π/4)/EI + (3π/4 − 2)/GJ)',
      quantity: 'uz, m',
      expected: -(1000 * R ** 3) * (Math.PI / 4 / EI + ((3 * Math.PI) / 4 - 2) / GJ),
      tolerance: 1e-3,
      compute: () => displacement(stateOf(quarter(R, [0, 0, -1000], { sections: [round] })), tip, 2),
    },
    {
      title: 'Curved beam, force in its plane: deflection of the tip',
      source: `${harder}, curved beam`,
      quantity: '',
      expected: 0.08734,
      tolerance: 2e-2,
      // Towards the centre, along the radius at the tip
      compute: () => Math.abs(displacement(arc([-1, 0, 0]), tip, 0)),
    },
    {
      title: 'Curved beam, force across its plane: deflection of the tip',
      source: `${harder}, curved beam`,
      quantity: '',
      expected: 0.5022,
      tolerance: 1e-2,
      compute: () => Math.abs(displacement(arc([0, 0, -1]), tip, 2)),
    },
    {
      title: 'Beam twisted by 90°, force along its width at the root: deflection of the tip',
      source: `${harder}, twisted beam`,
      quantity: '',
      expected: 0.005424,
      tolerance: 1e-2,
      compute: () => Math.abs(displacement(twisted([0, 1, 0]), tip, 1)),
    },
    {
      title: 'Beam twisted by 90°, force along its thickness at the root: deflection of the tip',
      source: `${harder}, twisted beam`,
      quantity: '',
      expected: 0.001754,
      tolerance: 1e-2,
      compute: () => Math.abs(displacement(twisted([0, 0, 1]), tip, 2)),
    },
    ringCase(2, false),
    ringCase(3, false),
    ringCase(2, true),
    ringCase(3, true),
  ],
};
